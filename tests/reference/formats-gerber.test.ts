import { describe, expect, it } from 'vitest';
import { evaluate, macroShapes } from '~/formats/gerber/macro';
import type { Artwork } from '~/formats/gerber/artwork';
import { readGerber } from '~/formats/gerber/read';
import { copperAt, frameFor, paint, shares } from '~/core/artwork/paint';

/**
 * Gerber Layer Format Specification (RS-274X and X2), from memory; areas by plane geometry. Everything
 * is painted on a 20 × 20 mm frame of 0.05 mm pixels, so areas are good to some tenths of a per cent.
 */

const HEAD = '%FSLAX46Y46*%\n%MOMM*%\n';
const FRAME = frameFor(0, 0, 20e-3, 20e-3);

const file = (body: string): string => `${HEAD}${body}\nM02*\n`;

function area_mm2(artwork: Artwork): number {
  const pixel_mm2 = (FRAME.pixel_m * 1e3) ** 2;
  return paint(artwork.objects, FRAME).reduce((sum, bit) => sum + bit, 0) * pixel_mm2;
}

const areaOf = (body: string): number => {
  const artwork = readGerber(file(body));
  expect(artwork.faults).toEqual([]);
  return area_mm2(artwork);
};

describe('apertures', () => {
  const flash = (aperture: string): number => areaOf(`%ADD10${aperture}*%\nD10*\nX10000000Y10000000D03*`);

  it('circle, rectangle, obround and polygon have their areas', () => {
    expect(flash('C,6')).toBeCloseTo(Math.PI * 9, 0);
    expect(flash('R,6X4')).toBeCloseTo(24, 1);
    expect(flash('O,8X4')).toBeCloseTo(4 * 4 + Math.PI * 4, 0);
    // A hexagon by the diameter of its corners.
    expect(Math.abs(flash('P,8X6') - 1.5 * Math.sqrt(3) * 16)).toBeLessThan(0.4);
  });

  it('a hole in an aperture cuts the aperture and nothing beneath it', () => {
    expect(flash('C,6X2')).toBeCloseTo(Math.PI * (9 - 1), 0);
    const over = areaOf(
      '%ADD10R,10X10*%\n%ADD11C,6X2*%\nD10*\nX10000000Y10000000D03*\nD11*\nX10000000Y10000000D03*',
    );
    expect(over).toBeCloseTo(100, 1);
  });
});

describe('draws, arcs and regions', () => {
  it('a round stroke is a capsule, a rectangular one a hull', () => {
    expect(areaOf('%ADD10C,1*%\nD10*\nX5000000Y5000000D02*\nX15000000D01*')).toBeCloseTo(10 + Math.PI / 4, 0);
    // A 1 mm square drawn along a diagonal of 5 × 5 mm covers 1 + (1 + 1) · 5.
    expect(
      Math.abs(areaOf('%ADD10R,1X1*%\nD10*\nX5000000Y5000000D02*\nX10000000Y10000000D01*') - 11),
    ).toBeLessThan(0.2);
  });

  it('a full circle by arcs is a ring; single-quadrant arcs come to the same', () => {
    const ring = 2 * Math.PI * 5 * 0.5;
    const many = areaOf(
      'G75*\n%ADD10C,0.5*%\nD10*\nX15000000Y10000000D02*\nG03*\nX15000000Y10000000I-5000000J0D01*',
    );
    expect(Math.abs(many - ring)).toBeLessThan(0.2);
    const quarters = areaOf(
      'G74*\n%ADD10C,0.5*%\nD10*\nX15000000Y10000000D02*\nG03*\nX10000000Y15000000I5000000J0D01*\nX5000000Y10000000I0J5000000D01*\nX10000000Y5000000I5000000J0D01*\nX15000000Y10000000I0J5000000D01*',
    );
    expect(Math.abs(quarters - ring)).toBeLessThan(0.3);
  });

  it('a region is its contour, whichever way round', () => {
    const square = 'X5000000Y5000000D02*\nG01*\nX15000000D01*\nY15000000D01*\nX5000000D01*\nY5000000D01*';
    expect(areaOf(`G36*\n${square}\nG37*`)).toBeCloseTo(100, 1);
    const back = 'X5000000Y5000000D02*\nG01*\nY15000000D01*\nX15000000D01*\nY5000000D01*\nX5000000D01*';
    expect(areaOf(`G36*\n${back}\nG37*`)).toBeCloseTo(100, 1);
  });

  it('a region with an arc: half a disc', () => {
    const half = areaOf(
      'G75*\nG36*\nX15000000Y10000000D02*\nG03*\nX5000000Y10000000I-5000000J0D01*\nG01*\nX15000000D01*\nG37*',
    );
    expect(Math.abs(half - (Math.PI * 25) / 2)).toBeLessThan(0.4);
  });
});

describe('polarity, repeats, blocks and turns', () => {
  const plane = '%ADD10R,16X16*%\n%ADD11C,4*%\nD10*\nX10000000Y10000000D03*\n';

  it('clear takes copper away and later dark puts it back', () => {
    expect(areaOf(`${plane}%LPC*%\nD11*\nX10000000Y10000000D03*`)).toBeCloseTo(256 - Math.PI * 4, 0);
    const island = `${plane}%LPC*%\nD11*\nX10000000Y10000000D03*\n%LPD*%\n%ADD12C,2*%\nD12*\nX10000000Y10000000D03*`;
    expect(areaOf(island)).toBeCloseTo(256 - Math.PI * 3, 0);
  });

  it('step and repeat lays copies side by side', () => {
    expect(areaOf('%ADD10R,1X1*%\nD10*\n%SRX3Y2I4J5*%\nX3000000Y3000000D03*\n%SR*%')).toBeCloseTo(6, 1);
  });

  it('a block aperture is flashed whole, and cleared where the flash is clear', () => {
    const block = '%ADD10R,2X2*%\n%ABD20*%\nD10*\nX-2000000Y0D03*\nX2000000Y0D03*\n%AB*%\nD20*\n';
    expect(areaOf(`${block}X10000000Y5000000D03*\nX10000000Y15000000D03*`)).toBeCloseTo(16, 1);
    expect(
      areaOf(
        `${plane}${block.replace('%ADD10R,2X2*%\n', '%ADD12R,2X2*%\n').replaceAll('D10*', 'D12*')}%LPC*%\nX10000000Y10000000D03*`,
      ),
    ).toBeCloseTo(256 - 8, 1);
  });

  it('turns, mirrors and scales what it flashes', () => {
    const l = '%AMELL*4,1,6,0,0,4,0,4,1,1,1,1,4,0,4,0*%\n';
    const shape = `${l}%ADD10ELL*%\nD10*\n`;
    const place = 'X10000000Y10000000D03*';
    const full = areaOf(shape + place);
    expect(Math.abs(full - 7)).toBeLessThan(0.2);
    expect(Math.abs(areaOf(`${shape}%LS2*%\n${place}`) - 28)).toBeLessThan(0.4);
    const at = (extra: string) => {
      const image = paint(readGerber(file(shape + extra + place)).objects, FRAME);
      return (x_mm: number, y_mm: number): number => copperAt(image, FRAME, x_mm * 1e-3, y_mm * 1e-3);
    };
    expect(at('')(13.5, 10.5)).toBe(1);
    expect(at('%LMX*%\n')(6.5, 10.5)).toBe(1);
    expect(at('%LMX*%\n')(13.5, 10.5)).toBe(0);
    expect(at('%LR180*%\n')(6.5, 9.5)).toBe(1);
  });
});

describe('macros', () => {
  it('evaluate their arithmetic in the usual order', () => {
    const values = new Map([[1, 3]]);
    expect(evaluate('1+2x$1', values)).toBe(7);
    expect(evaluate('(1+2)x$1/2', values)).toBe(4.5);
    expect(evaluate('-$1-1', values)).toBe(-4);
    expect(() => evaluate('1+', values)).toThrow(/too early/);
    expect(() => evaluate('1&2', values)).toThrow(/no expression/);
  });

  it('a thermal is a ring with four gaps', () => {
    const area = areaOf('%AMTHERM*7,0,0,$1,$2,$3,0*%\n%ADD10THERM,8X4X1*%\nD10*\nX10000000Y10000000D03*');
    // Ring of 8 over 4 mm less four gaps 1 mm wide and 2 mm long, up to the bulge of the circles.
    expect(Math.abs(area - (Math.PI * 12 - 8))).toBeLessThan(0.4);
  });

  it('variables may be set on the way', () => {
    const shapes = macroShapes(['$2=$1x2', '1,1,$2,0,0'], [3]);
    const reach = Math.max(...shapes[0]!.contour);
    expect(reach).toBeGreaterThan(2.95);
    expect(reach).toBeLessThan(3.05);
  });
});

describe('attributes and formats', () => {
  it('reads what a file and its pads are for, written out or in comments', () => {
    const text = `%TF.FileFunction,Copper,L1,Top*%\n${HEAD}%ADD10R,1X2*%\n%TO.P,U7,3*%\n%TO.N,SDA\\u0041*%\nD10*\nX5000000Y6000000D03*\n%TD*%\nX8000000D03*\nG04 #@! TO.P,C4,2*\nX11000000D03*\nM02*\n`;
    const artwork = readGerber(text);
    expect(artwork.function).toEqual(['Copper', 'L1', 'Top']);
    expect(artwork.pads).toHaveLength(2);
    expect(artwork.pads[0]).toMatchObject({ ref: 'U7', pin: '3', net: 'SDAA' });
    expect(artwork.pads[0]!.x_m).toBeCloseTo(5e-3, 9);
    expect(artwork.pads[0]!.height_m).toBeCloseTo(2e-3, 9);
    expect(artwork.pads[1]).toMatchObject({ ref: 'C4', pin: '2', net: '' });
  });

  it('inches and other digit counts come to the same place', () => {
    const inch = readGerber(
      '%FSLAX24Y24*%\n%MOIN*%\n%ADD10C,0.1*%\nD10*\n%TO.P,R1,1*%\nX5000Y10000D03*\nM02*',
    );
    expect(inch.pads[0]!.x_m).toBeCloseTo(12.7e-3, 9);
    expect(inch.pads[0]!.y_m).toBeCloseTo(25.4e-3, 9);
  });

  it('names what it does not understand by line, and goes on', () => {
    const artwork = readGerber(file('%ADD10C,1*%\nD10*\nX5000000Y5000000D03*\nhello*\nD99*\nX9000000D03*'));
    expect(artwork.faults.map((f) => f.line)).toEqual([6, 7]);
    expect(artwork.faults[1]!.why).toMatch(/D99/);
    expect(artwork.operations).toBe(2);
    expect(readGerber(`${HEAD}%ADD10C,1*%\nD10*\nX1Y1D03*\n`).faults[0]!.why).toMatch(/M02/);
    expect(readGerber('\u0000\u0001 no gerber at all').objects).toEqual([]);
  });

  it('shares of coarse cells add up to the painted area', () => {
    const { objects } = readGerber(file('%ADD10R,10X10*%\nD10*\nX10000000Y10000000D03*'));
    const coarse = shares(paint(objects, FRAME), FRAME, 4, 4);
    expect(coarse.reduce((sum, share) => sum + share, 0) / 16).toBeCloseTo(0.25, 2);
    expect(coarse[0]).toBeCloseTo(0, 6);
    expect(coarse[5]).toBeCloseTo(1, 6);
  });
});
