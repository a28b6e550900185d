import { chanceLess, type Count } from '~/core/statistics/rates';
import { countOf } from './harmRates';
import type { HarmId } from './harms';
import { heldOf } from './held';
import type { JobFacts } from './jobFacts';
import type { Signal } from './overTime';

/** What of a job can change from one day to the next, and how it is named. */
const FACTORS = {
  tip: { says: 'the tip', of: (f: JobFacts) => [f.tool, f.tip].filter(Boolean).join(', ') },
  tool: { says: 'the tool', of: (f: JobFacts) => f.tool },
  by: { says: 'the technician', of: (f: JobFacts) => f.by },
  method: { says: 'the method', of: (f: JobFacts) => f.method },
  alloy: { says: 'the alloy', of: (f: JobFacts) => f.alloy },
  solder: { says: 'the solder', of: (f: JobFacts) => f.solder },
  flux: { says: 'the flux', of: (f: JobFacts) => f.flux },
  setting: {
    says: 'the setting',
    // Settings are told apart by tens of degrees: a station is not set finer.
    of: (f: JobFacts) => `${f.tool} at ${Math.round(f.setpoint_C / 10) * 10} °C`,
  },
} as const;
type FactorId = keyof typeof FACTORS;

/** Something that fares worse since a harm became more frequent than what goes on beside it, and than itself before. */
export interface Change {
  readonly factor: FactorId;
  readonly says: string;
  readonly key: string;
  /** Nobody had worked so before. */
  readonly isNew: boolean;
  readonly first_ms: number;
  readonly before: Count;
  /** Since the change, jobs with it and jobs without. */
  readonly since: Count;
  readonly without: Count;
  /** How sure it is that jobs with it fare worse, both than others and than before. */
  readonly sure: number;
  /** Its touches melt so many times later since; null: too few were seen. */
  readonly slower: number | null;
}

/** What is new may have come so long before the first harm of it. */
const BEFORE_ms = 30 * 86_400_000;
/** Less sure than this is not told: whatever is looked at would be named. */
const LEAST_SURE = 0.95;

/**
 * What fares worse since a signal began: something new, or something old that changed, as a tip that wore through; the surest
 * first. Whatever else changed and is not in the record cannot be found.
 */
export function changesAt(
  facts: readonly JobFacts[],
  harm: HarmId,
  { beganWith, seenWith }: Pick<Signal, 'beganWith' | 'seenWith'>,
): Change[] {
  const isSince = (f: JobFacts): boolean => f.closedAt_ms >= beganWith.closedAt_ms;
  const found = (Object.keys(FACTORS) as FactorId[]).flatMap((factor): Change[] => {
    const { says, of } = FACTORS[factor];
    return [...new Set(facts.filter(isSince).map(of))].flatMap((key): Change[] => {
      const own = facts.filter((f) => of(f) === key);
      const first_ms = Math.min(...own.map((f) => f.closedAt_ms));
      const isNew = first_ms >= beganWith.closedAt_ms - BEFORE_ms && first_ms <= seenWith.closedAt_ms;
      const [since, before] = [own.filter(isSince), own.filter((f) => !isSince(f))];
      const others = facts.filter((f) => isSince(f) && of(f) !== key);
      const counted = (some: readonly JobFacts[]): Count => countOf(some, harm);
      const worseThan = (some: readonly JobFacts[]): number =>
        chanceLess(beliefOf(counted(some)), beliefOf(counted(since)));
      // What everything shares has changed for everything: it tells nothing apart.
      if (key === '' || others.length === 0) return [];
      const sure = Math.min(worseThan(others), isNew ? 1 : worseThan(before));
      if (sure < LEAST_SURE) return [];
      return [
        {
          factor,
          says,
          key,
          isNew,
          first_ms,
          before: counted(before),
          since: counted(since),
          without: counted(others),
          sure,
          slower: slowerSince(before, since),
        },
      ];
    });
  });
  return found.sort((a, b) => b.sure - a.sure || b.since.bad - a.since.bad);
}

/** By how many times the middle touch melts later than before, beside what was foretold. */
function slowerSince(before: readonly JobFacts[], since: readonly JobFacts[]): number | null {
  const [was, is] = [heldOf(before, 'melt').bias, heldOf(since, 'melt').bias];
  return was === null || is === null ? null : is / was;
}

/** Before anything is counted every share is as likely (Jeffreys). */
const beliefOf = ({ bad, of }: Count) => ({ a: bad + 0.5, b: of - bad + 0.5 });
