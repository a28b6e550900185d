import { isHurt } from '~/core/record/padStates';
import type { PinBand } from '../hand/bands';
import type { HandHeat } from '../hand/handTrial';
import type { Phase } from '../goals';
import type { PhaseRequest, Setting } from '../request';
import type { Step } from '../steps/step';

export type MethodId =
  | 'gun'
  | 'leg-at-a-time'
  | 'pump-or-wick'
  | 'low-melt-flood'
  | 'leaded-flood'
  | 'cut-then-pins'
  | 'tweezers'
  | 'blob-both-ends'
  | 'twist-off'
  | 'flood-and-sweep'
  | 'wick-then-lift'
  | 'cut-leads'
  | 'big-tip-and-preheat'
  | 'hot-air'
  | 'joint-by-joint'
  | 'clear-bridge'
  | 'drag';

/** Something that speaks for or against a method on the job at hand. */
export interface Rule {
  readonly forbids: boolean;
  readonly says: string;
}

/** What it takes besides heat. */
export interface Needs {
  /** Solder fed to each joint: none, what one of its kind takes, a blob over a land, or a bead over all. */
  readonly freshSolder: 'none' | 'usual' | 'blob' | 'bead';
  readonly braid: boolean;
  readonly lowMelt: boolean;
  /** The solder that is fed is leaded, whatever the joints hold. */
  readonly leaded: boolean;
  readonly paste: boolean;
}

/** Heat asked of the board-scale model: a nozzle over the whole part. */
interface AirHeat {
  readonly kind: 'air';
}

/** One way to do one phase of a job. */
export interface Method {
  readonly id: MethodId;
  readonly name: string;
  readonly phases: readonly Phase[];
  /** What is done, in a sentence. */
  readonly about: string;
  /** What usually goes wrong. */
  readonly failure: string;
  /** What the site looks like after. */
  readonly leaves: string;
  readonly needs: Needs;
  /** Chance that the part lives through it (assumed, common practice). */
  readonly survival: number;
  /** Chance that a land is hurt by it in usual hands (assumed, common practice). */
  readonly harm: number;
  /** Hands' time besides heat: for the whole, and for each pad, s (assumed, common practice). */
  readonly hands_s: { readonly once: number; readonly perPad: number };
  readonly heat: HandHeat | AirHeat;
  /** Whether it is for parts of this kind at all; one that is not is not listed. */
  suits(request: PhaseRequest): boolean;
  rules(request: PhaseRequest): readonly Rule[];
  /** Why it is done only where nothing else will do; null or left out where it stands with the others. */
  lastResort?(request: PhaseRequest): string | null;
  /** How the part leaves the board; of methods that take one off. */
  readonly release?: Release;
  /** What is done cold, before flux and any hot tool: cutting, twisting, covering. */
  cold?(request: PhaseRequest, setting: Setting): Step[];
  /** What goes on the lands before a part is set on them; left out, flux does. */
  onLands?(request: PhaseRequest): Step[];
  /** The hot work, with what belongs to it. */
  work(request: PhaseRequest, setting: Setting, bands: readonly PinBand[]): Step[];
  /** What its own leavings ask for, once the part is off. */
  after?(request: PhaseRequest): Step[];
}

/** Lifted while all is molten, taken out once each lead is free, out with its last leg, or gone before any heat. */
export type Release = 'molten' | 'freed' | 'rocked' | 'gone';

export const NOTHING: Needs = {
  freshSolder: 'none',
  braid: false,
  lowMelt: false,
  leaded: false,
  paste: false,
};

/** Pads of the site that were found hurt, by name. */
export const hurtPads = ({ site }: PhaseRequest): string[] =>
  Object.entries(site.padStates).flatMap(([pad, state]) => (isHurt(state) ? [pad] : []));

/** The rule of every method that pulls, presses or sucks at lands. */
export function hurtForbids(request: PhaseRequest, because: string): Rule[] {
  const hurt = hurtPads(request);
  return hurt.length === 0 ? [] : [forbids(`The pad of pin ${hurt.join(', ')} is damaged: ${because}.`)];
}

export const forbids = (says: string): Rule => ({ forbids: true, says });
export const notes = (says: string): Rule => ({ forbids: false, says });

/** The rule that holds of every method that loses the part. */
export function lossOfPart(request: PhaseRequest, kept: boolean): Rule[] {
  if (kept) return [forbids('The part must survive; this destroys it.')];
  return request.worth === 'scarce'
    ? [notes('The part is scarce: losing it has to be worth the board.')]
    : [];
}

export const padsInWords = (pads: readonly string[]): string =>
  pads.length === 1
    ? `pin ${pads[0]}`
    : pads.length === 2
      ? `pins ${pads.join(' and ')}`
      : `all ${pads.length} pins`;
