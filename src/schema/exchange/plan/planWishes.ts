import type { Goal } from '~/core/method/goals';
import type { Worth } from '~/core/method/request';
import type { MoistureInput } from '~/schema/values/moisture';
import type { PlanInput } from './planRequest';

/** What a technician decides about a plan beyond what the record knows. */
export interface PlanWishes {
  readonly goal: Goal;
  readonly worth?: Worth | undefined;
  /** References of sites that come off in the same heat. */
  readonly mates?: readonly string[] | undefined;
  /** What is known of the water in its body. */
  readonly moisture?: MoistureInput | null | undefined;
}

/** A request from the record with what is wanted put in. */
export const wantedOf = (input: PlanInput, { goal, worth, mates, moisture }: PlanWishes): PlanInput => ({
  ...input,
  site: moisture ? { ...input.site, moisture } : input.site,
  goal,
  worth: worth ?? 'ordinary',
  neighbours: input.neighbours.map((n) => ({ ...n, comesToo: mates?.includes(n.ref) ?? false })),
});
