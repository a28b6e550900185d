import { describe, expect, it } from 'vitest';
import { zipSync, strToU8, unzipSync } from 'fflate';
import { readGerber } from '~/formats/gerber/read';
import { edgeIn, extentOf } from '~/formats/import/importProfile';
import { layersOf } from '~/formats/import/layerNames';
import { opened } from '~/formats/import/opened';
import { unzipped } from '~/formats/archive/unzip';

const EMPTY = readGerber('%FSLAX24Y24*%%MOIN*%M02*');
const guess = (names: readonly string[], count = 4) =>
  layersOf(
    names.map((name) => ({ name, artwork: EMPTY })),
    count,
  ).map(({ shows, layer }) => `${shows} ${layer}`);

/** Names that drawing programs and people give to copper and edges (common practice), with the layer of a board of four. */
const NAMES: readonly (readonly [string, string])[] = [
  ['top_copper.gbr', 'copper 1'], ['copper_top.gbr', 'copper 1'], ['Top.gbr', 'copper 1'], ['board.top', 'copper 1'],
  ['toplayer.gbr', 'copper 1'], ['board.cmp', 'copper 1'], ['board.gtl', 'copper 1'], ['TOP.art', 'copper 1'],
  ['component-side.gbr', 'copper 1'], ['board-F_Cu.gbr', 'copper 1'], ['layer1.gbr', 'copper 1'], ['L1_TOP.gbr', 'copper 1'],
  ['bottom_copper.gbr', 'copper 4'], ['copper_bottom.gbr', 'copper 4'], ['Bottom.gbr', 'copper 4'], ['board.bot', 'copper 4'],
  ['bottomlayer.gbr', 'copper 4'], ['board.sol', 'copper 4'], ['board.gbl', 'copper 4'], ['BOTTOM.art', 'copper 4'],
  ['solder-side.gbr', 'copper 4'], ['board-B_Cu.gbr', 'copper 4'], ['layer4.gbr', 'copper 4'],
  ['board.g1', 'copper 2'], ['board.gp1', 'copper 2'], ['board.g2l', 'copper 2'], ['board-In1_Cu.gbr', 'copper 2'],
  ['inner1.gbr', 'copper 2'], ['MidLayer1.gbr', 'copper 2'], ['L2_GND.gbr', 'copper 2'], ['board.ly2', 'copper 2'],
  ['board.g2', 'copper 3'], ['board.gp2', 'copper 3'], ['board-In2_Cu.gbr', 'copper 3'], ['Copper_Inner_2.gbr', 'copper 3'],
  ['board.gko', 'edge -1'], ['board.gm1', 'edge -1'], ['board.gm3', 'edge -1'], ['board.gm13', 'edge -1'],
  ['board.gml', 'edge -1'], ['board.mil', 'edge -1'], ['board.dim', 'edge -1'], ['board.oln', 'edge -1'],
  ['board_outline.gbr', 'edge -1'], ['profile.gbr', 'edge -1'], ['board-Edge_Cuts.gbr', 'edge -1'], ['Dimension.gbr', 'edge -1'],
  ['board.gts', 'other 0'], ['top_mask.gbr', 'other 0'], ['board-F_Paste.gbr', 'other 0'], ['silk_top.gbr', 'other 0'],
  ['board.plc', 'other 0'], ['board.gbo', 'other 0'], ['assembly_bottom.gbr', 'other 0'],
]; // prettier-ignore

describe('layers by their names', () => {
  it.each(NAMES)('%s is %s', (name, wanted) => expect(guess([name])).toEqual([wanted]));

  it('a layer that this board has not is copper and stays unused', () => {
    expect(guess(['inner5.gbr', 'board.g4'])).toEqual(['copper 0', 'copper 0']);
  });

  it('what a file says of itself goes before its name', () => {
    const artwork = readGerber('%TF.FileFunction,Copper,L2,Inr*%%FSLAX24Y24*%%MOIN*%M02*');
    expect(layersOf([{ name: 'top.gbr', artwork }], 4)).toEqual([{ shows: 'copper', layer: 2 }]);
  });
});

describe('the edge', () => {
  const drawn = (...lines: string[]) =>
    edgeIn({
      artworks: [
        {
          name: 'e',
          shows: 'edge',
          layer: -1,
          artwork: readGerber(`%FSLAX33Y33*%%MOMM*%%ADD10C,0.1*%D10*${lines.join('')}M02*`),
        },
      ],
    });
  const hole = 'X5000Y5000D02*X8200Y5000D01*X8200Y8200D01*X5000Y8200D01*X5000Y5000D01*';

  it('that does not quite close does not lose to a mounting hole (60 × 37 mm became 3.2 × 3.2)', () => {
    const gap = 'X0Y0D02*X60000Y0D01*X60000Y37000D01*X0Y37000D01*X0Y300D01*';
    const { length_m, width_m } = extentOf(drawn(gap, hole)!);
    expect([length_m, width_m].map((v) => Math.round(1e4 * v) / 10)).toEqual([60, 37]);
  });

  it('of corner marks alone is what they span', () => {
    const marks = [
      [0, 0],
      [60_000, 0],
      [60_000, 37_000],
      [0, 37_000],
    ]
      .map(([x, y]) => `X${x}Y${y}D02*X${x! + (x ? -3000 : 3000)}Y${y}D01*`)
      .join('');
    const { length_m, width_m } = extentOf(drawn(marks, hole)!);
    expect([length_m, width_m].map((v) => Math.round(1e4 * v) / 10)).toEqual([60, 37]);
  });

  it('strokes from one point are chained in a time that grows with them, not with their square', () => {
    const star = Array.from(
      { length: 20_000 },
      (_, i) => `X0Y0D02*X${(i * 37) % 60_000}Y${(i * 91) % 37_000}D01*`,
    );
    const work_ms = (count: number): number => {
      const before = process.cpuUsage();
      drawn(...star.slice(0, count));
      return process.cpuUsage(before).user / 1000;
    };
    work_ms(2000);
    // Four times as many: four times the work and some for their sorting; squared it would be sixteen.
    const few_ms = Math.max(work_ms(5000), work_ms(5000));
    expect(work_ms(20_000) / few_ms).toBeLessThan(10);
  });
});

describe('archives', () => {
  const zip = (files: Readonly<Record<string, string | Uint8Array>>): Uint8Array =>
    zipSync(
      Object.fromEntries(
        Object.entries(files).map(([name, content]) => [
          name,
          typeof content === 'string' ? strToU8(content) : content,
        ]),
      ),
    );
  const LIMITS = { most_files: 10, most_bytes: 1_000_000 };

  it('a dropped archive is its files, without folders and what systems leave behind', () => {
    const bytes = zip({ 'fab/b.gtl': '%FSLAX24Y24*%M02*', 'fab/.DS_Store': 'x', '__MACOSX/b': 'x' });
    const { files, archives } = opened([{ name: 'b.zip', bytes }]);
    expect(files.map(({ name }) => name)).toEqual(['fab/b.gtl']);
    expect(archives).toMatchObject([{ name: 'b.zip', kind: 'archive', count: 1 }]);
  });

  it('names that two archives share are told apart', () => {
    const { files } = opened([
      { name: 'a.zip', bytes: zip({ 'x.gbr': '1' }) },
      { name: 'b.zip', bytes: zip({ 'x.gbr': '2' }) },
    ]);
    expect(files.map(({ name }) => name)).toEqual(['x.gbr', 'b.zip/x.gbr']);
  });

  it('too many, too large, packed too tightly and archives within are left with their reason', () => {
    const many = zip(Object.fromEntries(Array.from({ length: 12 }, (_, i) => [`f${i}`, String(i)])));
    expect(unzipped(many, LIMITS)).toMatchObject({
      files: { length: 10 },
      left: [{ name: 'f10' }, { name: 'f11' }],
    });
    const bomb = zip({
      'zeros.gbr': new Uint8Array(900_000),
      'inner.zip': zip({ a: 'b' }),
      'large.gbr': new Uint8Array(2_000_000),
    });
    const { files, left } = unzipped(bomb, LIMITS);
    expect(files).toEqual([]);
    expect(left.map(({ why }) => why).join('; ')).toMatch(/tightly.*archive within.*1 MB/s);
  });

  it('a size that lies is no way past the limit', () => {
    const bytes = zip({ 'a.gbr': 'x'.repeat(200_000) });
    // The uncompressed size in the central directory, made small.
    const view = new DataView(bytes.buffer, bytes.byteOffset);
    const at = bytes.length - 22 - (46 + 'a.gbr'.length);
    expect(view.getUint32(at, true)).toBe(0x02014b50);
    view.setUint32(at + 24, 10, true);
    const { files } = unzipped(bytes, LIMITS);
    expect(files.every((file) => file.bytes.length <= 10)).toBe(true);
    expect(Object.keys(unzipSync(zip({ a: 'b' })))).toEqual(['a']);
  });

  it('a damaged archive is said to be one', () => {
    const { archives } = opened([{ name: 'cut.zip', bytes: zip({ a: 'b'.repeat(5000) }).slice(0, 60) }]);
    expect(archives[0]!.faults[0]!.why).toContain('damaged or cut short');
  });
});
