import { describe, expect, it } from 'vitest';
import { decoded } from '~/formats/text';
import { readPlacement } from '~/formats/placement/centroid';
import { joined } from '~/formats/placement/join';

/** Placement and parts lists in the dialects that drawing programs and people write (common practice). */

const rows = (text: string) =>
  readPlacement(text).rows.map(({ ref, x_m, y_m, rotation_deg, side, value, footprint }) => ({
    ref,
    x: x_m === null ? null : Math.round(x_m * 1e6) / 1e3,
    y: y_m === null ? null : Math.round(y_m * 1e6) / 1e3,
    turn: rotation_deg,
    side,
    value,
    footprint,
  }));

describe('however a list parts its cells', () => {
  it('by blanks, its heading behind a mark', () => {
    const text = [
      '### Positions',
      '## Unit = mm',
      '# Ref     Val      Package   PosX    PosY   Rot  Side',
      'C1        100n     C_0603    10.16   20.32  90.0  top',
      'R12       4k7      R_0805    5.0     6.0    0.0   bottom',
      '## End',
      '',
    ].join('\n');
    expect(rows(text)).toEqual([
      { ref: 'C1', x: 10.16, y: 20.32, turn: 90, side: 'top', value: '100n', footprint: 'C_0603' },
      { ref: 'R12', x: 5, y: 6, turn: 0, side: 'bottom', value: '4k7', footprint: 'R_0805' },
    ]);
  });

  it('in fixed columns with blanks within a cell', () => {
    const text = [
      'Designator  Comment          Footprint   Mid X     Mid Y     Rotation  Layer',
      'C1          100 nF 50 V      0603        10.0      20.0      90        T',
      'U3          Dual op amp      SOIC-8      12.5      20.0      0         B',
    ].join('\n');
    expect(rows(text)).toEqual([
      { ref: 'C1', x: 10, y: 20, turn: 90, side: 'top', value: '100 nF 50 V', footprint: '0603' },
      { ref: 'U3', x: 12.5, y: 20, turn: 0, side: 'bottom', value: 'Dual op amp', footprint: 'SOIC-8' },
    ]);
  });

  it('without a heading, by what its cells look like', () => {
    expect(rows('C1 10.16 20.32 90 100n C0603\nR2 5 6 180 4k7 R0805\nU1 30 20 0 driver SO-8\n')).toEqual([
      { ref: 'C1', x: 10.16, y: 20.32, turn: 90, side: null, value: '100n', footprint: 'C0603' },
      { ref: 'R2', x: 5, y: 6, turn: 180, side: null, value: '4k7', footprint: 'R0805' },
      { ref: 'U1', x: 30, y: 20, turn: 0, side: null, value: 'driver', footprint: 'SO-8' },
    ]);
  });

  it.each([
    ['comma', ','],
    ['semicolon', ';'],
    ['tab', '\t'],
    ['bar', '|'],
  ])('by %s, below a preamble', (_, mark) => {
    const text = [
      `Project${mark}demo`,
      `Units used: mil`,
      '',
      ['Ref', 'X', 'Y'].join(mark),
      ['R1', '100', '200'].join(mark),
    ].join('\n');
    expect(rows(text)[0]).toMatchObject({ ref: 'R1', x: 2.54, y: 5.08 });
  });

  it.each([
    'Reference(s)',
    'Reference Designator',
    'RefDes',
    'REF_DES',
    'Parts',
    'Designator',
    'References',
    'Reference',
  ])('references are found below %s', (heading) =>
    expect(rows(`${heading},Value\nR1,10k\n`)[0]).toMatchObject({ ref: 'R1', value: '10k' }),
  );

  it('PosX and Mid X (mil) and Center-X(mm) are places', () => {
    expect(rows('Ref,PosX,PosY\nR1,1,2\n')[0]).toMatchObject({ x: 1, y: 2 });
    expect(rows('Ref,Mid X (mil),Mid Y (mil)\nR1,1000,2000\n')[0]).toMatchObject({ x: 25.4, y: 50.8 });
    expect(rows('Ref,Center-X(mm),Center-Y(mm)\nR1,3,4\n')[0]).toMatchObject({ x: 3, y: 4 });
  });
});

describe('numbers as people write them', () => {
  it('"1,234.5" mil is 31.36 mm (it was read as 0.031)', () => {
    expect(rows('Ref,X (mil),Y (mil)\nR1,"1,234.5","2,000"\n')[0]).toMatchObject({ x: 31.356, y: 50.8 });
  });

  it('decimal commas, and thousands by point or blank', () => {
    expect(rows('Ref;X;Y\nR1;12,5;8\nR2;7,25;9\n').map(({ x }) => x)).toEqual([12.5, 7.25]);
    expect(rows('Ref;X;Y\nR1;1.234,5;8\n')[0]!.x).toBe(1234.5);
    expect(rows('Ref;X;Y\nR1;1 234,5;8\n')[0]!.x).toBe(1234.5);
  });

  it('a unit behind the number counts for it', () => {
    expect(rows('Ref,X,Y\nR1,1000mil,2.54mm\n')[0]).toMatchObject({ x: 25.4, y: 2.54 });
  });
});

describe('references', () => {
  it('ranges and rows of several', () => {
    expect(rows('Ref,Value\n"R1-R3, R7",10k\n"C1,C2",1u\nD4…D6,x\n').map(({ ref }) => ref)).toEqual([
      'R1',
      'R2',
      'R3',
      'R7',
      'C1',
      'C2',
      'D4',
      'D5',
      'D6',
    ]);
  });

  it('a range of a million is no range', () => {
    expect(rows('Ref,Value\nR1-R1000000,10k\n').length).toBeLessThan(3);
  });
});

describe('what a list lacks', () => {
  it('a quotation mark that is never closed is named by its line', () => {
    const { faults } = readPlacement('Ref,Value,X,Y\nR1,10k,1,2\nR2,"1/4 W,3,4\nR3,1k,5,6\n');
    expect(faults.map(({ line }) => line)).toContain(3);
    expect(faults[0]!.why).toContain('never closed');
  });

  it('places of one list and values of another are one row, whichever comes first', () => {
    const positions = readPlacement('Ref,X,Y,Rot,Side\nR1,1,2,90,top\n').rows;
    const parts = readPlacement('Designator,Value,Package\n"R1,R2",10k,0603\n').rows;
    for (const all of [
      [...positions, ...parts],
      [...parts, ...positions],
    ]) {
      expect(joined(all).get('R1')).toMatchObject({
        value: '10k',
        footprint: '0603',
        rotation_deg: 90,
        side: 'top',
      });
      expect(joined(all).get('R1')!.x_m).toBeCloseTo(1e-3, 9);
      expect(joined(all).get('R2')!.x_m).toBeNull();
    }
  });
});

describe('letters', () => {
  const LIST = 'Ref,Value\nR1,4,7 µF Größe\n';

  it('UTF-8 with a mark, UTF-16 of both orders with and without one, and Latin-1 come to the same', () => {
    const utf8 = new TextEncoder().encode(`\ufeff${LIST}`);
    const wide = (mark: boolean, big: boolean): Uint8Array => {
      const text = (mark ? '\ufeff' : '') + LIST;
      const bytes = new Uint8Array(2 * text.length);
      const view = new DataView(bytes.buffer);
      for (let i = 0; i < text.length; i++) view.setUint16(2 * i, text.charCodeAt(i), !big);
      return bytes;
    };
    const latin = Uint8Array.from(LIST, (char) => char.charCodeAt(0));
    for (const bytes of [
      utf8,
      wide(true, false),
      wide(true, true),
      wide(false, false),
      wide(false, true),
      latin,
    ])
      expect(decoded(bytes).text.replace('\ufeff', '')).toBe(LIST);
  });

  it('a NUL is left out and said', () => {
    const { text, note } = decoded(new TextEncoder().encode('Ref,Va\0lue\nR1,1k\n'));
    expect(text).toBe('Ref,Value\nR1,1k\n');
    expect(note).toContain('NUL');
  });
});
