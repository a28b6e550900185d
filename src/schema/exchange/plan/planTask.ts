import type { HalfGiven } from '~/core/method/halfGiven';
import type { DrawsGiven } from '~/core/method/hand/heatDraws';
import type { JobHeats } from '~/core/learning/heatSeen';
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
  /** What thermocouples are expected to read over a phase's heatings. */
  | { readonly kind: 'courses'; readonly given: HalfGiven }
  /** What the halves of a job would have cost at the gentlest settings of their ways; `of` names it. */
  | { readonly kind: 'gentler'; readonly of: string; readonly halves: readonly HalfGiven[] }
  /** `of` tells phases of jobs apart. */
  | { readonly kind: 'draws'; readonly of: string; readonly given: DrawsGiven }
  /** What the heatings of one tip, and those on one board, have taught; `of` names it. */
  | { readonly kind: 'tip-lesson'; readonly of: string; readonly jobs: readonly JobHeats[] }
  | { readonly kind: 'board-lesson'; readonly of: string; readonly jobs: readonly JobHeats[] };

/** What is asked once: its answer is kept by who asks, and the question is told by its name. */
const ONCE = [
  'cost',
  'draws',
  'gentler',
  'tip-lesson',
  'board-lesson',
] as const satisfies readonly PlanTask['kind'][];
type Once = Extract<PlanTask, { kind: (typeof ONCE)[number] }>;

export const isOnce = (task: PlanTask): task is Once => (ONCE as readonly string[]).includes(task.kind);
