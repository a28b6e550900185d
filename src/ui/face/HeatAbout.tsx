import { landShapes } from '~/core/packages/form';
import { millimetres } from '~/core/quantity/convert';
import { partOf } from '~/schema/exchange/si/part';
import type { AnyPackageInput } from '~/schema/values/package';
import css from './face.module.css';

interface WarmedPart {
  readonly ref: string;
  readonly side: 'top' | 'bottom';
  readonly x_mm: number;
  readonly y_mm: number;
  readonly rotation_deg: number;
  readonly package?: AnyPackageInput | undefined;
}

interface HeatAboutProps {
  readonly site: WarmedPart;
  /** Those that the plan followed, with the hottest each gets. */
  readonly neighbours: readonly (WarmedPart & { readonly hottest_C: number; readonly ok: boolean })[];
}

/** Neighbours farther off than this are told, not drawn. */
const REACH_mm = 30;

/** The site and what lies about it, seen from the top: how hot each neighbour gets, and which get too hot. */
export function HeatAbout({ site, neighbours }: HeatAboutProps) {
  const near = neighbours.filter((n) => Math.hypot(n.x_mm - site.x_mm, n.y_mm - site.y_mm) < REACH_mm);
  if (near.length === 0) return null;
  const half = Math.max(
    12,
    ...near.map((n) => Math.max(Math.abs(n.x_mm - site.x_mm), Math.abs(n.y_mm - site.y_mm)) + 5),
  );
  const text = half * 0.085;
  return (
    <svg
      className={css['heatAbout']}
      viewBox={`${-half} ${-half} ${2 * half} ${2 * half}`}
      role="img"
      aria-label={`${site.ref} and its neighbours: ${near.map((n) => `${n.ref} ${Math.round(n.hottest_C)} °C${n.ok ? '' : ', too hot'}`).join('; ')}`}
    >
      <Body part={site} x={0} y={0} text={text} words={site.ref} look="worked" />
      {near.map((n) => (
        <Body
          key={n.ref}
          part={n}
          x={n.x_mm - site.x_mm}
          y={site.y_mm - n.y_mm}
          text={text}
          words={`${n.ok ? '' : '! '}${n.ref} ${Math.round(n.hottest_C)} °C`}
          look={n.ok ? (n.side === site.side ? 'warm' : 'behind') : 'hot'}
        />
      ))}
    </svg>
  );
}

function Body({
  part,
  x,
  y,
  text,
  words,
  look,
}: {
  part: WarmedPart;
  x: number;
  y: number;
  text: number;
  words: string;
  look: 'worked' | 'warm' | 'behind' | 'hot';
}) {
  const { body, ...rest } = partOf(part.package ?? { family: 'chip', code: '0603' });
  const lands = landShapes({ body, ...rest });
  const across = Math.max(
    millimetres(body.width_m),
    ...lands.map((l) => 2 * millimetres(Math.abs(l.y_m)) + millimetres(l.height_m)),
  );
  const [w, h] = [millimetres(body.length_m), millimetres(body.width_m)];
  return (
    <g transform={`translate(${x} ${y})`}>
      <rect
        className={css[look]}
        x={-w / 2}
        y={-h / 2}
        width={w}
        height={h}
        rx={body.shape === 'can' ? w / 2 : 0}
        strokeWidth={text * 0.16}
        transform={`rotate(${-part.rotation_deg})`}
      />
      <text className={css['ref']} y={-across / 2 - text * 0.4} fontSize={text} textAnchor="middle">
        {words}
      </text>
    </g>
  );
}
