import type { DimensionId } from '~/core/outcomes/dimensions';
import type { Change } from '~/core/outcomes/changes';
import type { GroupRate, HarmRates } from '~/core/outcomes/harmRates';
import type { GroupHeld } from '~/core/outcomes/held';
import type { Period } from '~/core/outcomes/overTime';
import type { GroupResult } from '~/core/outcomes/results';
import type { Pareto } from '~/core/outcomes/returns';
import type { PPoint } from '~/core/statistics/charts/pChart';
import type { Count } from '~/core/statistics/rates';
import type { OutcomesQuery } from '~/schema/exchange/outcomes/outcomesQuery';

/** A group in words beside its key. */
type Named<T> = Omit<T, 'belief'> & { readonly name: string };

export interface RatesView {
  readonly is: 'rates';
  readonly per: HarmRates['per'];
  readonly usual: number;
  readonly strength: number;
  readonly groups: readonly (Named<GroupRate> & {
    /** How sure it is that this one harms less than the one with the fewest; null for that one. */
    readonly surelyMore: number | null;
  })[];
  readonly results: readonly Named<GroupResult>[];
}

/** A job as a signal or a list names it. */
export interface JobNamed {
  readonly jobId: string;
  readonly boardId: string;
  readonly boardName: string;
  readonly ref: string;
  readonly by: string;
  readonly closedAt_ms: number;
}

export interface TimeView {
  readonly is: 'time';
  readonly per: HarmRates['per'];
  readonly centre: number;
  /** By how many times counts vary more than chance would have it. */
  readonly design: number;
  readonly points: readonly (PPoint &
    Pick<Period, 'month' | 'jobs'> & { readonly broken: readonly string[] })[];
  readonly sums: readonly { readonly jobId: string; readonly at_ms: number; readonly sum: number }[];
  /** Height at which the sum signals; null: nothing was ever counted. */
  readonly interval: number | null;
  readonly signal: {
    readonly beganWith: JobNamed;
    readonly seenWith: JobNamed;
    readonly before: Count;
    readonly since: Count;
    readonly changes: readonly Change[];
  } | null;
}

export interface HeldView {
  readonly is: 'held';
  readonly groups: readonly (Named<GroupHeld> & { readonly pointsTo: string | null })[];
}

export interface HeatView {
  readonly is: 'heat';
  readonly sites: readonly {
    readonly boardId: string;
    readonly boardName: string;
    readonly siteId: string;
    readonly ref: string;
    readonly jobs: number;
    /** Share of a land's budget that its worst lands have cost, added over its jobs: at most. */
    readonly spent: number;
  }[];
  readonly methods: readonly {
    readonly key: string;
    readonly name: string;
    readonly jobs: number;
    readonly foretold: number | null;
    readonly done: number | null;
  }[];
  /** Jobs of the last month of these, the newest first: they may be held against their gentlest. */
  readonly recent: {
    readonly from_ms: number;
    /** Of all that there are, those that are listed. */
    readonly of: number;
    readonly jobs: readonly {
      readonly jobId: string;
      readonly ref: string;
      readonly boardName: string;
      readonly method: string;
    }[];
  };
}

export interface CausesView {
  readonly is: 'causes';
  readonly paretos: readonly Pareto[];
  readonly rework: readonly {
    readonly first: JobNamed;
    readonly again: JobNamed;
    readonly days: number;
    readonly cause: string;
  }[];
  /** Days from a board's coming in to its going back, and where they were spent waiting. */
  readonly boards: {
    readonly visits: number;
    readonly days: number | null;
    readonly parkedDays: number;
    readonly parked: number;
  };
  readonly batches: readonly {
    readonly partId: string;
    readonly words: string;
    readonly batch: string;
    readonly source: string;
    readonly fitted: number;
    readonly failed: Count;
    readonly low: number;
    readonly high: number;
  }[];
  readonly due: readonly {
    readonly boardId: string;
    readonly boardName: string;
    readonly says: string;
    readonly due_ms: number | null;
  }[];
}

export interface OutcomesSheet {
  readonly query: OutcomesQuery;
  readonly jobs: number;
  /** How many of them are of the sample months. */
  readonly samples: number;
  /** Groups that there are to choose from, by dimension. */
  readonly choices: Readonly<
    Partial<Record<DimensionId, readonly { readonly key: string; readonly name: string }[]>>
  >;
  readonly months: readonly string[];
  readonly view: RatesView | TimeView | HeldView | HeatView | CausesView;
}
