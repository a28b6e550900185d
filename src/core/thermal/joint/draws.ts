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
const DIMENSIONS = 10;

/** Seeded Latin-hypercube draws of everything uncertain about a joint, in log-normal scatter. */
export function jointDraws(scenario: Pick<JointScenario, 'board'>, count: number, seed: number): Draw[] {
  const laminate = LAMINATES[scenario.board.laminate];
  return latinHypercube(count, DIMENSIONS, seed).map((point) => {
    const z = (dimension: number): number => normalQuantile(point[dimension]!);
    return {
      factors: {
        contact: scatter(TIP_CONTACT.wettedResistivity, z(0)),
        copper: Math.exp(UNCERTAIN.copperSpread * z(1)),
        laminate: scatter(laminate.conductivityInPlane, z(2)),
        plating: scatter(COPPER.plating, z(3)),
        freshArea: scatter(TIP_CONTACT.freshSolderArea, z(4)),
        wetting: scatter(TIP_CONTACT.wettingTime, z(9)),
        film: scatter(STILL_AIR.boardTop, z(5)),
        tipOffset_K: TIP_CONTACT.calibrationSpread.value * z(6),
      },
      padLife: scatter(PAD_BOND.at350, z(7)),
      laminateLife: scatter(laminate.t288, z(8)),
    };
  });
}

const TENTH_z = 1.2816;

/** Contact and wetting at their worst tenth under a tip a little colder than it says. */
export const PESSIMISTIC_CONTACT: Factors = {
  ...NOMINAL,
  contact: scatter(TIP_CONTACT.wettedResistivity, TENTH_z),
  wetting: scatter(TIP_CONTACT.wettingTime, TENTH_z),
  tipOffset_K: -0.5 * TIP_CONTACT.calibrationSpread.value,
};
