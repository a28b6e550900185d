import type { PlanInput } from '~/schema/exchange/plan/planRequest';
import { isSurfaceInput } from '~/schema/exchange/si/part';

/** Parts farther off than this do not fit under one nozzle. */
const REACH_mm = 25;
const MOST = 6;

/** References of surface parts on the same face that could come off in the same heat, the nearest first. */
export function nearSites({ site, neighbours }: PlanInput): string[] {
  if (!isSurfaceInput(site.package)) return [];
  return neighbours
    .filter((n) => n.side === site.side && n.package && isSurfaceInput(n.package))
    .map((n) => ({ ref: n.ref, away_mm: Math.hypot(n.x_mm - site.x_mm, n.y_mm - site.y_mm) }))
    .filter((n) => n.away_mm <= REACH_mm)
    .sort((a, b) => a.away_mm - b.away_mm)
    .slice(0, MOST)
    .map((n) => n.ref);
}
