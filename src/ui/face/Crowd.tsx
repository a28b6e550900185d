import { memo } from 'react';
import { millimetres, radians } from '~/core/quantity/convert';
import { partOf } from '~/schema/exchange/si/part';
import type { FaceSite } from './SiteGlyph';
import css from './face.module.css';

type Standing = Pick<FaceSite, 'side' | 'x_mm' | 'y_mm' | 'rotation_deg' | 'package'>;

/** A board of more parts than this is drawn as bodies alone, those that matter apart: each whole part is a dozen shapes. */
export const CROWD_FROM = 1500;

/** Bodies of very many parts as one shape a face; nothing of it takes the focus. */
export const Crowd = memo(function Crowd({
  sites,
  side,
  width_mm,
  length_mm,
}: {
  readonly sites: readonly Standing[];
  readonly side: 'top' | 'bottom';
  readonly length_mm: number;
  readonly width_mm: number;
}) {
  const mirror = side === 'bottom';
  const path = (here: boolean): string =>
    sites
      .filter((site) => (site.side === side) === here)
      .map((site) =>
        outlineOnce(site, mirror ? length_mm - site.x_mm : site.x_mm, width_mm - site.y_mm, mirror),
      )
      .join('');
  return (
    <g aria-hidden="true">
      <path className={css['crowdBehind']} d={path(false)} />
      <path className={css['crowd']} d={path(true)} />
    </g>
  );
});

/** Outlines that were drawn, by the part they are of: a part that is taken out leaves the others as they are. */
const drawn = new WeakMap<Standing, Map<string, string>>();

function outlineOnce(site: Standing, x: number, y: number, mirror: boolean): string {
  const known = drawn.get(site) ?? new Map<string, string>();
  drawn.set(site, known);
  const key = `${x} ${y} ${mirror ? 'below' : 'above'}`;
  const before = known.get(key);
  if (before !== undefined) return before;
  const made = outline(site, x, y, mirror);
  known.set(key, made);
  return made;
}

/** A body's four corners, to a hundredth of a millimetre. */
function outline(site: Standing, x: number, y: number, mirror: boolean): string {
  const { length_m, width_m } = partOf(site.package).body;
  const turn = radians((mirror ? 1 : -1) * site.rotation_deg);
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  const [a, b] = [millimetres(length_m) / 2, millimetres(width_m) / 2];
  const corner = (u: number, v: number): string =>
    `${(x + u * cos - v * sin).toFixed(2)} ${(y + u * sin + v * cos).toFixed(2)}`;
  return `M${corner(-a, -b)}L${corner(a, -b)}L${corner(a, b)}L${corner(-a, b)}Z`;
}

/** The part whose place lies nearest to a point of the board, on the face that is shown; null where none is within reach. */
export function nearestOf<Site extends Standing>(
  sites: readonly Site[],
  side: 'top' | 'bottom',
  x_mm: number,
  y_mm: number,
): Site | null {
  let found: Site | null = null;
  let least_mm = REACH_mm;
  for (const site of sites) {
    const apart_mm = Math.hypot(site.x_mm - x_mm, site.y_mm - y_mm);
    if (site.side !== side || apart_mm >= least_mm) continue;
    found = site;
    least_mm = apart_mm;
  }
  return found;
}

const REACH_mm = 6;
