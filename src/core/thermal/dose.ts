import { LAMINATES, PAD_BOND, type LaminateId } from '~/core/materials/laminates';
import { kelvin } from '~/core/quantity/convert';

/** Arrhenius life: time to failure is `scale_s · exp(activation_K / T)`. */
export interface Endurance {
  readonly scale_s: number;
  readonly activation_K: number;
}

const T260_K = kelvin(260);
const T288_K = kelvin(288);

/** The Arrhenius line through times to failure at 260 °C and at 288 °C. */
export function endurance(t260_s: number, t288_s: number): Endurance {
  const activation_K = Math.log(t260_s / t288_s) / (1 / T260_K - 1 / T288_K);
  return { activation_K, scale_s: t288_s * Math.exp(-activation_K / T288_K) };
}

/** What spends a life: one line, or several side by side whose shares add. */
export type Life = readonly Endurance[];

/** eV over Boltzmann's constant, K (CODATA 2018: exact values of e and k). */
const K_PER_EV = 1.602176634e-19 / 1.380649e-23;
const T350_K = kelvin(350);

const throughAt350 = (life_s: number, activation_eV: number): Endurance => {
  const activation_K = activation_eV * K_PER_EV;
  return { activation_K, scale_s: life_s * Math.exp(-activation_K / T350_K) };
};

/** Share of life spent per second at a temperature; Miner's sum is its integral. */
export function doseRate_1_s(life: Life, temperature_K: number): number {
  let rate = 0;
  for (const { activation_K, scale_s } of life) rate += Math.exp(-activation_K / temperature_K) / scale_s;
  return rate;
}

/** Temperature at which a life would be spent at that rate, K. */
export function temperatureOf_K(life: Life, rate_1_s: number, between_K: readonly [number, number]): number {
  let [low_K, high_K] = between_K;
  for (let i = 0; i < 24; i++) {
    const middle_K = (low_K + high_K) / 2;
    if (doseRate_1_s(life, middle_K) < rate_1_s) low_K = middle_K;
    else high_K = middle_K;
  }
  return (low_K + high_K) / 2;
}

/** A life that lasts so many times as long. */
export const lasting = (life: Life, factor: number): Life =>
  life.map((line) => ({ ...line, scale_s: line.scale_s * factor }));

export function laminateEndurance(laminate: LaminateId): Life {
  const { t260, t288 } = LAMINATES[laminate];
  return [endurance(t260.value, t288.value)];
}

/** Life of the copper–resin bond under a land that only heat reaches; on a weak laminate it is the laminate's own. */
export function bondEndurance(laminate: LaminateId): Life {
  const bond = throughAt350(PAD_BOND.at350.value, PAD_BOND.activation.value);
  const board = laminateEndurance(laminate);
  return doseRate_1_s(board, T260_K) > doseRate_1_s([bond], T260_K) ? board : [bond];
}

/**
 * Life of the bond under a land that a tip stands on: the same heat, and the push. For the same push a land of half the
 * width has half the bond to each side of it to hold it, so its share goes by the root of the area (assumed).
 */
export function touchedBondEndurance(laminate: LaminateId, land_m2: number): Life {
  const size = Math.sqrt(land_m2 / PAD_BOND.referenceArea.value);
  const push = throughAt350(PAD_BOND.pushAt350.value * size, PAD_BOND.pushActivation.value);
  return [...bondEndurance(laminate), push];
}

/** Miner's sum over a history; times in s, temperatures in K, trapezoid on the rate. */
export function dose(life: Life, time_s: ArrayLike<number>, temperature_K: ArrayLike<number>): number {
  let sum = 0;
  for (let i = 1; i < time_s.length; i++) {
    const rate = doseRate_1_s(life, temperature_K[i - 1]!) + doseRate_1_s(life, temperature_K[i]!);
    sum += 0.5 * rate * (time_s[i]! - time_s[i - 1]!);
  }
  return sum;
}
