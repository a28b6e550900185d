import { atom } from 'nanostores';
import type { Rail, RailLine } from '~/schema/sheets/rail';
import { getJson } from '~/ui/api';
import { steadyNow_ms } from '~/ui/steadyNow';

/** Lines of the rail as last heard, and by how much the server's clock is ahead of this screen's. */
export const $railLines = atom<readonly RailLine[]>([]);
export const $skew_ms = atom(0);

export function takeRail(rail: Rail): void {
  $railLines.set(rail.lines);
  $skew_ms.set(rail.now_ms - steadyNow_ms());
}

/** Asks for the rail again, as after an entry that may have started or ended a clock. */
export const refreshRail = (): Promise<void> => getJson<Rail>('/api/clocks').then(takeRail);
