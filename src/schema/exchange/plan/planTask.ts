import type { DrawsGiven } from '~/core/method/hand/heatDraws';
import type { HeatGiven } from '~/core/method/heatCost';
import type { ChoiceInput, PlanInput } from './planRequest';

/** What the planner's thread computes: a plan, what follows from settings, a whole board's order, or what a heating cost. */
export type PlanTask =
  | { readonly kind: 'plan'; readonly input: PlanInput }
  | { readonly kind: 'explore'; readonly input: PlanInput; readonly choices: readonly ChoiceInput[] }
  | {
      readonly kind: 'recap';
      readonly asks: readonly { readonly value: string; readonly input: PlanInput }[];
    }
  /** `of` tells heatings apart. */
  | { readonly kind: 'cost'; readonly of: string; readonly given: HeatGiven }
  /** `of` tells phases of jobs apart. */
  | { readonly kind: 'draws'; readonly of: string; readonly given: DrawsGiven };
