/** So many browsers at once: half of a test is waiting for a screen. */
export const WORKERS = 2;

/** Where the bench computer of a worker listens. */
export const portOf = (worker: number): number => 4629 + worker;
