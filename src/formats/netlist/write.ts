import { landShapes } from '~/core/packages/form';
import { onBoard } from '~/core/packages/placement';
import { metres, millimetres, radians } from '~/core/quantity/convert';
import { partOf } from '~/schema/exchange/si/part';
import type { NewSite } from '~/schema/records/site/site';

interface Placed extends Pick<NewSite, 'ref' | 'side' | 'x_mm' | 'y_mm' | 'rotation_deg' | 'package'> {
  readonly pads: readonly { readonly name: string; readonly net: string }[];
}

/** One land on the board, seen from the top, mm. */
export interface PlacedPad {
  readonly ref: string;
  readonly side: 'top' | 'bottom';
  readonly pad: string;
  readonly net: string;
  readonly x_mm: number;
  readonly y_mm: number;
  readonly width_mm: number;
  readonly height_mm: number;
  /** How its sides are turned beyond quarters, degrees. */
  readonly turn_deg: number;
  readonly hole_mm: number | null;
}

/** Every land of some parts. */
export function padsOf<Site extends Placed>(sites: readonly Site[]): (PlacedPad & { readonly site: Site })[] {
  return sites.flatMap((site) => {
    const at = {
      side: site.side,
      x_m: metres(site.x_mm),
      y_m: metres(site.y_mm),
      rotation_rad: radians(site.rotation_deg),
    };
    const quarters = Math.round(site.rotation_deg / 90);
    const askew_deg = site.rotation_deg - 90 * quarters;
    const across = quarters % 2 !== 0;
    return landShapes(partOf(site.package)).map((land) => {
      const place = onBoard(at, land.x_m, land.y_m);
      const [w, h] = across ? [land.height_m, land.width_m] : [land.width_m, land.height_m];
      return {
        ref: site.ref,
        side: site.side,
        pad: land.pad,
        net: site.pads.find((pad) => pad.name === land.pad)?.net ?? '',
        x_mm: millimetres(place.x_m),
        y_mm: millimetres(place.y_m),
        width_mm: millimetres(w),
        height_mm: millimetres(h),
        turn_deg: (((site.side === 'top' ? askew_deg : -askew_deg) % 360) + 360) % 360,
        hole_mm: land.hole_m === null ? null : millimetres(land.hole_m),
        site,
      };
    });
  });
}

/** Columns that the format has for a net's name and a part's. */
const NET = 14;
const REF = 6;
const PIN = 4;

const signed = (value: number): string =>
  `${value < 0 ? '-' : '+'}${String(Math.abs(Math.round(value))).padStart(6, '0')}`;
const four = (value: number): string => String(Math.min(9999, Math.round(value))).padStart(4, '0');

/**
 * IPC-D-356A in thousandths of a millimetre (columns from memory, as the reader has them). Nets of longer names get aliases; a
 * longer reference or pin is cut, and a comment says so.
 */
export function netlistOf(title: string, sites: readonly Placed[]): string {
  const pads = padsOf(sites);
  const long = [...new Set(pads.map(({ net }) => net).filter((net) => net.length > NET))];
  const alias = new Map(long.map((net, i) => [net, `NNAME${i + 1}`]));
  const cut = [
    ...new Set(pads.filter(({ ref, pad }) => ref.length > REF || pad.length > PIN).map(({ ref }) => ref)),
  ];
  const lines = pads.map((pad) =>
    [
      pad.hole_mm === null ? '327' : '317',
      (alias.get(pad.net) ?? (pad.net || 'N/C')).padEnd(17),
      pad.ref.slice(0, REF).padEnd(REF),
      `-${pad.pad.slice(0, PIN).padEnd(PIN)} `,
      pad.hole_mm === null ? '      ' : `D${four(1e3 * pad.hole_mm)}P`,
      pad.hole_mm === null ? (pad.side === 'top' ? 'A01' : 'A02') : 'A00',
      `X${signed(1e3 * pad.x_mm)}Y${signed(1e3 * pad.y_mm)}`,
      `X${four(1e3 * pad.width_mm)}Y${four(1e3 * pad.height_mm)}`,
      `R${String(Math.round(pad.turn_deg) % 360).padStart(3, '0')} S0`,
    ].join(''),
  );
  return [
    `P  TITLE ${title.replace(/\s+/g, ' ')}`,
    'P  UNITS CUST 1',
    ...long.map((net) => `P  ${alias.get(net)!} ${net}`),
    ...cut.map(
      (ref) =>
        `C  the reference or pins of ${ref.replace(/\s+/g, ' ')} are longer than the format has room for, and cut`,
    ),
    ...lines,
    '999',
    '',
  ].join('\n');
}
