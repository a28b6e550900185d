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
  /** Whether its reference finds room. */
  readonly labelled: boolean;
  /** Null while the part is ground like any other. */
  readonly onSelect: ((id: string) => void) | null;
  /** It can be chosen, so Tab or an arrow may come to it; left out, the part is a picture. */
  readonly stop?: 'tab' | 'arrow' | undefined;
}

/** One part on a face: its body, its lands, its reference with the letter of its worst state. Drawn anew only when it changes. */
export const SiteGlyph = memo(function SiteGlyph(props: SiteGlyphProps) {
  const { site, x, y, mirror, here, chosen, text, labelled, onSelect, stop } = props;
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
      {labelled && (
        <text className={css['ref']} y={-labelRise(site, text)} fontSize={text} textAnchor="middle">
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

/** How far above a part's middle its reference stands. */
export const labelRise = (site: FaceSite, text: number): number =>
  reach(partOf(site.package), site.rotation_deg) + text * 0.4;

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

/** How far a part's body and lands reach up the board from its middle, mm, however it is turned. */
function reach(part: PartPackage, rotation_deg: number): number {
  const turn = radians(rotation_deg);
  const [sin, cos] = [Math.abs(Math.sin(turn)), Math.abs(Math.cos(turn))];
  const body = millimetres(part.body.length_m * sin + part.body.width_m * cos) / 2;
  const pads = landShapes(part).map((l) =>
    millimetres(Math.abs(l.x_m) * sin + Math.abs(l.y_m) * cos + Math.max(l.width_m, l.height_m) / 2),
  );
  return Math.max(body, ...pads);
}
