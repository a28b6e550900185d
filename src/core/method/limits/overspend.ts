/** What a pad has spent and what a plan would spend on it, as shares of its bond budget. */
export interface PadBudget {
  readonly pad: string;
  readonly spent: number;
  readonly planned: { readonly p50: number; readonly p90: number };
}

export interface Overspend extends PadBudget {
  /** `gone`: nothing was left before; `likely`: half of all draws pass the end; `possible`: one in ten does. */
  readonly chance: 'gone' | 'likely' | 'possible';
}

/** The pads that a plan would take past the end of their budget, the worst first. */
export function overspends(budgets: readonly PadBudget[]): Overspend[] {
  return budgets
    .flatMap((b): Overspend[] => {
      if (b.spent >= 1) return [{ ...b, chance: 'gone' }];
      if (b.spent + b.planned.p50 > 1) return [{ ...b, chance: 'likely' }];
      return b.spent + b.planned.p90 > 1 ? [{ ...b, chance: 'possible' }] : [];
    })
    .sort((a, b) => b.spent + b.planned.p90 - a.spent - a.planned.p90);
}
