import { describe, expect, it } from 'vitest';
import { inOneGo } from '~/core/stepwise';
import { UNSETTLED } from '~/formats/import/choices';
import type { ImportFile } from '~/formats/import/importFiles';
import { planImport } from '~/formats/import/importPlan';
import { footprintOf } from '~/formats/placement/write';
import { DEMO_BOARDS } from '~/server/demo/boards';
import { exchangeOf } from '../support/exchangeFile';
import { copperOf, drillOf, netlistOf, profileOf } from '../support/openFiles';

/**
 * The same board as three unlike drawing programs would hand it over, each to the published notes of its formats (from memory): one of
 * today with attributes, one of the nineties in inches without any, one in millimetres with its zeros left out; and as a board exchange alone.
 */
const { board, sites } = DEMO_BOARDS.find(({ id }) => id === 'demo-beacon-4')!;
const { construction } = board;
const top = copperOf(construction, sites, 'top', false);
const bottom = copperOf(construction, sites, 'bottom', true);
const edge = profileOf(construction);

const withoutAttributes = (text: string): string => text.replace(/%T[FOD][^%]*%\n?/g, '');
/** Coordinates alone: those of data blocks, in millionths of a millimetre. */
const coordinates = (text: string, of: (um: number) => string): string =>
  text.replace(/^(?:[XYIJ]-?\d+)+(?=D)/gm, (block) => block.replace(/-?\d+/g, (raw) => of(Number(raw))));
const sizes = (text: string, of: (mm: number) => number): string =>
  text.replace(/(?<=%ADD\d+[CR],)[\d.X]+/g, (list) =>
    list
      .split('X')
      .map((size) => of(Number(size)).toFixed(5))
      .join('X'),
  );

const inInches = (text: string): string =>
  sizes(
    coordinates(withoutAttributes(text), (um) => String(Math.round((um / 25.4) * 1e-2))),
    (mm) => mm / 25.4,
  )
    .replace('%FSLAX46Y46*%', '%FSLAX24Y24*%')
    .replace('%MOMM*%', '%MOIN*%');
/** Three digits before the point and three behind it, the zeros at the end left out. */
const trailingLeftOut = (mm: number): string => {
  const digits = String(Math.abs(Math.round(mm * 1000)))
    .padStart(6, '0')
    .replace(/0+$/, '');
  return `${mm < 0 ? '-' : ''}${digits || '0'}`;
};

const holes = [...drillOf(sites).matchAll(/X([\d.]+)Y([\d.]+)/g)].map(
  ([, x, y]) => [Number(x), Number(y)] as const,
);
const placedIn =
  (unit_mm: number, mark: string) =>
  (site: (typeof sites)[number]): string =>
    [
      site.ref,
      site.value || '-',
      footprintOf(site.package).replaceAll(/[, ]+/g, '_'),
      (site.x_mm / unit_mm).toFixed(2),
      (site.y_mm / unit_mm).toFixed(2),
      site.rotation_deg,
      site.side === 'top' ? 'T' : 'B',
    ].join(mark);

const FOLDERS: Readonly<Record<string, readonly ImportFile[]>> = {
  'of today: attributes, netlist, decimal drill, comma list': [
    { name: 'beacon-F_Cu.gbr', text: top },
    { name: 'beacon-B_Cu.gbr', text: bottom },
    { name: 'beacon-Edge_Cuts.gbr', text: edge },
    { name: 'beacon-PTH.drl', text: drillOf(sites) },
    { name: 'beacon.d356', text: netlistOf('Beacon', sites) },
    { name: 'beacon-bom.csv', text: ['"Reference","Value"', ...sites.map(({ ref, value }) => `"${ref}","${value}"`)].join('\n') },
  ],
  'of the nineties: inches, no attributes, padded drill, a list by blanks below a preamble': [
    { name: 'BEACON.GTL', text: inInches(top) },
    { name: 'BEACON.GBL', text: inInches(bottom) },
    { name: 'BEACON.GKO', text: inInches(edge) },
    { name: 'BEACON.GTS', text: inInches(top) },
    { name: 'BEACON.TXT', text: ['M48', 'INCH,LZ', 'T01F00S00C0.0315', '%', 'T01', ...holes.map(([x, y]) => `X${String(Math.round((x / 25.4) * 1e4)).padStart(6, '0').replace(/0+$/, '') || '0'}Y${String(Math.round((y / 25.4) * 1e4)).padStart(6, '0').replace(/0+$/, '') || '0'}`), 'M30'].join('\r\n') },
    { name: 'BEACON.IPC', text: netlistOf('Beacon', sites) },
    { name: 'Pick Place.txt', text: ['Beacon driver', '', 'Units used: mil', '', 'Designator  Comment  Footprint  Mid X  Mid Y  Rotation  Layer', ...sites.map(placedIn(0.0254, '  '))].join('\r\n') },
  ],
  'in millimetres with its zeros left out, tools before the unit, a list without a heading': [
    { name: 'layer1.art', text: coordinates(withoutAttributes(top), (um) => trailingLeftOut(um / 1e6)).replace('%FSLAX46Y46*%', '%FSTAX33Y33*%') },
    { name: 'layer4.art', text: coordinates(withoutAttributes(bottom), (um) => trailingLeftOut(um / 1e6)).replace('%FSLAX46Y46*%', '%FSTAX33Y33*%') },
    { name: 'outline.art', text: coordinates(withoutAttributes(edge), (um) => trailingLeftOut(um / 1e6)).replace('%FSLAX46Y46*%', '%FSTAX33Y33*%') },
    { name: 'beacon.drl', text: [';FILE_FORMAT=3:3', 'M48', 'T01C0.8', 'M71', '%', 'T01', ...holes.map(([x, y]) => `X${String(Math.round(x * 1000))}Y${String(Math.round(y * 1000))}`), 'M30'].join('\n') },
    { name: 'beacon.net', text: netlistOf('Beacon', sites) },
    { name: 'beacon.mnt', text: sites.map((site) => [site.ref, site.x_mm.toFixed(2), site.y_mm.toFixed(2), site.rotation_deg, site.value.replaceAll(' ', '_') || '-', footprintOf(site.package).replaceAll(/[, ]+/g, '_')].join(' ')).join('\n') },
  ],
}; // prettier-ignore

describe('a folder of fabrication files, from drop to face', () => {
  it.each(Object.entries(FOLDERS))('%s', (_, files) => {
    const began = performance.now();
    const preview = inOneGo(planImport(files, { construction, taken: [], alloy: 'sn60pb40' }, UNSETTLED));
    expect(performance.now() - began).toBeLessThan(60_000);
    // Questions that it asks: files in doubt, copper unused, and parts to be looked at.
    const asked = [
      ...preview.doubts,
      ...preview.unused,
      ...preview.sites.filter(({ doubt }) => doubt !== null),
    ];
    expect(asked.length, JSON.stringify(asked).slice(0, 800)).toBeLessThanOrEqual(5);
    expect(preview.doubts).toEqual([]);
    expect(preview.sites.map(({ site }) => site.ref).sort()).toEqual(sites.map(({ ref }) => ref).sort());
    for (const site of sites) {
      const back = preview.sites.find((planned) => planned.site.ref === site.ref)!.site;
      expect(Math.hypot(back.x_mm - site.x_mm, back.y_mm - site.y_mm), site.ref).toBeLessThan(0.05);
      expect(back.package.family, site.ref).toBe(site.package.family);
    }
    expect(preview.edge_mm).toEqual([construction.length_mm, construction.width_mm]);
    expect(preview.profile!.holes.length).toBeGreaterThanOrEqual(holes.length);
    const shares = (layer: number): number | undefined =>
      preview.layers.find((one) => one.layer === layer)?.coverage;
    expect(shares(1)).toBeCloseTo(0.012, 2);
    expect(shares(4)).toBeGreaterThan(0.8);
  });

  it('a board exchange alone is the same face', () => {
    const preview = inOneGo(
      planImport(
        [{ name: 'beacon.xml', text: exchangeOf(construction, sites) }],
        { construction, taken: [], alloy: 'sn60pb40' },
        UNSETTLED,
      ),
    );
    expect(preview.doubts).toEqual([]);
    expect(preview.sites.map(({ site }) => site.ref).sort()).toEqual(sites.map(({ ref }) => ref).sort());
  });
});
