import { describe, expect, it } from 'vitest';
import { inOneGo } from '~/core/stepwise';
import { UNSETTLED, type ImportChoices } from '~/formats/import/choices';
import { doubtsOf, type Doubt } from '~/formats/import/checks/doubts';
import { collect } from '~/formats/import/collect';
import type { ImportFile } from '~/formats/import/importFiles';
import { planImport, type ImportPreview } from '~/formats/import/importPlan';
import { DEMO_BOARDS } from '~/server/demo/boards';
import { centroidOf, copperOf, drillOf, netlistOf, profileOf } from '../support/openFiles';

/** One board's files as they should be, and then one of them written so that it is read wrongly. */
const { board, sites } = DEMO_BOARDS.find(({ id }) => id === 'demo-beacon-4')!;
const { construction } = board;

const RIGHT: Readonly<Record<string, string>> = {
  'b.ipc': netlistOf('Beacon', sites),
  'b-top.gbr': copperOf(construction, sites, 'top', false),
  'b-bottom.gbr': copperOf(construction, sites, 'bottom', true),
  'b.drl': drillOf(sites),
  'b-edge.gbr': profileOf(construction),
  'b.csv': centroidOf(sites),
};

const filesWith = (changes: Readonly<Record<string, string | null>>): ImportFile[] =>
  Object.entries({ ...RIGHT, ...changes }).flatMap(([name, text]) => (text === null ? [] : [{ name, text }]));

const read = (
  changes: Readonly<Record<string, string | null>>,
  choices: ImportChoices = UNSETTLED,
): ImportPreview =>
  inOneGo(planImport(filesWith(changes), { construction, taken: [], alloy: 'sn60pb40' }, choices));

/** The doubts alone, without painting copper or looking at parts. */
function doubtsIn(files: readonly ImportFile[], own = construction, choices = UNSETTLED): readonly Doubt[] {
  const { read: held, sources } = inOneGo(collect(files, own, choices));
  return inOneGo(doubtsOf(sources, held.artworks, own));
}

/** The only doubt, whose first remedy, once taken, leaves none; `after` reads all of it so. */
function mended(changes: Readonly<Record<string, string | null>>): {
  readonly label: string;
  readonly says: string;
  readonly after: () => ImportPreview;
} {
  const files = filesWith(changes);
  const doubts = doubtsIn(files);
  expect(doubts).toHaveLength(1);
  const { says, remedies } = doubts[0]!;
  expect(remedies.length).toBeGreaterThan(0);
  const choices = { ...UNSETTLED, readings: remedies[0]!.readings };
  expect(doubtsIn(files, construction, choices)).toEqual([]);
  return { label: remedies[0]!.label, says, after: () => read(changes, choices) };
}

const numbers = (text: string, of: (value: number) => string): string =>
  text.replace(/(?<=[XY])[+-]?\d+(?:\.\d+)?/g, (raw) => of(Number(raw)));

const whole = read({});

describe('files that fit', () => {
  it('raise no doubt, all together, in pairs and alone', () => {
    expect(whole.doubts).toEqual([]);
    const names = Object.keys(RIGHT);
    for (const a of names) {
      for (const b of names) {
        const files = [...new Set([a, b])].map((name) => ({ name, text: RIGHT[name]! }));
        expect({ a, b, doubts: doubtsIn(files) }).toEqual({ a, b, doubts: [] });
      }
    }
  });

  it('of every demo board raise none', () => {
    for (const demo of DEMO_BOARDS.filter((one) => one.sites.length >= 3)) {
      const own = demo.board.construction;
      const files = [
        { name: 'n.ipc', text: netlistOf('Demo', demo.sites) },
        { name: 'n-top.gbr', text: copperOf(own, demo.sites, 'top', false) },
        { name: 'n.drl', text: drillOf(demo.sites) },
        { name: 'n-profile.gbr', text: profileOf(own) },
        { name: 'n.csv', text: centroidOf(demo.sites) },
      ];
      const doubts = doubtsIn(files, own);
      expect({ board: demo.id, doubts }).toEqual({ board: demo.id, doubts: [] });
    }
  });
});

describe('a wrong unit or shifted file is said, and the reading that fits is offered', () => {
  it('a drill file that says INCH and counts millimetres', () => {
    const { label, says, after } = mended({ 'b.drl': RIGHT['b.drl']!.replace('METRIC', 'INCH') });
    expect(says).toContain('b.drl');
    expect(label).toContain('millimetres');
    expect(after().profile!.holes).toEqual(whole.profile!.holes);
  });

  it('a drill file of five decimals that does not say so', () => {
    const drill = numbers(RIGHT['b.drl']!, (mm) => String(Math.round(mm * 1e5)));
    const { label, after } = mended({ 'b.drl': drill });
    expect(label).toMatch(/\.5 digits/);
    expect(after().profile!.holes.length).toBe(whole.profile!.holes.length);
  });

  it('a drill file whose trailing zeros were left out and which says nothing of it', () => {
    const drill = numbers(
      RIGHT['b.drl']!,
      (mm) =>
        String(Math.round(mm * 1e3))
          .padStart(6, '0')
          .replace(/0+$/, '') || '0',
    );
    const { label } = mended({ 'b.drl': drill });
    expect(label).toContain('leading zeros kept');
  });

  it('a copper layer in millimetres that names no unit, so that inches are taken', () => {
    const { label, after } = mended({ 'b-top.gbr': RIGHT['b-top.gbr']!.replace('%MOMM*%', '') });
    expect(label).toContain('millimetres');
    const [a, b] = [after(), whole].map(({ layers }) => layers.find(({ layer }) => layer === 1)!.coverage);
    expect(a).toBeCloseTo(b!, 6);
  });

  it('a drill file from another origin', () => {
    const { label } = mended({ 'b.drl': numbers(RIGHT['b.drl']!, (mm) => (mm + 50).toFixed(3)) });
    expect(label).toMatch(/moved by -50, -50 mm/);
  });

  it('a bottom layer that was seen from below', () => {
    const turned = RIGHT['b-bottom.gbr']!.replace(/X(-?\d+)/g, (_, x: string) => `X${-Number(x)}`);
    const { label, after } = mended({ 'b-bottom.gbr': turned });
    expect(label).toContain('turned over');
    expect(after().layers.find(({ layer }) => layer === 4)!.coverage).toBeCloseTo(
      whole.layers.find(({ layer }) => layer === 4)!.coverage,
      6,
    );
  });

  it('a placement list in thousandths of an inch whose heading says nothing', () => {
    const list = RIGHT['b.csv']!.split('\n')
      .map((line, i) =>
        i === 0
          ? line.replace(/\s*\(?mm\)?/gi, '')
          : line.replace(/(?<=,|;)-?\d+\.\d+(?=,|;)/g, (mm) => (Number(mm) / 0.0254).toFixed(1)),
      )
      .join('\n');
    const { label } = mended({ 'b.csv': list });
    expect(label).toContain('thousandths of an inch');
  });

  it('a netlist that says CUST 0 and counts thousandths of a millimetre', () => {
    const { says, label } = mended({ 'b.ipc': RIGHT['b.ipc']!.replace('CUST 1', 'CUST 0') });
    expect(says).toContain('b.ipc');
    expect(label).toContain('millimetre');
  });

  it('netlist and list from one origin, artwork and drill from another: both move together', () => {
    const changes = {
      'b.ipc': RIGHT['b.ipc']!.replace(
        /X\+(\d{6})Y\+(\d{6})/g,
        (_, x: string, y: string) =>
          `X+${String(Number(x) + 30_000).padStart(6, '0')}Y+${String(Number(y) + 40_000).padStart(6, '0')}`,
      ),
      'b.csv': null,
    };
    const { label, after } = mended(changes);
    expect(label).toMatch(/moved by -30, -40 mm/);
    expect(after().sites).toHaveLength(whole.sites.length);
  });
});

describe('sizes that cannot be', () => {
  it('a hole of 27 mm is said though nothing else is there to hold it against', () => {
    const { doubts } = read({
      ...Object.fromEntries(Object.keys(RIGHT).map((name) => [name, null])),
      'b.drl': RIGHT['b.drl']!.replace('METRIC', 'INCH').replace(/T(\d+)C0?\.(\d)\d*/g, 'T$1C1.06'),
    });
    expect(doubts[0]!.says).toMatch(/largest hole is \d\d mm wide/);
  });

  it('an edge of 3 mm is said and inches are offered', () => {
    const edge = RIGHT['b-edge.gbr']!.replace('%FSLAX46Y46*%', '%FSLAX36Y36*%').replace(
      /(?<=[XYIJ])-?\d+/g,
      (raw, at: number, all: string) =>
        all.slice(0, at).includes('%MOMM*%') ? String(Math.round(Number(raw) / 25.4)) : raw,
    );
    const { doubts } = read({
      ...Object.fromEntries(Object.keys(RIGHT).map((name) => [name, null])),
      'b-edge.gbr': edge,
    });
    expect(doubts[0]!.says).toMatch(/spans 6\.4 × 4\.04 mm/);
    expect(doubts[0]!.remedies[0]!.label).toBe('inches');
  });

  it('a drawing that is not used does not move the board', () => {
    const frame = '%FSLAX46Y46*%%MOMM*%%ADD10C,0.2*%D10*X-90000000Y-90000000D02*X400000000Y300000000D01*M02*';
    const preview = read({ 'b-edge.gbr': null, 'b-drawing-frame.gbr': frame });
    expect(preview.shift_mm).toEqual([0, 0]);
    expect(preview.doubts).toEqual([]);
  });
});

describe('copper that is not used', () => {
  it('is named, file by file', () => {
    const { unused } = read({ 'b-in9_cu.gbr': RIGHT['b-top.gbr']!.replace(/%TF\.FileFunction[^%]*%/, '') });
    expect(unused.join(' ')).toContain('b-in9_cu.gbr shows copper and is not used');
  });

  it('is said where two files are taken for one layer', () => {
    const { unused } = read({ 'again_top_copper.gbr': RIGHT['b-top.gbr']! });
    expect(unused.join(' ')).toMatch(/b-top\.gbr and again_top_copper\.gbr are all taken for layer 1/);
  });
});
