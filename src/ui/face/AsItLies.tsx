import { landShapes } from '~/core/packages/form';
import { onBoard } from '~/core/packages/placement';
import { millimetres, radians } from '~/core/quantity/convert';
import { partOf } from '~/schema/exchange/si/part';
import type { AnyPackageInput } from '~/schema/values/package';
import css from './face.module.css';

interface AsItLiesProps {
  readonly site: {
    readonly ref: string;
    readonly side: 'top' | 'bottom';
    readonly x_mm: number;
    readonly y_mm: number;
    readonly rotation_deg: number;
    readonly package: AnyPackageInput;
  };
  readonly board: { readonly length_mm: number; readonly width_mm: number };
}

/** One part turned as it lies on its board, seen from its own side, with pin one marked and the nearest edges named. */
export function AsItLies({ site, board }: AsItLiesProps) {
  const part = partOf(site.package);
  const rotation_rad = radians(site.rotation_deg);
  // Seen from its own side: a part on the bottom is looked at with the board turned over left to right.
  const mirror = site.side === 'bottom' ? -1 : 1;
  const at = { side: site.side, x_m: 0, y_m: 0, rotation_rad };
  const place = (x_m: number, y_m: number) => {
    const p = onBoard(at, x_m, y_m);
    return { x: mirror * millimetres(p.x_m), y: -millimetres(p.y_m) };
  };
  const lands = landShapes(part).map((land) => ({
    ...land,
    at: place(land.x_m, land.y_m),
    w: millimetres(land.width_m),
    h: millimetres(land.height_m),
  }));
  const { body } = part;
  const [halfX, halfY] = [body.length_m / 2, body.width_m / 2];
  const corners = [place(-halfX, -halfY), place(halfX, -halfY), place(halfX, halfY), place(-halfX, halfY)];
  const reach = Math.max(
    ...lands.map((l) => Math.max(Math.abs(l.at.x), Math.abs(l.at.y)) + Math.max(l.w, l.h)),
    ...corners.map((c) => Math.max(Math.abs(c.x), Math.abs(c.y))),
  );
  const half = reach * 1.35;
  const text = half * 0.12;
  const first = lands[0]!;
  const turn = mirror * -site.rotation_deg * (site.side === 'bottom' ? -1 : 1);
  const out = Math.hypot(first.at.x, first.at.y) || 1;
  const tag = { x: first.at.x * (1 + (text * 1.3) / out), y: first.at.y * (1 + (text * 1.3) / out) };
  return (
    <figure className={css['asItLies']}>
      <svg
        viewBox={`${-half} ${-half} ${2 * half} ${2 * half}`}
        role="img"
        aria-label={`${site.ref} as it lies on the board, pin ${first.pad} marked`}
      >
        <path
          className={css['part']}
          d={`M${corners.map((c) => `${c.x} ${c.y}`).join('L')}Z`}
          strokeWidth={text * 0.12}
        />
        {lands.map((l, i) => (
          <g key={l.pad} transform={`translate(${l.at.x} ${l.at.y}) rotate(${turn})`}>
            <rect
              className={i === 0 ? css['pinOne'] : css['land']}
              x={-l.w / 2}
              y={-l.h / 2}
              width={l.w}
              height={l.h}
              rx={l.round ? Math.min(l.w, l.h) / 2 : 0}
            />
          </g>
        ))}
        <text
          className={css['ref']}
          x={tag.x}
          y={tag.y + text * 0.35}
          fontSize={text * 1.3}
          textAnchor="middle"
        >
          {first.pad}
        </text>
      </svg>
      <figcaption>
        {site.ref} seen from the {site.side === 'top' ? 'top' : 'bottom'} of the board,{' '}
        {edgeWords(site, board)}. Pin {first.pad} is marked.
      </figcaption>
    </figure>
  );
}

/** Which edges of the board lie nearest, so that the picture can be held beside it. */
function edgeWords(
  { side, x_mm, y_mm }: AsItLiesProps['site'],
  { length_mm, width_mm }: AsItLiesProps['board'],
): string {
  const left = side === 'top' ? x_mm : length_mm - x_mm;
  const across =
    left <= length_mm / 2
      ? `${left.toFixed(0)} mm from its left edge`
      : `${(length_mm - left).toFixed(0)} mm from its right edge`;
  const along =
    y_mm <= width_mm / 2
      ? `${y_mm.toFixed(0)} mm from the lower`
      : `${(width_mm - y_mm).toFixed(0)} mm from the upper`;
  return `${across} and ${along}`;
}
