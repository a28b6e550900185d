import { describe, expect, it } from 'vitest';
import { frameFor, paint } from '~/core/artwork/paint';
import { inOneGo } from '~/core/stepwise';
import { readExchange } from '~/formats/exchange/ipc2581';
import { UNSETTLED } from '~/formats/import/choices';
import { planImport, type ImportPreview } from '~/formats/import/importPlan';
import { DEMO_BOARDS } from '~/server/demo/boards';
import { exchangeOf } from '../support/exchangeFile';
import { drillOf, netlistOf } from '../support/openFiles';

const { board, sites } = DEMO_BOARDS.find(({ id }) => id === 'demo-beacon-4')!;
const { construction } = board;
const TEXT = exchangeOf(construction, sites);
const read = (...files: { name: string; text: string }[]): ImportPreview =>
  inOneGo(planImport(files, { construction, taken: [], alloy: 'sn60pb40' }, UNSETTLED));

describe('a board exchange file (IPC-2581)', () => {
  it('is the same parts, nets, lands and values as the netlist and list of the board', () => {
    const exchanged = read({ name: 'b.xml', text: TEXT });
    const netted = read({ name: 'b.ipc', text: netlistOf('Beacon', sites) });
    expect(exchanged.files[0]).toMatchObject({ kind: 'exchange', faults: [] });
    expect(exchanged.sites).toHaveLength(sites.length);
    for (const site of sites) {
      const [a, b] = [exchanged, netted].map(
        (preview) => preview.sites.find((planned) => planned.site.ref === site.ref)!.site,
      );
      expect(a!.package.family).toBe(b!.package.family);
      expect(Math.hypot(a!.x_mm - b!.x_mm, a!.y_mm - b!.y_mm)).toBeLessThan(0.01);
      expect(a!.value).toBe(site.value);
      expect(a!.pads.map(({ net }) => net)).toEqual(b!.pads.map(({ net }) => net));
    }
  });

  it('brings the edge, the holes and every copper layer', () => {
    const { edge_mm, profile, layers } = read({ name: 'b.xml', text: TEXT });
    expect(edge_mm).toEqual([construction.length_mm, construction.width_mm]);
    expect(profile!.holes.length).toBeGreaterThan(10);
    expect(layers.map(({ layer }) => layer)).toEqual([1, 2, 3, 4]);
  });

  it('a line is as long and wide as its pen draws it', () => {
    const { layers } = readExchange(TEXT);
    const line = layers[0]!.artwork.objects.at(-1)!;
    const frame = frameFor(0, 0, 20e-3, 10e-3);
    const area_mm2 = paint([line], frame).reduce((sum, bit) => sum + bit, 0) * (1e3 * frame.pixel_m) ** 2;
    expect(area_mm2).toBeCloseTo(10 * 0.5 + (Math.PI / 4) * 0.25, 1);
  });

  it('counts inches and thousandths of a millimetre where its header says so', () => {
    const at = (units: string, x: string): number =>
      readExchange(
        TEXT.replace('CadHeader units="MILLIMETER"', `CadHeader units="${units}"`).replace(
          /<Hole name="H" diameter="[^"]*" platingStatus="PLATED" x="[^"]*"/,
          `<Hole name="H" diameter="1" platingStatus="PLATED" x="${x}"`,
        ),
      ).holes[0]!.x_m;
    expect(at('INCH', '1')).toBeCloseTo(25.4e-3, 9);
    expect(at('MICRON', '1000')).toBeCloseTo(1e-3, 9);
  });

  it('is held against other files: a drill file in the wrong unit is doubted beside it', () => {
    const { doubts } = read(
      { name: 'b.xml', text: TEXT },
      { name: 'b.drl', text: drillOf(sites).replace('METRIC', 'INCH') },
    );
    expect(doubts.map(({ files }) => files)).toEqual([['b.drl']]);
    expect(doubts[0]!.remedies[0]!.label).toContain('millimetres');
  });

  it('cut short or not well-formed keeps what came before and names the line', () => {
    const cut = readExchange(TEXT.slice(0, Math.floor(TEXT.length * 0.7)));
    expect(cut.faults.at(-1)!.why).toContain('not well-formed');
    expect(cut.rows.length).toBe(sites.length);
    expect(readExchange('<IPC-2581><a></b>').faults[0]!.why).toContain('not well-formed');
    expect(readExchange('<IPC-2581>' + '<a>'.repeat(5000)).faults[0]!.why).toContain('deep');
  });

  it('entities that grow are refused (no document type is read)', () => {
    const bomb = '<!DOCTYPE x [<!ENTITY a "aaaaaaaaaa"><!ENTITY b "&a;&a;&a;&a;">]><IPC-2581>&b;</IPC-2581>';
    const began = performance.now();
    const { faults } = readExchange(bomb);
    expect(performance.now() - began).toBeLessThan(500);
    expect(faults.length).toBeGreaterThan(0);
  });
});
