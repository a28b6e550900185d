/** What a drawing shows of a board. */
export type Shows = 'copper' | 'edge' | 'other';

/** The layer that stands for the board's edge where a person chooses what a file is. */
export const PROFILE = -1;
