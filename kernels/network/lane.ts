/* What each lane is about: its clock, its step, what it is held to. One number a lane, beside each other. */

const ROOM: usize = 32;
const FIRST: usize = 1024;

/** Time reached, s. */
export const time: usize = FIRST;
/** Length of the next step, and of the one at hand. */
export const step: usize = FIRST + ROOM;
export const taken: usize = FIRST + 2 * ROOM;
/** One over the stage at hand, and what of the step comes before its last stage. */
export const perStage: usize = FIRST + 3 * ROOM;
export const rest: usize = FIRST + 4 * ROOM;
/** Length of the stage at hand, and that whose head stands in `head`. */
export const stage: usize = FIRST + 5 * ROOM;
export const headStage: usize = FIRST + 6 * ROOM;
export const duration: usize = FIRST + 7 * ROOM;
export const tolerance: usize = FIRST + 8 * ROOM;
export const longest: usize = FIRST + 9 * ROOM;
/** Where steps begin: those taken are its doubles. */
export const firstStep: usize = FIRST + 17 * ROOM;
/** Error of the step at hand, K. */
export const error: usize = FIRST + 10 * ROOM;
/** All bits where the step at hand is accepted. */
export const kept: usize = FIRST + 11 * ROOM;
/** All bits where a network is on its way. */
export const underWay: usize = FIRST + 12 * ROOM;
/** Whole numbers by lane: steps taken, solves, heads kept, the slot that is written next. */
export const steps: usize = FIRST + 13 * ROOM;
export const solves: usize = FIRST + 14 * ROOM;
export const slotCount: usize = FIRST + 15 * ROOM;
export const nextSlot: usize = FIRST + 16 * ROOM;
/** Where a shape's arrays begin. */
export const FREE: usize = FIRST + 18 * ROOM;
