/** Screens that every sheet is held on: a desk, a tablet, a wide desk, and a desk enlarged twice. */
export const SIZES = [
  [1280, 800],
  [820, 1180],
  [1920, 1080],
  [640, 400],
] as const;
