import type { ChoiceInput, PlanInput } from './planRequest';

/** What the planner's thread computes: a plan, what follows from settings, or a whole board's order. */
export type PlanTask =
  | { readonly kind: 'plan'; readonly input: PlanInput }
  | { readonly kind: 'explore'; readonly input: PlanInput; readonly choices: readonly ChoiceInput[] }
  | {
      readonly kind: 'recap';
      readonly asks: readonly { readonly value: string; readonly input: PlanInput }[];
    };
