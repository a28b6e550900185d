import { describe, expect, it } from 'vitest';
import { frameFor, paint } from '~/core/artwork/paint';
import type { Artwork } from '~/formats/gerber/artwork';
import { readGerber } from '~/formats/gerber/read';

/** Artwork as programs old and new write it; each case is named after what it shows. Gerber format specification, from memory. */

const FRAME = frameFor(0, 0, 30e-3, 30e-3);
const area_mm2 = ({ objects }: Artwork): number =>
  paint(objects, FRAME).reduce((sum, bit) => sum + bit, 0) * (1e3 * FRAME.pixel_m) ** 2;
const METRIC = '%FSLAX33Y33*%%MOMM*%';
const bounds = ({ objects }: Artwork): number[] => {
  const xs = objects.flatMap(({ shapes }) =>
    shapes.flatMap(({ contour }) => contour.filter((_, i) => i % 2 === 0)),
  );
  return [Math.min(...xs), Math.max(...xs)].map((x) => Math.round(1e6 * x) / 1e3);
};

describe('what a file does not say', () => {
  it('no unit is inches, as of old, and it is said (it was taken for millimetres, 25.4 times too small)', () => {
    const read = readGerber('%FSLAX24Y24*%%ADD10C,0.1*%D10*X10000Y10000D03*M02*');
    expect(bounds(read)[1]).toBeCloseTo(25.4 + 1.27, 1);
    expect(read.spelt).toMatchObject({ unit: 'in', unitSaid: false });
    expect(read.faults[0]!.why).toContain('inches are assumed');
  });

  it('apertures that stand before the unit are in it', () => {
    const read = readGerber('%FSLAX33Y33*%%ADD10C,2*%G71*D10*X10000Y10000D03*M02*');
    expect(area_mm2(read)).toBeCloseTo(Math.PI, 1);
  });

  it('arcs without G74 or G75 go by which centre fits both ends', () => {
    const quarter = (arc: string): string =>
      `${METRIC}%ADD10C,0.1*%G36*X20000Y10000D02*G03*${arc}D01*G01*X10000Y10000D01*X20000Y10000D01*G37*M02*`;
    // A quarter of a disc of 10 mm about (10, 10), its centre told with a sign and without one.
    expect(area_mm2(readGerber(quarter('X10000Y20000I-10000J0')))).toBeCloseTo((Math.PI * 100) / 4, 0);
    expect(area_mm2(readGerber(quarter('X10000Y20000I10000J0')))).toBeCloseTo((Math.PI * 100) / 4, 0);
  });

  it('letters between format figures, coordinates with I and J first, and points in numbers are read', () => {
    const read = readGerber('%FSLAN2X33Y33*%%MOMM*%%ADD10C,1*%D10*I0J0X5.5Y5D03*M02*');
    expect(read.faults).toEqual([]);
    expect(bounds(read)[0]).toBeCloseTo(5, 1);
  });
});

describe('repeats', () => {
  const flash = '%ADD10R,1X1*%D10*';

  it('the next repeat ends the one before; they do not nest (12 objects were made of 7)', () => {
    const read = readGerber(
      `${METRIC}${flash}%SRX3Y1I5J0*%X1000Y1000D03*%SRX2Y2I5J5*%X1000Y9000D03*%SRX1Y1I0J0*%X1000Y25000D03*M02*`,
    );
    expect(read.objects).toHaveLength(3 + 4 + 1);
  });

  it('a repeat of one step ends the one before it', () => {
    const read = readGerber(
      `${METRIC}${flash}%SRX3Y1I5J0*%X1000Y1000D03*%SRX1Y1I0J0*%X1000Y25000D03*X9000Y25000D03*M02*`,
    );
    expect(read.objects).toHaveLength(3 + 2);
  });
});

describe('old words', () => {
  it('macro primitives 2 and 22 are bars and rectangles by their corner', () => {
    const bar = readGerber(`${METRIC}%AMB*2,1,2,-3,0,3,0,0*%%ADD10B*%D10*X10000Y10000D03*M02*`);
    expect(area_mm2(bar)).toBeCloseTo(12, 0);
    const corner = readGerber(`${METRIC}%AMC*22,1,4,3,1,1,0*%%ADD10C*%D10*X10000Y10000D03*M02*`);
    expect(corner.faults.filter(({ why }) => !why.includes('inch'))).toEqual([]);
    expect(
      bounds(readGerber(`${METRIC}%AMCORNER*22,1,4,3,1,1,0*%%ADD10CORNER*%D10*X10000Y10000D03*M02*`)),
    ).toEqual([11, 15]);
  });

  it('a moiré is its rings and its cross', () => {
    const read = readGerber(`${METRIC}%AMM6*6,0,0,10,1,1,2,0.2,12,0*%%ADD10M6*%D10*X15000Y15000D03*M02*`);
    // Rings 10 to 8 and 6 to 4 across, and a cross beyond them: π/4 (36 + 20) and the cross between them.
    const rings = (Math.PI / 4) * (100 - 64 + 36 - 16);
    expect(area_mm2(read)).toBeGreaterThan(rings);
    expect(area_mm2(read)).toBeLessThan(rings + 2 * 12 * 0.2);
  });

  it('arithmetic of macros may hold blanks', () => {
    const read = readGerber(
      `${METRIC}%AMK*$4 = $1 X 2*21,1,$4,$1,0,0,0*%%ADD10K,2*%D10*X10000Y10000D03*M02*`,
    );
    expect(area_mm2(read)).toBeCloseTo(8, 0);
  });

  it('a rectangular hole is cut out of an aperture', () => {
    const read = readGerber(`${METRIC}%ADD10C,6X2X3*%D10*X10000Y10000D03*M02*`);
    expect(area_mm2(read)).toBeCloseTo(9 * Math.PI - 6, 0);
  });

  it('a negative image is copper but where it draws', () => {
    const read = readGerber(`${METRIC}%IPNEG*%%ADD10R,2X2*%D10*X1000Y1000D03*X19000Y19000D03*M02*`);
    expect(area_mm2(read)).toBeCloseTo(400 - 8, 0);
  });

  it('lines that end with a return alone are counted', () => {
    expect(readGerber('%FSLAX33Y33*%\r%MOMM*%\rG99*\rM02*').faults[0]!.line).toBe(3);
  });
});

describe('what would never end', () => {
  const timed = (text: string): { read: Artwork; took_ms: number } => {
    const began = performance.now();
    const read = readGerber(text);
    return { read, took_ms: performance.now() - began };
  };

  it.each([
    [
      'a polygon aperture of a thousand million corners',
      `${METRIC}%ADD10P,1X1000000000*%D10*X1Y1D03*M02*`,
      /corners/,
    ],
    [
      'a macro polygon of a hundred million',
      `${METRIC}%AMP*5,1,100000000,0,0,1,0*%%ADD10P*%D10*X1Y1D03*M02*`,
      /corners/,
    ],
    [
      'a repeat of a million by a million',
      `${METRIC}%ADD10C,1*%D10*%SRX1000000Y1000000I1J1*%X1Y1D03*M02*`,
      /more than is read/,
    ],
    [
      'blocks that double',
      `${METRIC}%ADD10C,1*%${Array.from({ length: 30 }, (_, i) => `%ABD${20 + i}*%D${i === 0 ? 10 : 19 + i}*X1Y1D03*X2Y2D03*%AB*%`).join('')}D49*X1Y1D03*M02*`,
      /million corners/,
    ],
    [
      'brackets within brackets',
      `${METRIC}%AMQ*1,1,${'('.repeat(50_000)}1*%%ADD10Q*%D10*X1Y1D03*M02*`,
      /nested|too long/,
    ],
  ])('%s is refused in words, in a second or two', (_, text, why) => {
    const { read, took_ms } = timed(text);
    expect(read.faults.map((fault) => fault.why).join('; ')).toMatch(why);
    expect(took_ms).toBeLessThan(5000);
  });
});
