import { roundStanding, uncleanedSites } from '~/core/record/round';
import type { RecapRecord } from '~/schema/records/jobs/recap';
import type { RoundLine, RoundSheet } from '~/schema/sheets/roundSheet';
import type { OpenBoard } from '~/server/boards/openBoard';

/** How far a whole board's job is by the record of its board. */
export function roundSheet(recap: RecapRecord, { sites, jobs, occupancies }: OpenBoard): RoundSheet {
  const { id: recapId, name, by, at_ms, order, answer } = recap;
  const { sites: all, next, begun } = roundStanding(recap, jobs, occupancies);
  const sequence = order === 'value' ? answer.byValue : answer.byArea;
  const lines = all.flatMap((one): RoundLine[] => {
    const site = sites.find((s) => s.id === one.siteId);
    if (!site) return [];
    const { ref, value } = site;
    return [{ ...one, ref, value: value || ref, minutes: minutesOf(recap, ref) }];
  });
  const left = lines.filter((line) => line.status !== 'done');
  const once_min = begun ? sequence.after_min : sequence.before_min + sequence.after_min;
  return {
    recapId,
    name,
    by,
    at_ms,
    order,
    lines,
    next: lines.find((line) => line.siteId === next?.siteId) ?? null,
    begun,
    left_min: left.length === 0 ? 0 : left.reduce((sum, line) => sum + line.minutes, once_min),
    uncleaned: uncleanedSites(jobs).flatMap((id) => sites.find((s) => s.id === id)?.ref ?? []),
  };
}

/** A site's time with what comes before it; one that an early version kept has its halves alone. */
function minutesOf({ order, answer }: RecapRecord, ref: string): number {
  const leg = (order === 'value' ? answer.byValue : answer.byArea).legs.find((l) => l.ref === ref);
  const site = answer.sites.find((s) => s.ref === ref);
  return leg?.minutes ?? (site?.off?.minutes ?? 0) + (site?.on?.minutes ?? 0);
}
