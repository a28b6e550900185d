import type { OccupancyTold } from './occupancy';
import { PAD_STATES, type PadStateId } from './padStates';
import { standingFindings } from './standingFindings';

interface PadFinding {
  readonly id: string;
  readonly padId: string;
  readonly state: PadStateId;
  readonly takesBackId: string | null;
}

/** What a state is of: a pad may be flaked, bridged and lifted at once, but its solder is in one state. */
const ABOUT: Readonly<Record<PadStateId, 'solder' | 'joint' | 'copper' | 'mask' | 'part' | 'all'>> = {
  sound: 'all',
  repaired: 'all',
  dull: 'solder',
  cracked: 'solder',
  insufficient: 'solder',
  excess: 'solder',
  skewed: 'part',
  missing: 'part',
  bridged: 'joint',
  joined: 'joint',
  corroded: 'copper',
  lifted: 'copper',
  torn: 'copper',
  barrel: 'copper',
  'track-cut': 'copper',
  flaked: 'mask',
};

/**
 * The findings that say how each pad is now, in order of time. A later one follows an earlier one about the same thing;
 * sound and repaired follow all that was found before.
 */
export function presentFindings<F extends PadFinding>(findings: readonly F[]): Map<string, F[]> {
  const now = new Map<string, F[]>();
  for (const finding of standingFindings(findings)) {
    const about = ABOUT[finding.state];
    const before = about === 'all' ? [] : (now.get(finding.padId) ?? []);
    const kept = before.filter((f) => ABOUT[f.state] !== about && ABOUT[f.state] !== 'all');
    now.set(finding.padId, [...kept, finding]);
  }
  return now;
}

/** Sites whose part was found missing, and by whom and when: the last word on any of their pads. */
export const foundMissing = (
  findings: readonly (PadFinding & {
    readonly siteId: string;
    readonly by: string;
    readonly at_ms: number;
  })[],
): OccupancyTold[] =>
  [...presentFindings(findings).values()]
    .flat()
    .filter(({ state }) => state === 'missing')
    .map(({ siteId, by, at_ms }) => ({
      siteId,
      by,
      at_ms,
      is: 'off-given-up',
      what: 'found missing',
      where: '',
    }));

/** The worst of several states: copper damage before solder faults before anything whole. */
export function worstState(states: readonly PadStateId[]): PadStateId {
  const rank = (id: PadStateId): number =>
    PAD_STATES[id].defect ? (PAD_STATES[id].shape === 'diamond' ? 3 : 2) : id === 'sound' ? 0 : 1;
  return states.reduce<PadStateId>((worst, id) => (rank(id) > rank(worst) ? id : worst), 'sound');
}

/** The state a pad is planned and drawn by: the worst of what is said of it now. Pads never found on are left out. */
export const worstByPad = (findings: readonly PadFinding[]): Map<string, PadStateId> =>
  new Map([...presentFindings(findings)].map(([padId, own]) => [padId, worstState(own.map((f) => f.state))]));
