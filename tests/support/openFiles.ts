import { padsOf, netlistOf, type PlacedPad } from '~/formats/netlist/write';
import type { Construction } from '~/schema/values/construction';
import type { NewSite } from '~/schema/records/site/site';

/**
 * Writes a board's sites as the open files that a layout program would: a netlist, two copper layers, a
 * drill file, a placement list; the netlist by the application's own writer. Used for the shipped samples and, read back, as a test of the readers.
 */

const um = (mm: number): string => String(Math.round(mm * 1e6));

export { netlistOf };

/** One outer copper layer: a poured ground with clearances, lands, reliefs for ground, and short tracks. */
export function copperOf(
  { length_mm, width_mm, copperLayers }: Construction,
  sites: readonly Omit<NewSite, 'polarity'>[],
  face: 'top' | 'bottom',
  poured: boolean,
): string {
  const pads = padsOf(sites).filter((pad) => pad.hole_mm !== null || pad.side === face);
  const layer = face === 'top' ? 1 : copperLayers.length;
  const sizes = new Map<string, number>();
  const aperture = (definition: string): number => {
    const known = sizes.get(definition);
    if (known !== undefined) return known;
    sizes.set(definition, 10 + sizes.size);
    return 9 + sizes.size;
  };
  const body: string[] = [];
  const flash = (definition: string, x_mm: number, y_mm: number): void =>
    void body.push(`D${aperture(definition)}*`, `X${um(x_mm)}Y${um(y_mm)}D03*`);
  const land = (pad: PlacedPad, more_mm = 0): string =>
    pad.hole_mm !== null && pad.pad !== '1'
      ? `C,${(pad.width_mm + more_mm).toFixed(3)}`
      : `R,${(pad.width_mm + more_mm).toFixed(3)}X${(pad.height_mm + more_mm).toFixed(3)}`;
  if (poured) {
    const edge = 1;
    const [x1, y1] = [length_mm - edge, width_mm - edge];
    body.push(
      'G36*',
      `X${um(edge)}Y${um(edge)}D02*`,
      'G01*',
      `X${um(x1)}D01*`,
      `Y${um(y1)}D01*`,
      `X${um(edge)}D01*`,
      `Y${um(edge)}D01*`,
      'G37*',
    );
    body.push('%LPC*%');
    for (const pad of pads) flash(land(pad, 0.6), pad.x_mm, pad.y_mm);
    body.push('%LPD*%');
    for (const pad of pads.filter((p) => p.net === 'GND')) {
      const spoke = aperture('C,0.300');
      const reach = Math.max(pad.width_mm, pad.height_mm) / 2 + 0.5;
      body.push(`D${spoke}*`);
      body.push(`X${um(pad.x_mm - reach)}Y${um(pad.y_mm)}D02*`, `X${um(pad.x_mm + reach)}D01*`);
      body.push(`X${um(pad.x_mm)}Y${um(pad.y_mm - reach)}D02*`, `Y${um(pad.y_mm + reach)}D01*`);
    }
  } else {
    body.push(`D${aperture('C,0.300')}*`);
    for (const pad of pads.filter((p) => p.net !== '' && p.net !== 'GND')) {
      const out = pad.x_mm >= pad.site.x_mm ? 1 : -1;
      body.push(`X${um(pad.x_mm)}Y${um(pad.y_mm)}D02*`, `X${um(pad.x_mm + 3 * out)}D01*`);
    }
  }
  for (const pad of pads) {
    body.push(`%TO.P,${pad.ref},${pad.pad}*%`);
    if (pad.net) body.push(`%TO.N,${pad.net}*%`);
    flash(land(pad), pad.x_mm, pad.y_mm);
    body.push('%TD*%');
  }
  return [
    `%TF.FileFunction,Copper,L${layer},${face === 'top' ? 'Top' : 'Bot'}*%`,
    '%FSLAX46Y46*%',
    '%MOMM*%',
    ...[...sizes].map(([definition, code]) => `%ADD${code}${definition}*%`),
    ...body,
    'M02*',
    '',
  ].join('\n');
}

export function drillOf(sites: readonly Omit<NewSite, 'polarity'>[]): string {
  const holes = padsOf(sites).flatMap((pad) =>
    pad.hole_mm === null ? [] : [{ ...pad, hole_mm: pad.hole_mm }],
  );
  const sizes = [...new Set(holes.map((hole) => hole.hole_mm.toFixed(3)))].sort();
  return [
    'M48',
    ';TYPE=PLATED',
    'METRIC,TZ',
    ...sizes.map((size, i) => `T${i + 1}C${size}`),
    '%',
    ...sizes.flatMap((size, i) => [
      `T${i + 1}`,
      ...holes
        .filter((hole) => hole.hole_mm.toFixed(3) === size)
        .map((hole) => `X${hole.x_mm.toFixed(3)}Y${hole.y_mm.toFixed(3)}`),
    ]),
    'M30',
    '',
  ].join('\n');
}

/** A board's edge with rounded corners and a slot in its upper side, as a router would follow it. */
export function profileOf({ length_mm, width_mm }: { length_mm: number; width_mm: number }): string {
  const corner = 3;
  const slot = { from: length_mm / 2 + 4, to: length_mm / 2 - 4, deep: 6 };
  const line = (x: number, y: number): string => `X${um(x)}Y${um(y)}D01*`;
  const arc = (x: number, y: number, i: number, j: number): string =>
    `X${um(x)}Y${um(y)}I${um(i)}J${um(j)}D01*`;
  return [
    '%TF.FileFunction,Profile,NP*%',
    '%FSLAX46Y46*%',
    '%MOMM*%',
    '%ADD10C,0.100*%',
    'D10*',
    'G75*',
    `X${um(corner)}Y0D02*`,
    'G01*',
    line(length_mm - corner, 0),
    'G03*',
    arc(length_mm, corner, 0, corner),
    'G01*',
    line(length_mm, width_mm - corner),
    'G03*',
    arc(length_mm - corner, width_mm, -corner, 0),
    'G01*',
    line(slot.from, width_mm),
    line(slot.from, width_mm - slot.deep),
    line(slot.to, width_mm - slot.deep),
    line(slot.to, width_mm),
    line(corner, width_mm),
    'G03*',
    arc(0, width_mm - corner, 0, -corner),
    'G01*',
    line(0, corner),
    'G03*',
    arc(corner, 0, corner, 0),
    'M02*',
    '',
  ].join('\n');
}

export function centroidOf(sites: readonly Omit<NewSite, 'polarity'>[]): string {
  const rows = sites.map((site) =>
    [
      site.ref,
      `"${site.value}"`,
      site.x_mm.toFixed(3),
      site.y_mm.toFixed(3),
      site.rotation_deg,
      site.side,
    ].join(','),
  );
  return ['Ref,Val,PosX(mm),PosY(mm),Rot,Side', ...rows, ''].join('\n');
}
