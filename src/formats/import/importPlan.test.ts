import { inOneGo } from '~/core/stepwise';
import { describe, expect, it } from 'vitest';
import { centroidOf, copperOf, drillOf, netlistOf, profileOf } from '../../../tests/support/openFiles';
import { DEMO_BOARDS } from '~/server/demo/boards';
import { areaOf } from '~/core/geometry/polygon';
import { boardProfile } from '~/schema/values/boardProfile';
import { newSite } from '~/schema/records/site/site';
import { UNSETTLED, type ImportChoices } from './choices';
import type { ImportFile } from './importFiles';
import { siteAs } from '~/schema/exchange/otherFit';
import { planImport, type ImportPreview } from './importPlan';

/** The demo's own board written out as a layout program would, then read back. */

const BEACON = DEMO_BOARDS.find((board) => board.id === 'demo-beacon-4')!;
const { construction } = BEACON.board;
const NONE: ImportChoices = UNSETTLED;

const file = (name: string, text: string): ImportFile => ({ name, text });
const NETLIST = file('beacon.ipc', netlistOf('Beacon driver', BEACON.sites));
const TOP = file('beacon-top.gbr', copperOf(construction, BEACON.sites, 'top', false));
const BOTTOM = file('beacon-bottom.gbr', copperOf(construction, BEACON.sites, 'bottom', true));
const DRILL = file('beacon.drl', drillOf(BEACON.sites));
const EDGE = file('beacon-profile.gbr', profileOf(construction));
const PLACES = file('beacon.csv', centroidOf(BEACON.sites));

function read(files: readonly ImportFile[], choices = NONE, taken: readonly string[] = []): ImportPreview {
  return inOneGo(planImport(files, { construction, taken, alloy: 'sn60pb40' }, choices));
}

const siteIn = (preview: ImportPreview, ref: string) => preview.sites.find((s) => s.site.ref === ref)!.site;

describe('a netlist read back', () => {
  const preview = read([NETLIST, PLACES]);

  it('makes every site again: family, place, turn, side, value and nets', () => {
    expect(preview.leftOut).toEqual([]);
    expect(preview.files.map((f) => f.kind)).toEqual(['netlist', 'table']);
    for (const original of BEACON.sites) {
      const made = siteIn(preview, original.ref);
      expect(made.package.family, original.ref).toBe(original.package.family);
      expect(made.x_mm, original.ref).toBeCloseTo(original.x_mm, 1);
      expect(made.y_mm, original.ref).toBeCloseTo(original.y_mm, 1);
      expect((made.rotation_deg - original.rotation_deg + 720) % 360, original.ref).toBeCloseTo(0, 1);
      expect(made.value).toBe(original.value);
      expect(made.pads.map((p) => [p.name, p.net])).toEqual(original.pads.map((p) => [p.name, p.net]));
    }
  });

  it('offers only sites that the record would take', () => {
    for (const { site } of preview.sites)
      expect(newSite.safeParse(site).error?.issues ?? [], site.ref).toEqual([]);
  });

  it('lays ground on the first plane and supplies on the second where no picture shows better', () => {
    const pad = (ref: string, net: string) => siteIn(preview, ref).pads.find((p) => p.net === net)!;
    expect(pad('U3', 'GND').connections).toContainEqual(
      expect.objectContaining({ kind: 'thermal-relief', layers: [2] }),
    );
    expect(pad('U3', 'V5').connections).toContainEqual(
      expect.objectContaining({ kind: 'thermal-relief', layers: [3] }),
    );
    expect(pad('U3', 'S1').connections).toEqual([expect.objectContaining({ kind: 'track' })]);
  });
});

describe('parts below', () => {
  it('come back where they were, seen from below', () => {
    const below = BEACON.sites.map((site) => ({ ...site, side: 'bottom' as const, rotation_deg: 90 }));
    const preview = read([
      file(
        'x.ipc',
        netlistOf(
          'Below',
          below.filter((s) => s.ref === 'U7' || s.ref === 'C31'),
        ),
      ),
    ]);
    for (const ref of ['U7', 'C31']) {
      const original = below.find((s) => s.ref === ref)!;
      expect(siteIn(preview, ref)).toMatchObject({ side: 'bottom' });
      expect(siteIn(preview, ref).x_mm).toBeCloseTo(original.x_mm, 1);
      expect((siteIn(preview, ref).rotation_deg + 360) % 360).toBeCloseTo(90, 1);
    }
  });
});

describe('artwork', () => {
  const preview = read([NETLIST, TOP, BOTTOM, DRILL]);

  it('goes to the layers it names, with the share it covers', () => {
    expect(preview.layers.map((layer) => layer.layer)).toEqual([1, construction.copperLayers.length]);
    const [top, bottom] = preview.layers;
    expect(top!.coverage).toBeLessThan(0.1);
    expect(bottom!.coverage).toBeGreaterThan(0.8);
    expect(preview.files.every((f) => f.faults.length === 0)).toBe(true);
  });

  it('tells how pads meet the copper that it shows', () => {
    const last = construction.copperLayers.length;
    const pads = siteIn(preview, 'C8').pads;
    const ground = pads.find((p) => p.net === 'GND')!;
    const supply = pads.find((p) => p.net === 'V24')!;
    const onPour = (c: (typeof ground.connections)[number]): boolean =>
      'layers' in c && c.layers!.includes(last);
    expect(ground.connections.some((c) => c.kind === 'thermal-relief' && onPour(c))).toBe(true);
    expect(supply.connections.some((c) => c.kind !== 'track' && onPour(c))).toBe(false);
    expect(supply.connections.some((c) => c.kind === 'track' && c.layers!.includes(1))).toBe(true);
  });

  // Rule broken: findings F1 (files), copper beyond a clearance gap was taken for the pad's own.
  it('reads every ground pad’s drawn spokes off the pour, and no pour into a pad that only lies in it', () => {
    const last = construction.copperLayers.length;
    const holed = preview.sites.flatMap(({ site }) => ('holeDiameter_mm' in site.package ? site.pads : []));
    const onLast = (pad: (typeof holed)[number]) =>
      pad.connections.find((c) => 'layers' in c && c.layers!.includes(last));
    const ground = holed.filter((pad) => pad.net === 'GND');
    expect(ground.length).toBeGreaterThan(4);
    for (const pad of ground)
      expect(onLast(pad), pad.name).toMatchObject({
        kind: 'thermal-relief',
        spokeWidth_mm: 0.3,
        spokeLength_mm: 0.3,
      });
    for (const pad of holed.filter((p) => p.net !== 'GND')) expect(onLast(pad), pad.name).toBeUndefined();
  });

  it('without a netlist tells the parts by the pins it names', () => {
    const alone = read([TOP]);
    expect(siteIn(alone, 'U7').package.family).toBe('qfp');
    expect(siteIn(alone, 'U7').pads.find((p) => p.name === '6')!.net).toBe('GND');
  });

  it('a layer may be chosen by hand, or left out', () => {
    expect(read([TOP], { ...NONE, layers: { 'beacon-top.gbr': 2 } }).layers[0]!.layer).toBe(2);
    expect(read([TOP], { ...NONE, layers: { 'beacon-top.gbr': 0 } }).layers).toEqual([]);
  });
});

describe('what stands in the way', () => {
  it('a reference that is taken, a place off the board, lands of no family', () => {
    const odd = [
      'P  UNITS CUST 1',
      ...[1, 2, 3, 4, 5].map(
        (pin) =>
          `327N${pin}               XQ1   -${pin}          A01X+0${20000 + pin * pin * 1500}Y+0${20000 + pin * 900}X0600Y0600R000 S0`,
      ),
      '999',
    ].join('\n');
    const preview = read([NETLIST, file('odd.ipc', odd)], { ...NONE, shift_mm: [0, 0] }, ['C7']);
    const why = new Map(preview.leftOut.map((l) => [l.ref, l.why]));
    expect(why.get('C7')).toMatch(/already/);
    expect(why.get('XQ1')).toMatch(/fit no family/);
    const far = read([NETLIST], { ...NONE, shift_mm: [400, 0] });
    expect(far.sites).toEqual([]);
    expect(far.leftOut[0]!.why).toMatch(/off the board/);
  });

  it('files whose origin lies elsewhere are laid on the board’s middle', () => {
    const away = BEACON.sites.map((site) => ({ ...site, x_mm: site.x_mm + 300, y_mm: site.y_mm + 200 }));
    const { shift_mm, sites, leftOut } = read([file('away.ipc', netlistOf('Away', away))]);
    expect(leftOut).toEqual([]);
    expect(sites).toHaveLength(BEACON.sites.length);
    expect(shift_mm[0]).toBeLessThan(-250);
  });

  it('a list alone places parts by their footprints’ names', () => {
    const list = file(
      'list.csv',
      'Designator;Footprint;Mid X;Mid Y;Rotation;Layer\nR1;R_0805;10,5;20;90;Top\nU1;SOIC-8;30;20;0;B\nQ9;weird;1;1;0;T\n',
    );
    const preview = read([list]);
    expect(siteIn(preview, 'R1')).toMatchObject({ x_mm: 10.5, rotation_deg: 90, package: { code: '0805' } });
    expect(siteIn(preview, 'U1')).toMatchObject({ side: 'bottom', package: { family: 'soic', pins: 8 } });
    expect(preview.leftOut).toEqual([expect.objectContaining({ ref: 'Q9' })]);
  });

  it('a file of no known kind is said to be one', () => {
    const { files } = read([file('photo.jpg', '\u00ff\u00d8 not text')]);
    expect(files[0]).toMatchObject({ kind: 'unknown' });
    expect(files[0]!.faults[0]!.why).toMatch(/save it/);
  });
});

describe('the board’s edge and its holes', () => {
  const preview = read([NETLIST, DRILL, EDGE]);

  it('are read off the profile and the drill file, rounded corners and slot included', () => {
    expect(preview.files.find((f) => f.name === EDGE.name)!.layer).toBe(-1);
    const edge = preview.profile!.edge!;
    expect(preview.edge_mm).toEqual([construction.length_mm, construction.width_mm]);
    // The rectangle less four corners of (1 − π/4) r² and the slot.
    const { length_mm, width_mm } = construction;
    expect(areaOf(edge)).toBeCloseTo(length_mm * width_mm - 4 * (1 - Math.PI / 4) * 9 - 8 * 6, 0);
    expect(preview.profile!.holes.length).toBe(preview.files.find((f) => f.kind === 'drill')!.count);
    expect(boardProfile.safeParse(preview.profile).success).toBe(true);
  });

  it('lay the files: an edge drawn elsewhere brings everything with it to the board’s corner', () => {
    const moved = EDGE.text.replace(
      /X(\d+)Y(\d+)(?=D|I)/g,
      (_, x: string, y: string) => `X${Number(x) + 50_000_000}Y${Number(y) + 20_000_000}`,
    );
    const shifted = read([file(EDGE.name, moved)]);
    expect(shifted.shift_mm[0]).toBeCloseTo(-50, 6);
    expect(shifted.shift_mm[1]).toBeCloseTo(-20, 6);
    expect(shifted.profile!.edge![0]![1]).toBeCloseTo(0, 6);
  });

  it('are none without such files', () => {
    expect(read([NETLIST]).profile).toBeNull();
  });
});

describe('what a person settles', () => {
  it('another family that fits the same lands is offered, at the same place', () => {
    const { site, others } = read([NETLIST]).sites.find((s) => s.site.ref === 'U3')!;
    expect(site.package.family).toBe('dip');
    const socket = siteAs(
      site,
      others.find((other) => other.package.family === 'dipSocket')!,
    );
    expect([socket.x_mm, socket.y_mm]).toEqual([site.x_mm, site.y_mm]);
    expect(newSite.safeParse(socket).error?.issues ?? []).toEqual([]);
  });

  it('a list without known headings is read once its columns are said', () => {
    const list = file('list.csv', 'Thing,Where across,Where up,Kind\nR1,10,20,0603\nC2,"12,5",8,0805\n');
    const silent = read([list]);
    expect(silent.sites).toEqual([]);
    expect(silent.files[0]!.faults[0]!.why).toContain('say which column');
    expect(silent.files[0]!.table!.heading).toEqual(['Thing', 'Where across', 'Where up', 'Kind']);
    const told = read([list], {
      ...NONE,
      columns: { 'list.csv': { ref: 0, x: 1, y: 2, footprint: 3 } },
    });
    expect(told.sites.map(({ site }) => [site.ref, site.x_mm, site.y_mm])).toEqual([
      ['R1', 10, 20],
      ['C2', 12.5, 8],
    ]);
  });
});
