import type { PlanRequest } from './request';

/** A way to do the job, whether it may be used here, and why. */
export interface Method {
  readonly id: 'iron-leg-at-a-time' | 'iron-cut-then-pins' | 'iron-joint-by-joint';
  readonly name: string;
  readonly allowed: boolean;
  readonly reasons: readonly string[];
}

/** More legs than this cannot be walked out by rocking one at a time (common practice). */
const ROCKABLE_PINS = 3;

/** The iron method that fits the goal. Other tools join this list as their models do. */
export function ironMethod(request: PlanRequest): Method {
  const { pins } = request.site.part;
  if (request.goal === 'reflow' || request.goal === 'fit') {
    return {
      id: 'iron-joint-by-joint',
      name: 'Iron, joint by joint',
      allowed: true,
      reasons: ['Each joint is heated alone; nothing has to be molten at the same time.'],
    };
  }
  if (pins <= ROCKABLE_PINS) {
    return {
      id: 'iron-leg-at-a-time',
      name: 'Iron, a leg at a time with a rock',
      allowed: true,
      reasons: [`With ${pins} legs the part can be rocked out one leg at a time.`],
    };
  }
  if (request.goal === 'remove-sacrifice-part') {
    return {
      id: 'iron-cut-then-pins',
      name: 'Cut the body away, then a pin at a time',
      allowed: true,
      reasons: [`The part is given up, so each of its ${pins} pins comes out alone.`],
    };
  }
  return {
    id: 'iron-leg-at-a-time',
    name: 'Iron, a leg at a time with a rock',
    allowed: false,
    reasons: [
      `${pins} pins must be free at the same time and one iron frees one.`,
      'Give the part up and cut its body away, or use a tool that clears every hole.',
    ],
  };
}
