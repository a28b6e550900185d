import { landShapes } from '~/core/packages/form';
import { onBoard } from '~/core/packages/placement';
import { millimetres, radians } from '~/core/quantity/convert';
import { turnOnto, type Polarity } from '~/core/packages/polarity';
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
    readonly polarity?: Polarity | null;
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
  const sign = site.polarity ? turnOnto({ part, nets: {} }, site.polarity).marked : null;
  const signed = sign && lands.find((l) => l.pad === sign.pad);
  const tag = { x: first.at.x * (1 + (text * 1.3) / out), y: first.at.y * (1 + (text * 1.3) / out) };
  return (
    <figure className={css['asItLies']}>
      <svg
        viewBox={`${-half} ${-half} ${2 * half} ${2 * half}`}
        role="img"
        aria-label={`${site.ref} as it lies on the board, pin ${first.pad} marked`}
      >
        {body.shape === 'can' ? (
          <circle className={css['part']} r={millimetres(halfX)} strokeWidth={text * 0.12} />
        ) : (
          <path
            className={css['part']}
            d={`M${corners.map((c) => `${c.x} ${c.y}`).join('L')}Z`}
            strokeWidth={text * 0.12}
          />
        )}
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
        {sign && signed && (
          <Sign
            at={signed.at}
            sign={sign.sign}
            half={half}
            text={text}
            reach={Math.min(body.length_m, body.width_m) * 500}
          />
        )}
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
        {edgeWords(site, board)}.{' '}
        {sign ? (
          <>
            <strong>
              The {sign.mark} ({sign.sign}) lies at pad {sign.pad}.
            </strong>{' '}
          </>
        ) : null}
        Pin {first.pad} is the square.
      </figcaption>
    </figure>
  );
}

/** The mark of the part where it has to lie: a broad stroke across that end of the body, with its sign outside. */
function Sign({
  at,
  sign,
  half,
  text,
  reach,
}: {
  at: { readonly x: number; readonly y: number };
  sign: string;
  half: number;
  text: number;
  reach: number;
}) {
  const out = Math.hypot(at.x, at.y) || 1;
  const [ux, uy] = [at.x / out, at.y / out];
  const edge = Math.min(half * 0.8, Math.max(reach, out) * 0.98);
  const wide = Math.min(reach, half * 0.5) * 0.55;
  const [cx, cy] = [ux * edge, uy * edge];
  return (
    <g>
      <line
        className={css['signMark']}
        x1={cx - uy * wide}
        y1={cy + ux * wide}
        x2={cx + uy * wide}
        y2={cy - ux * wide}
        strokeWidth={text * 0.5}
      />
      <text
        className={css['sign']}
        x={ux * (edge + text * 1.4)}
        y={uy * (edge + text * 1.4) + text * 0.6}
        fontSize={text * 2}
        textAnchor="middle"
      >
        {sign}
      </text>
    </g>
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
