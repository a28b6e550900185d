import type { OptionAnswer } from '~/schema/exchange/plan/planAnswer';

/** One half of a job as it was done and at the gentlest sure setting of its way, both solved by today's model. */
export interface GentlerAnswer {
  readonly done: OptionAnswer;
  /** Null: nothing of its way spends noticeably less. */
  readonly gentlest: OptionAnswer | null;
  readonly longer_min: number;
}
