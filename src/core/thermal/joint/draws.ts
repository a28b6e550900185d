import { LAMINATES, PAD_BOND } from '~/core/materials/laminates';
import { COPPER } from '~/core/materials/copper';
import { STILL_AIR } from '~/core/materials/air';
import { TIP_CONTACT } from '~/core/materials/tips';
import { latinHypercube } from '~/core/statistics/random';
import { normalQuantile } from '~/core/statistics/normal';
import { scatter } from '~/core/materials/property';
import { NOMINAL, type Factors, type JointScenario } from './scenario';
import { UNCERTAIN } from './settings';

/** One joint that could be on the bench: factors on the heat model and on both lives. */
export interface Draw {
  readonly factors: Factors;
  readonly padLife: number;
  readonly laminateLife: number;
}

/** What is uncertain, in the order of the hypercube's dimensions. */
export const UNSURE = [
  'contact',
  'copper',
  'laminate',
  'plating',
  'freshArea',
  'film',
  'tipOffset',
  'padLife',
  'laminateLife',
  'wetting',
] as const;
export type Unsure = (typeof UNSURE)[number];

/** How far off its nominal value each is, in standard deviations. */
export type Deviations = Readonly<Record<Unsure, number>>;

/**
 * What is known of a bench beyond what is published, by what is uncertain: its deviation is the shift and so many times a
 * standard normal. What is left out is as published.
 */
export type Known = Readonly<Partial<Record<Unsure, { readonly shift: number; readonly scale: number }>>>;

/** What a draw is made for: a board's laminate, and what its bench is known for. */
interface Drawn {
  readonly board: JointScenario['board'];
  readonly known?: Known | undefined;
}

/** Those that were drawn last: every touch of a plan is drawn alike, some at a time. */
let drawn: { readonly of: string; readonly deviations: readonly Deviations[] } | null = null;

/** Seeded Latin-hypercube draws of everything uncertain about a joint. */
export function deviations(count: number, seed: number): readonly Deviations[] {
  const of = `${count} ${seed}`;
  if (drawn?.of !== of)
    drawn = {
      of,
      deviations: latinHypercube(count, UNSURE.length, seed).map(
        (point) =>
          Object.fromEntries(UNSURE.map((name, i) => [name, normalQuantile(point[i]!)])) as Record<
            Unsure,
            number
          >,
      ),
    };
  return drawn.deviations;
}

/** One joint that could be on the bench, in log-normal scatter. */
export function drawOf({ board, known }: Drawn, drawn: Deviations): Draw {
  const laminate = LAMINATES[board.laminate];
  const z = known ? asKnown(drawn, known) : drawn;
  return {
    factors: {
      contact: scatter(TIP_CONTACT.wettedResistivity, z.contact),
      copper: Math.exp(UNCERTAIN.copperSpread * z.copper),
      laminate: scatter(laminate.conductivityInPlane, z.laminate),
      plating: scatter(COPPER.plating, z.plating),
      freshArea: scatter(TIP_CONTACT.freshSolderArea, z.freshArea),
      wetting: scatter(TIP_CONTACT.wettingTime, z.wetting),
      film: scatter(STILL_AIR.boardTop, z.film),
      tipOffset_K: TIP_CONTACT.calibrationSpread.value * z.tipOffset,
    },
    padLife: scatter(PAD_BOND.at350, z.padLife),
    laminateLife: scatter(laminate.t288, z.laminateLife),
  };
}

const asKnown = (z: Deviations, known: Known): Deviations =>
  Object.fromEntries(
    UNSURE.map((name) => [name, (known[name]?.shift ?? 0) + (known[name]?.scale ?? 1) * z[name]]),
  ) as Record<Unsure, number>;

/** All of them, or those from one up to another. */
export const jointDraws = (of: Drawn, count: number, seed: number, from = 0, to = count): Draw[] =>
  deviations(count, seed)
    .slice(from, to)
    .map((z) => drawOf(of, z));

const NONE = Object.fromEntries(UNSURE.map((name) => [name, 0])) as Record<Unsure, number>;
const TENTH_z = 1.2816;

/** The joint as it most likely is. */
export const nominalOf = (of: Drawn): Factors => (of.known ? drawOf(of, NONE).factors : NOMINAL);

/** Contact and wetting at their worst tenth under a tip a little colder than it says. */
export const pessimisticOf = (of: Drawn): Factors =>
  drawOf(of, { ...NONE, contact: TENTH_z, wetting: TENTH_z, tipOffset: -0.5 }).factors;
