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

/** Share of life spent per second at a temperature; Miner's sum is its integral. */
export const doseRate_1_s = (life: Endurance, temperature_K: number): number =>
  Math.exp(-life.activation_K / temperature_K) / life.scale_s;

export function laminateEndurance(laminate: LaminateId): Endurance {
  const { t260, t288 } = LAMINATES[laminate];
  return endurance(t260.value, t288.value);
}

/**
 * Life of the copper–resin bond under one land. It scales with the square root of the land's area
 * (assumed: peeling starts at the rim, and a wide land has more bond behind each length of it), and
 * never outlasts what the laminate itself would allow.
 */
export function padEndurance(laminate: LaminateId, landArea_m2: number): Endurance {
  const size = Math.sqrt(landArea_m2 / PAD_BOND.referenceArea.value);
  const { t260, t288 } = LAMINATES[laminate];
  return endurance(
    Math.min(PAD_BOND.t260.value * size, t260.value),
    Math.min(PAD_BOND.t288.value * size, t288.value),
  );
}

/** Miner's sum over a history; times in s, temperatures in K, trapezoid on the rate. */
export function dose(life: Endurance, time_s: ArrayLike<number>, temperature_K: ArrayLike<number>): number {
  let sum = 0;
  for (let i = 1; i < time_s.length; i++) {
    const rate = doseRate_1_s(life, temperature_K[i - 1]!) + doseRate_1_s(life, temperature_K[i]!);
    sum += 0.5 * rate * (time_s[i]! - time_s[i - 1]!);
  }
  return sum;
}
