import { memo, type KeyboardEvent } from 'react';
import { landShapes, type PartPackage } from '~/core/packages/form';
import { millimetres, radians } from '~/core/quantity/convert';
import { OCCUPANCIES, type OccupancyKind } from '~/core/record/occupancy';
import { PAD_STATES, type PadStateId } from '~/core/record/padStates';
import { partOf } from '~/schema/exchange/si/part';
import type { AnyPackageInput } from '~/schema/values/package';
import css from './face.module.css';

export interface FaceSite {
  readonly id: string;
  readonly ref: string;
  readonly side: 'top' | 'bottom';
  readonly x_mm: number;
  readonly y_mm: number;
  readonly rotation_deg: number;
  readonly package: AnyPackageInput;
  readonly worst: PadStateId;
  /** What stands there; left out: its part. */
  readonly occupancy?: OccupancyKind;
  /** Drawn as a ghost: there to be seen, not what the picture is about. */
  readonly faint?: boolean;
}

interface SiteGlyphProps {
  readonly site: FaceSite;
  /** Where the drawing has its middle. */
  readonly x: number;
  readonly y: number;
  readonly mirror: boolean;
  /** On the face that is shown, and not a ghost. */
  readonly here: boolean;
  readonly chosen: boolean;
  readonly text: number;
  /** Where the foot of its reference stands from its middle; left out where it finds no room. Two numbers, so that a memo holds. */
  readonly labelX?: number | undefined;
  readonly labelY?: number | undefined;
  /** Null while the part is ground like any other. */
  readonly onSelect: ((id: string) => void) | null;
  /** It can be chosen, so Tab or an arrow may come to it; left out, the part is a picture. */
  readonly stop?: 'tab' | 'arrow' | undefined;
}

/** One part on a face: its body, its lands, its reference with the letter of its worst state. Drawn anew only when it changes. */
export const SiteGlyph = memo(function SiteGlyph(props: SiteGlyphProps) {
  const { site, x, y, mirror, here, chosen, text, labelX, labelY, onSelect, stop } = props;
  const part = partOf(site.package);
  const turn = (mirror ? 1 : -1) * site.rotation_deg;
  const bodyLength = millimetres(part.body.length_m);
  const bodyWidth = millimetres(part.body.width_m);
  const flip = site.side === 'top' ? (mirror ? -1 : 1) : mirror ? 1 : -1;
  const worst = PAD_STATES[site.worst];
  const there = OCCUPANCIES[site.occupancy ?? 'fitted'];
  return (
    <g
      className={`${css['site']} ${here ? '' : css['ghost']} ${chosen ? css['chosen'] : ''}`}
      transform={`translate(${x} ${y})`}
      aria-label={`${labelOf(site)}, ${worst.name.toLowerCase()}, ${site.side} side, ${there.name}`}
      {...(stop
        ? {
            role: 'button',
            tabIndex: stop === 'tab' ? 0 : -1,
            'aria-pressed': chosen,
            'data-stop': true,
            onClick: () => onSelect?.(site.id),
            onKeyDown: (event: KeyboardEvent) => {
              // Enter on the chosen one is the screen's: it goes on with it.
              if (!onSelect || !(event.key === ' ' || (event.key === 'Enter' && !chosen))) return;
              event.preventDefault();
              event.stopPropagation();
              onSelect(site.id);
            },
          }
        : { role: 'img' })}
    >
      <g transform={`rotate(${turn}) scale(${flip} 1)`}>
        <Ring part={part} gap={text * 0.35} />
        {part.body.shape === 'can' ? (
          <circle
            className={css['part']}
            data-there={there.shape}
            r={bodyLength / 2}
            strokeWidth={text * 0.12}
          />
        ) : (
          <rect
            className={css['part']}
            data-there={there.shape}
            x={-bodyLength / 2}
            y={-bodyWidth / 2}
            width={bodyLength}
            height={bodyWidth}
            strokeWidth={text * 0.12}
          />
        )}
        <path className={css['land']} d={landPath(part)} />
      </g>
      {labelY !== undefined && (
        <text className={css['ref']} x={labelX} y={labelY} fontSize={text} textAnchor="middle">
          {labelOf(site)}
        </text>
      )}
    </g>
  );
});

/** Round the chosen or focused part, beside it and not on it: a line on a halo, so that it holds on any ground. */
function Ring({ part, gap }: { part: PartPackage; gap: number }) {
  const [length, width] = [part.body.length_m, part.body.width_m].map((m) => millimetres(m) + 2 * gap) as [
    number,
    number,
  ];
  return (
    <g className={css['ring']} aria-hidden="true">
      {(['halo', 'line'] as const).map((layer) =>
        part.body.shape === 'can' ? (
          <circle key={layer} className={css[layer]} r={length / 2} />
        ) : (
          <rect
            key={layer}
            className={css[layer]}
            x={-length / 2}
            y={-width / 2}
            width={length}
            height={width}
          />
        ),
      )}
    </g>
  );
}

/** A reference, with the letter of what is wrong. */
export const labelOf = (site: FaceSite): string =>
  [
    site.ref,
    OCCUPANCIES[site.occupancy ?? 'fitted'].mark,
    PAD_STATES[site.worst].defect ? PAD_STATES[site.worst].letter : '',
  ]
    .filter(Boolean)
    .join(' ');

/** All lands as one path: a pack of two hundred is one element of the picture. */
const landPath = (part: PartPackage): string =>
  landShapes(part)
    .map((land) => {
      const [w, h] = [millimetres(land.width_m), millimetres(land.height_m)];
      const [cx, cy] = [millimetres(land.x_m), -millimetres(land.y_m)];
      return land.round
        ? `M${cx - w / 2} ${cy}a${w / 2} ${w / 2} 0 1 0 ${w} 0a${w / 2} ${w / 2} 0 1 0 ${-w} 0z`
        : `M${cx - w / 2} ${cy - h / 2}h${w}v${h}h${-w}z`;
    })
    .join('');

/** How far a part's body and lands reach along and up the board from its middle, mm, however it is turned. */
export function halfReach_mm(site: FaceSite): readonly [along: number, up: number] {
  const part = partOf(site.package);
  const turn = radians(site.rotation_deg);
  const [sin, cos] = [Math.abs(Math.sin(turn)), Math.abs(Math.cos(turn))];
  const { length_m, width_m } = part.body;
  let [along_m, up_m] = [(length_m * cos + width_m * sin) / 2, (length_m * sin + width_m * cos) / 2];
  for (const land of landShapes(part)) {
    const [x_m, y_m, half_m] = [
      Math.abs(land.x_m),
      Math.abs(land.y_m),
      Math.max(land.width_m, land.height_m) / 2,
    ];
    along_m = Math.max(along_m, x_m * cos + y_m * sin + half_m);
    up_m = Math.max(up_m, x_m * sin + y_m * cos + half_m);
  }
  return [millimetres(along_m), millimetres(up_m)];
}
