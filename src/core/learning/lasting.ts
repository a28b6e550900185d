import { TIP_CONTACT } from '~/core/materials/tips';
import { scatter } from '~/core/materials/property';
import type { Known } from '~/core/thermal/joint/draws';
import type { HollowTip, SolidTip } from '~/core/thermal/joint/scenario';
import { UNCERTAIN } from '~/core/thermal/joint/settings';

/**
 * How much of each uncertainty lasts from job to job, as a share of its variance: of a tip what its plating and its
 * station are, of a board its copper (assumed). The rest of what a job's touches share is that job's own.
 */
export const LASTING = { contact: 0.4, tipOffset: 0.8, copper: 0.4 } as const;
export type Lasting = keyof typeof LASTING;

/** What lasts, in standard deviations of what is published: nothing is known at mean 0 and spread 1. */
export interface Normal {
  readonly mean: number;
  readonly spread: number;
}
export const AS_PUBLISHED: Normal = { mean: 0, spread: 1 };

/** What is known of one tip of a tool. */
interface TipLearnt {
  readonly toolId: string;
  readonly tip: SolidTip | HollowTip;
  readonly contact: Normal;
  readonly tipOffset: Normal;
}

/** What earlier jobs have told of a bench's tips and of a board. */
export interface Learnt {
  readonly tips: readonly TipLearnt[];
  readonly copper: Normal;
}

/** Names a tip of a tool, by what it is. */
export const tipKey = (toolId: string, tip: SolidTip | HollowTip): string =>
  [
    toolId,
    tip.shape,
    tip.construction,
    micrometres(tip.width_m),
    tip.shape === 'hollow' ? micrometres(tip.inner_m) : '',
  ]
    .join(' ')
    .trim();

const micrometres = (length_m: number): number => Math.round(length_m * 1e6);

/** What the draws of a touch take from it: each deviation lies where it was learnt, as narrow as it was. */
export function knownOf(
  learnt: Learnt | undefined,
  { tool, tip }: { readonly tool: { readonly id: string }; readonly tip: SolidTip | HollowTip },
): Known | undefined {
  if (!learnt) return undefined;
  const key = tipKey(tool.id, tip);
  const own = learnt.tips.find((one) => tipKey(one.toolId, one.tip) === key);
  return {
    ...(own
      ? { contact: within('contact', own.contact), tipOffset: within('tipOffset', own.tipOffset) }
      : {}),
    copper: within('copper', learnt.copper),
  };
}

function within(of: Lasting, { mean, spread }: Normal): { shift: number; scale: number } {
  const share = LASTING[of];
  return { shift: Math.sqrt(share) * mean, scale: Math.sqrt(1 - share + share * spread ** 2) };
}

/** Eight in ten lie between this many standard deviations either way. */
const TENTH_z = 1.2816;

/** A value with eight in ten of what it may be. */
export interface Told {
  readonly low: number;
  readonly most: number;
  readonly high: number;
}

const told = ({ mean, spread }: Normal, valueAt: (z: number) => number): Told => {
  const [a, b] = [valueAt(mean - TENTH_z * spread), valueAt(mean + TENTH_z * spread)];
  return { low: Math.min(a, b), most: valueAt(mean), high: Math.max(a, b) };
};

/** Contact resistance as so many times the published. */
export const contactTold = (contact: Normal): Told =>
  told(contact, (z) => scatter(TIP_CONTACT.wettedResistivity, Math.sqrt(LASTING.contact) * z));

/** How far the tip's real temperature is from the one set, K. */
export const offsetTold_K = (tipOffset: Normal): Told =>
  told(tipOffset, (z) => TIP_CONTACT.calibrationSpread.value * Math.sqrt(LASTING.tipOffset) * z);

/** Copper about the pins of a board as so many times what was given. */
export const copperTold = (copper: Normal): Told =>
  told(copper, (z) => Math.exp(UNCERTAIN.copperSpread * Math.sqrt(LASTING.copper) * z));
