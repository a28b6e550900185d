import type { PadStateId } from './padStates';

/** How a damaged pad is put right, in the trade's words (common practice). */
export interface Repair {
  readonly how: string;
  /** What must read well before it counts as repaired. */
  readonly verify: string;
  /** Whether a wire to the next point of the net is a way. */
  readonly jumper: boolean;
}

const CONTINUITY = 'continuity to the next point of its net, read and recorded';

const REPAIRS: Partial<Record<PadStateId, Repair>> = {
  lifted: {
    how: 'Re-bond with epoxy, cured flat under a weight; or leave it and let the part hold it.',
    verify: CONTINUITY,
    jumper: false,
  },
  torn: {
    how: 'Foil pad bonded in its place, or a jumper from the lead to the next point of its net.',
    verify: CONTINUITY,
    jumper: true,
  },
  'track-cut': {
    how: 'Scrape back to clean copper and bridge with foil or wire, or run a jumper past the break.',
    verify: CONTINUITY,
    jumper: true,
  },
  barrel: {
    how: 'Eyelet, or a wire through the hole soldered on both faces; a jumper where an inner layer is lost.',
    verify: `${CONTINUITY}, from both faces`,
    jumper: true,
  },
  bridged: {
    how: 'Flux, then wick or a clean tip drawn away along the leads; look from both sides.',
    verify: 'open between the two nets, read and recorded',
    jumper: false,
  },
  cracked: {
    how: 'Re-melt with fresh solder and flux; wick the old first.',
    verify: CONTINUITY,
    jumper: false,
  },
  dull: { how: 'Flux and re-melt; fresh solder if it stays grey.', verify: CONTINUITY, jumper: false },
  insufficient: {
    how: 'Flux and add solder from the side the lead is seen on.',
    verify: CONTINUITY,
    jumper: false,
  },
  excess: { how: 'Wick the surplus off.', verify: 'the fillet is seen all round', jumper: false },
  corroded: {
    how: 'Neutralise and rinse, scrape to bright copper, tin at once; jumper what has gone through.',
    verify: CONTINUITY,
    jumper: true,
  },
  flaked: {
    how: 'Clean, then new mask or varnish over bare copper.',
    verify: 'no bare copper is left',
    jumper: false,
  },
};

/** The repair for a pad in this state; null where nothing is to be repaired. */
export const repairFor = (state: PadStateId): Repair | null => REPAIRS[state] ?? null;

/** States in which copper itself is lost: an open reading is explained by them. */
export const COPPER_LOST: ReadonlySet<PadStateId> = new Set(['torn', 'track-cut', 'barrel']);
