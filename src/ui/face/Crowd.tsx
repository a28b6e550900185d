import { memo, useMemo } from 'react';
import { millimetres, radians } from '~/core/quantity/convert';
import { partOf } from '~/schema/exchange/si/part';
import type { FaceSite } from './SiteGlyph';
import css from './face.module.css';

type Standing = Pick<FaceSite, 'side' | 'x_mm' | 'y_mm' | 'rotation_deg' | 'package'>;

/** A board of more parts than this is drawn as bodies alone, those that matter apart: each whole part is a dozen shapes. */
export const CROWD_FROM = 1500;

interface Glass {
  readonly length_mm: number;
  readonly width_mm: number;
  /** Whether the board is seen from below. */
  readonly mirror: boolean;
}

/**
 * Bodies of very many parts, a shape for each tile of the board and face; nothing of it takes the focus. A part that is taken out
 * draws its own tile anew and no other.
 */
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
  const tiles = useMemo(() => tiled(sites), [sites]);
  const glass = { length_mm, width_mm, mirror: side === 'bottom' };
  const face = (here: boolean) =>
    tiles
      .filter((tile) => (tile.side === side) === here)
      .map((tile) => (
        <Tile key={tile.name} sites={tile.sites} look={css[here ? 'crowd' : 'crowdBehind']!} {...glass} />
      ));
  return (
    <g aria-hidden="true">
      {face(false)}
      {face(true)}
    </g>
  );
});

/** About forty parts of a dense board: few enough to be drawn between two keys, and not so many shapes that they tell. */
const TILE_mm = 25;

interface Tiled {
  readonly name: string;
  readonly side: Standing['side'];
  readonly sites: Standing[];
}

function tiled(sites: readonly Standing[]): Tiled[] {
  const tiles = new Map<string, Tiled>();
  for (const site of sites) {
    const name = `${site.side} ${Math.floor(site.x_mm / TILE_mm)} ${Math.floor(site.y_mm / TILE_mm)}`;
    const tile = tiles.get(name);
    if (tile) tile.sites.push(site);
    else tiles.set(name, { name, side: site.side, sites: [site] });
  }
  return [...tiles.values()];
}

interface TileProps extends Glass {
  readonly sites: readonly Standing[];
  readonly look: string;
}

const Tile = memo(
  function Tile({ sites, look, ...glass }: TileProps) {
    return <path className={look} d={sites.map((site) => outline(site, glass)).join('')} />;
  },
  (before, after) =>
    before.look === after.look &&
    before.mirror === after.mirror &&
    before.length_mm === after.length_mm &&
    before.width_mm === after.width_mm &&
    before.sites.length === after.sites.length &&
    before.sites.every((site, i) => site === after.sites[i]),
);

/** A body's four corners, to a hundredth of a millimetre. */
function outline(site: Standing, { length_mm, width_mm, mirror }: Glass): string {
  const { length_m, width_m } = partOf(site.package).body;
  const x = mirror ? length_mm - site.x_mm : site.x_mm;
  const y = width_mm - site.y_mm;
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
