import { changesAt } from '~/core/outcomes/changes';
import { harmRates, surelyLess } from '~/core/outcomes/harmRates';
import { harmTraits } from '~/core/outcomes/harms';
import { heldBy, pointsTo } from '~/core/outcomes/held';
import type { JobFacts } from '~/core/outcomes/jobFacts';
import { overTime } from '~/core/outcomes/overTime';
import { resultsBy } from '~/core/outcomes/results';
import { thinned } from '~/core/statistics/charts/thinned';
import { RUN_RULES } from '~/core/statistics/charts/runRules';
import type { OutcomesQuery } from '~/schema/exchange/outcomes/outcomesQuery';
import type { HeldView, RatesView, TimeView } from '~/schema/sheets/outcomesSheet';
import type { Onlooker } from './asked';
import { jobNamed } from './jobNamed';
import { groupName } from './names';

/** How often a harm came, and what came of the jobs, by the groups that are asked for. */
export function ratesView(facts: readonly JobFacts[], { harm, sort }: OutcomesQuery): RatesView {
  const { per, usual, strength, groups } = harmRates(facts, harm, sort);
  const least = [...groups].sort((a, b) => a.pooled.share - b.pooled.share)[0];
  return {
    is: 'rates',
    per,
    usual,
    strength,
    groups: groups.map((group) => {
      const { belief: _, ...told } = group;
      return {
        ...told,
        name: groupName(sort, group.key),
        surelyMore: !least || group === least ? null : surelyLess(least, group),
      };
    }),
    results: resultsBy(facts, sort).map((r) => ({ ...r, name: groupName(sort, r.key) })),
  };
}

/** A line of more points than these is no finer on a screen. */
const MOST_POINTS = 1500;

/** A harm over the months and job by job, and what changed when it became more. */
export function timeView(
  facts: readonly JobFacts[],
  { harm }: OutcomesQuery,
  { tellsWho }: Pick<Onlooker, 'tellsWho'>,
): TimeView {
  const over = overTime(facts, harm);
  const { per } = harmTraits(harm);
  if (!over)
    return { is: 'time', per, centre: 0, design: 1, points: [], sums: [], interval: null, signal: null };
  const { chart, design, periods, broken, sums, interval, signal } = over;
  return {
    is: 'time',
    per,
    centre: chart.centre,
    design,
    points: chart.points.map((point, i) => ({
      ...point,
      month: periods[i]!.month,
      jobs: periods[i]!.jobs,
      broken: broken.flatMap(({ rule, at }) =>
        at === i ? [RUN_RULES.find((r) => r.id === rule)!.says] : [],
      ),
    })),
    sums: thinned(sums, MOST_POINTS, ({ sum }) => sum),
    interval: Number.isFinite(interval) ? interval : null,
    signal: signal && {
      beganWith: jobNamed(signal.beganWith),
      seenWith: jobNamed(signal.seenWith),
      before: signal.before,
      since: signal.since,
      changes: changesAt(facts, harm, signal)
        .filter(({ factor }) => tellsWho || factor !== 'by')
        .map((change) => ({
          ...change,
          key:
            change.factor === 'method' || change.factor === 'alloy'
              ? groupName(change.factor, change.key)
              : change.key,
        })),
    },
  };
}

/** How well what was foretold held, by the groups that are asked for. */
export const heldView = (facts: readonly JobFacts[], { sort, of }: OutcomesQuery): HeldView => ({
  is: 'held',
  groups: heldBy(facts, sort, of).map((group) => ({
    ...group,
    name: groupName(sort, group.key),
    pointsTo: pointsTo(group, of),
  })),
});
