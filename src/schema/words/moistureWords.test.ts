import { describe, expect, it } from 'vitest';
import { surfacePackage } from '~/core/packages/outlines';
import { kelvin } from '~/core/quantity/convert';
import { changed, HOT_AIR_EXAMPLE } from '../../../tests/support/requests';
import { parseInput } from '~/schema/values/faults';
import { moistureAnswer, takesMoisture } from '~/schema/exchange/si/moisture';
import type { MoistureInput } from '~/schema/values/moisture';
import { moistureInWords } from './moistureWords';
import { simulate } from '~/schema/exchange/simulate/simulate';
import { simulateInput } from '~/schema/exchange/simulate/simulateRequest';

/** J-STD-033 as tests/reference/j-std.test.ts has it row by row; here, what a person is told. */

const QFP = surfacePackage({ family: 'qfp', pins: 44 });
const HOT_K = kelvin(230);
const label = (level: MoistureInput['level'], outOfBag_h: number): MoistureInput => ({
  level,
  outOfBag_h,
  bake_C: 125,
});
const told = (given: MoistureInput | undefined, peak_K = HOT_K): string =>
  moistureInWords(moistureAnswer(given, QFP, peak_K)!, given);

describe('moisture of a moulded part', () => {
  it('says how long to bake once the floor life is over', () => {
    expect(told(label('3', 400))).toMatch(/^bake \d+ h at 125 °C first/);
  });

  it('says what is left of the floor life', () => {
    expect(told(label('3', 100))).toBe('no bake: 68 h of floor life left');
    expect(told(label('1', 9999))).toBe('no bake: level 1');
  });

  it('asks for the level only where the body passes 200 °C', () => {
    expect(told(undefined)).toMatch(/passes 200 °C/);
    expect(told(undefined, kelvin(190))).toMatch(/stays below 200 °C/);
  });

  it('sends level 6 to its label', () => {
    expect(told(label('6', 0))).toMatch(/label says/);
  });

  it('does not arise for chips and cans', () => {
    expect(takesMoisture(QFP)).toBe(true);
    for (const family of ['chip', 'canElectrolytic'] as const) {
      const part = surfacePackage({ family });
      expect(takesMoisture(part)).toBe(false);
      expect(moistureAnswer(undefined, part, HOT_K)).toBeNull();
    }
  });
});

describe('moisture in an answer', () => {
  it('comes with the part’s peak', () => {
    const wet = changed({ ...HOT_AIR_EXAMPLE, grid_mm: 5 }, 'site.moisture', {
      level: '5a',
      outOfBag_h: 200,
    });
    expect(simulate(parseInput(simulateInput, wet)).part.moisture).toMatchObject({ kind: 'bake', at_C: 125 });
    const unknown = simulate(parseInput(simulateInput, { ...HOT_AIR_EXAMPLE, grid_mm: 5 }));
    expect(unknown.part.moisture).toEqual({ kind: 'level not known' });
  });

  it('refuses a level that is none, naming the ones there are', () => {
    const wrong = changed(HOT_AIR_EXAMPLE, 'site.moisture', { level: '7', outOfBag_h: 1 });
    expect(() => parseInput(simulateInput, wrong)).toThrow(/2a/);
  });
});
