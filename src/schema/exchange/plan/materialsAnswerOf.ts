import type { StockLine, Consumption } from '~/core/method/consumption';
import { celsius, millimetres } from '~/core/quantity/convert';
import type { StockLineAnswer, MaterialsAnswer } from './planAnswer';

/** A width as it is sold, without the noise of its conversion. */
const width_mm = (width_m: number): number => Number(millimetres(width_m).toPrecision(9));

/** What a phase uses up, in bench units. */
export const materialsAnswerOf = (m: Consumption): MaterialsAnswer => ({
  solderWire_mm: millimetres(m.solderWire_m),
  wireDiameter_mm: width_mm(m.wireDiameter_m),
  braid_mm: millimetres(m.braid_m),
  braidWidth_mm: width_mm(m.braidWidth_m),
  flux_mL: m.flux_m3 * 1e6,
  solvent_mL: m.solvent_m3 * 1e6,
  paste_g: m.paste_kg * 1e3,
  lowMelt_g: m.lowMelt_kg * 1e3,
  foil_cm2: m.foil_m2 * 1e4,
  tape_cm2: m.tape_m2 * 1e4,
  mixture: m.mixture && {
    solidus_C: celsius(m.mixture.solidus_K),
    liquidus_C: celsius(m.mixture.liquidus_K),
    uncertainty_K: m.mixture.uncertainty_K,
    warning: m.mixture.bismuthWithLead
      ? 'Bismuth with lead leaves a phase that melts near 96 °C: wick it clean before anything is fitted.'
      : null,
  },
});

const UNITS: Readonly<Record<StockLine['kind'], { unit: StockLineAnswer['unit']; by: number }>> = {
  wire: { unit: 'mm', by: 1e3 },
  braid: { unit: 'mm', by: 1e3 },
  flux: { unit: 'mL', by: 1e6 },
  solvent: { unit: 'mL', by: 1e6 },
  paste: { unit: 'g', by: 1e3 },
  'low-melt': { unit: 'g', by: 1e3 },
  foil: { unit: 'cm²', by: 1e4 },
  tape: { unit: 'cm²', by: 1e4 },
};

/** A line drawn from stock in the unit it is counted in. */
export function stockLineAnswerOf(draw: StockLine): StockLineAnswer {
  const { unit, by } = UNITS[draw.kind];
  return {
    kind: draw.kind,
    supplyId: draw.supplyId,
    name: draw.name,
    amount: draw.amount * by,
    left: draw.left === null ? null : draw.left * by,
    unit,
    short: draw.short,
  };
}
