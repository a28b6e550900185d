import { describe, expect, it } from 'vitest';
import { originalOf } from './originalOf';

const RADIAL = { family: 'radial', pins: 2, pitch_mm: 5 } as never;
const CHIP = { family: 'chip', code: '0805' } as never;

describe('what stood on a site', () => {
  it('is told by its value and its reference', () => {
    expect(originalOf({ ref: 'C7', value: '150 µF 40 V', package: RADIAL })).toEqual({
      kind: 'capacitor',
      technology: 'aluminium',
      value: '150 µF 40 V',
      rating_V: 40,
      mounting: 'through-hole',
      case: { pitch_mm: 5 },
    });
    expect(originalOf({ ref: 'R3', value: '4k7', package: CHIP })).toMatchObject({
      kind: 'resistor',
      value: '4k7',
    });
    expect(originalOf({ ref: 'C1', value: '104', package: CHIP })).toMatchObject({ kind: 'capacitor' });
    expect(originalOf({ ref: 'C9', value: '0.33 µF 275 V X2', package: CHIP })).toEqual({
      kind: 'capacitor',
      technology: 'film',
      safetyClass: 'X2',
      value: '0.33 µF 275 V',
      rating_V: 275,
      mounting: 'surface',
    });
    expect(originalOf({ ref: 'D4', value: 'SB560', package: CHIP })).toEqual({
      kind: 'diode',
      marking: 'SB560',
      mounting: 'surface',
    });
    expect(originalOf({ ref: 'Q1', value: ' ', package: CHIP })).toBeNull();
    expect(originalOf({ ref: 'U2', value: 'codec', package: CHIP })).toBeNull();
  });
});
