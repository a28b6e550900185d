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

/** Seeded Latin-hypercube draws of everything uncertain about a joint. */
export const deviations = (count: number, seed: number): Deviations[] =>
  latinHypercube(count, UNSURE.length, seed).map(
    (point) =>
      Object.fromEntries(UNSURE.map((name, i) => [name, normalQuantile(point[i]!)])) as Record<
        Unsure,
        number
      >,
  );

/** One joint that could be on the bench, in log-normal scatter. */
export function drawOf({ board }: Pick<JointScenario, 'board'>, z: Deviations): Draw {
  const laminate = LAMINATES[board.laminate];
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

export const jointDraws = (scenario: Pick<JointScenario, 'board'>, count: number, seed: number): Draw[] =>
  deviations(count, seed).map((z) => drawOf(scenario, z));

const TENTH_z = 1.2816;

/** Contact and wetting at their worst tenth under a tip a little colder than it says. */
export const PESSIMISTIC_CONTACT: Factors = {
  ...NOMINAL,
  contact: scatter(TIP_CONTACT.wettedResistivity, TENTH_z),
  wetting: scatter(TIP_CONTACT.wettingTime, TENTH_z),
  tipOffset_K: -0.5 * TIP_CONTACT.calibrationSpread.value,
};
