import { describe, expect, it } from 'vitest';
import type { StockLine, Consumption } from '~/core/method/consumption';
import { stockLineAnswerOf, materialsAnswerOf } from './materialsAnswerOf';

const MATERIALS: Consumption = {
  wireDiameter_m: 0.8e-3,
  solderWire_m: 6.35e-3,
  braidWidth_m: 2e-3,
  braid_m: 4e-3,
  flux_m3: 1.74e-9,
  solvent_m3: 0.3e-6,
  paste_kg: 12e-6,
  lowMelt_kg: 0.25e-3,
  foil_m2: 40e-4,
  tape_m2: 10e-4,
  mixture: null,
  lines: [],
};

describe('materials as they are told', () => {
  it('stand in the units of the bench: mm, mL, g and cm²', () => {
    const told = materialsAnswerOf(MATERIALS);
    expect(told.wireDiameter_mm).toBe(0.8);
    expect(told.braidWidth_mm).toBe(2);
    expect(told.solderWire_mm).toBeCloseTo(6.35, 9);
    expect(told.flux_mL).toBeCloseTo(0.00174, 9);
    expect(told.paste_g).toBeCloseTo(0.012, 9);
    expect(told.lowMelt_g).toBeCloseTo(0.25, 9);
    expect([told.foil_cm2, told.tape_cm2]).toEqual([40, 10]);
    expect(told.mixture).toBeNull();
  });

  it('warn of bismuth with lead, and only of that', () => {
    const mixture = {
      composition: { Sn: 1 },
      solidus_K: 369.15,
      liquidus_K: 452,
      uncertainty_K: 24,
      bismuthWithLead: true,
    };
    const told = materialsAnswerOf({ ...MATERIALS, mixture }).mixture!;
    expect(told.solidus_C).toBeCloseTo(96, 9);
    expect(told.warning).toContain('96 °C');
    expect(
      materialsAnswerOf({ ...MATERIALS, mixture: { ...mixture, bismuthWithLead: false } }).mixture!.warning,
    ).toBeNull();
  });
});

describe('a line drawn from stock', () => {
  const line = (kind: StockLine['kind'], amount: number, left: number | null): StockLine => ({
    kind,
    supplyId: null,
    name: kind,
    amount,
    left,
    short: left !== null && left < amount,
  });

  it.each<[StockLine['kind'], number, number, string]>([
    ['wire', 0.0127, 12.7, 'mm'],
    ['braid', 0.004, 4, 'mm'],
    ['flux', 2e-9, 0.002, 'mL'],
    ['solvent', 0.3e-6, 0.3, 'mL'],
    ['paste', 12e-6, 0.012, 'g'],
    ['low-melt', 0.25e-3, 0.25, 'g'],
    ['foil', 40e-4, 40, 'cm²'],
    ['tape', 10e-4, 10, 'cm²'],
  ])('of %s: %d in SI is %d %s', (kind, amount, told, unit) => {
    const answer = stockLineAnswerOf(line(kind, amount, 2 * amount));
    expect(answer.amount).toBeCloseTo(told, 9);
    expect(answer.left).toBeCloseTo(2 * told, 9);
    expect(answer.unit).toBe(unit);
    expect(answer.short).toBe(false);
  });

  it('keeps that it is not counted, and that it is short', () => {
    expect(stockLineAnswerOf(line('flux', 1e-9, null)).left).toBeNull();
    expect(stockLineAnswerOf(line('wire', 0.2, 0.1)).short).toBe(true);
  });
});
