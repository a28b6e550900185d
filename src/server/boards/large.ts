/** From so many pads on a board's sheet does not come with its page, which would be megabytes before anything is seen. */
const LARGE_pads = 2000;

export const isLarge = (pads: number): boolean => pads > LARGE_pads;
