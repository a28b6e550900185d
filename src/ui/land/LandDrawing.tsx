import { useId, useRef, type KeyboardEvent } from 'react';
import { landShapes } from '~/core/packages/form';
import { PAD_STATES, padStateOfLetter, type PadStateId } from '~/core/record/padStates';
import { millimetres } from '~/core/quantity/convert';
import { heaviestKind, type ConnectionRecord } from '~/schema/connection';
import { partOf, type AnyPackageInput } from '~/schema/package';
import { ConnectionArt, LandPatterns } from './ConnectionArt';
import { nextPad } from './walk';
import css from './land.module.css';

export interface PadMark {
  readonly name: string;
  readonly net: string;
  readonly connections: readonly ConnectionRecord[];
  readonly state: PadStateId;
  /** A line under the pad's number, such as its melt time. */
  readonly note?: string;
}

interface LandDrawingProps {
  readonly part: AnyPackageInput;
  readonly pads: readonly PadMark[];
  /** Seen from the face the iron works on, or from the part's. */
  readonly from: 'solder side' | 'part side';
  readonly selected: string | null;
  readonly onSelect: (pad: string) => void;
  /** Given: letters record findings on the selected pad. */
  readonly onState?: (pad: string, state: PadStateId) => void;
}

/**
 * The lands of one part to scale: pin one square, copper connection as art and hatching, state by
 * letter and shape. Arrow keys walk pads, digits pick one, letters record what was found.
 */
export function LandDrawing({ part, pads, from, selected, onSelect, onState }: LandDrawingProps) {
  const patternId = useId();
  const typed = useRef('');
  const geometry = partOf(part);
  const mirror = from === 'solder side' ? -1 : 1;
  const places = landShapes(geometry).map((land) => ({
    pad: land.pad,
    x: mirror * millimetres(land.x_m),
    // SVG counts downward.
    y: -millimetres(land.y_m),
    halfWidth: millimetres(land.width_m) / 2,
    halfHeight: millimetres(land.height_m) / 2,
    radius: millimetres(Math.min(land.width_m, land.height_m)) / 2,
    hole: land.hole_m === null ? null : millimetres(land.hole_m) / 2,
    lead: land.lead_m === null ? null : millimetres(land.lead_m) / 2,
    round: land.round,
  }));
  const body = {
    width: millimetres(geometry.body.length_m),
    height: millimetres(geometry.body.width_m),
    can: geometry.body.shape === 'can',
  };
  const pitch = nearestGap(places);
  const reach = {
    x: Math.max(body.width / 2, ...places.map((p) => Math.abs(p.x) + p.halfWidth)),
    y: Math.max(body.height / 2, ...places.map((p) => Math.abs(p.y) + p.halfHeight)),
  };
  // Fine pitch leaves no room for a number at every pad: the first, every tenth and the chosen one have
  // theirs, outside the pack.
  const fine = pitch < Math.max(reach.x / 9, reach.y / 6.5, 0.32) * 1.3;
  const margin = fine ? 0.2 * Math.max(reach.x, reach.y) : places[0]!.radius * 2.4;
  const halfWidth = reach.x + margin;
  const halfHeight = reach.y + margin * (fine ? 1 : 0.8);
  const unit = Math.max(halfWidth / (fine ? 12 : 9), halfHeight / (fine ? 12 : 6.5), 0.32);
  const crowded = places.length > 1 && pitch < unit * 8;

  const onKeyDown = (event: KeyboardEvent): void => {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    const moved = nextPad(places, selected, event.key);
    if (moved) {
      event.preventDefault();
      event.stopPropagation();
      onSelect(moved);
      return;
    }
    if (/^\d$/.test(event.key)) {
      typed.current = (typed.current + event.key).slice(-3);
      const hit = places.find((p) => p.pad === typed.current) ?? places.find((p) => p.pad === event.key);
      if (hit) {
        if (hit.pad === event.key) typed.current = event.key;
        event.preventDefault();
        event.stopPropagation();
        onSelect(hit.pad);
      }
      return;
    }
    const state = event.key.length === 1 ? padStateOfLetter(event.key) : null;
    if (state && onState && selected) {
      event.preventDefault();
      event.stopPropagation();
      onState(selected, state);
    }
  };

  return (
    <svg
      className={css['drawing']}
      viewBox={`${-halfWidth} ${-halfHeight - unit * 1.2} ${2 * halfWidth} ${2 * halfHeight + unit * 2.8}`}
      role="listbox"
      aria-label={`Lands seen from the ${from}. Arrow keys walk the pads${onState ? ', letters record a finding' : ''}.`}
      aria-activedescendant={selected ? `${patternId}-${selected}` : undefined}
      tabIndex={0}
      onKeyDown={onKeyDown}
    >
      <LandPatterns id={patternId} unit={unit} />
      {body.can ? (
        <circle className={css['body']} r={body.width / 2} strokeWidth={unit * 0.12} />
      ) : (
        <rect
          className={css['body']}
          x={-body.width / 2}
          y={-body.height / 2}
          width={body.width}
          height={body.height}
          strokeWidth={unit * 0.12}
        />
      )}
      {places.map((place, index) => {
        const mark = pads.find((p) => p.name === place.pad);
        if (!mark) return null;
        const state = PAD_STATES[mark.state];
        const isSelected = place.pad === selected;
        const outward = place.x === 0 ? 1 : Math.sign(place.x);
        return (
          <g
            key={place.pad}
            id={`${patternId}-${place.pad}`}
            role="option"
            aria-selected={isSelected}
            aria-label={`Pin ${place.pad}, ${mark.net || 'no net'}, ${heaviestKind(mark.connections)}, ${state.name}${mark.note ? `, ${mark.note}` : ''}`}
            className={css['pad']}
            onClick={() => onSelect(place.pad)}
          >
            <ConnectionArt
              id={patternId}
              connections={mark.connections}
              x={place.x}
              y={place.y}
              radius={place.radius}
              outward={outward}
            />
            {!place.round ? (
              <rect
                className={css['land']}
                x={place.x - place.halfWidth}
                y={place.y - place.halfHeight}
                width={2 * place.halfWidth}
                height={2 * place.halfHeight}
              />
            ) : (
              <circle className={css['land']} cx={place.x} cy={place.y} r={place.radius} />
            )}
            {place.hole !== null && (
              <circle className={css['hole']} cx={place.x} cy={place.y} r={place.hole} />
            )}
            {place.lead !== null && (
              <circle className={css['lead']} cx={place.x} cy={place.y} r={place.lead} />
            )}
            {fine && index === 0 && (
              <circle
                className={css['lead']}
                cx={place.x + (place.halfWidth + unit * 0.4) * Math.sign(-place.x || 1)}
                cy={place.y}
                r={unit * 0.3}
              />
            )}
            {isSelected && (
              <rect
                className={css['selected']}
                x={place.x - place.halfWidth - place.radius * 0.35}
                y={place.y - place.halfHeight - place.radius * 0.35}
                width={2 * place.halfWidth + place.radius * 0.7}
                height={2 * place.halfHeight + place.radius * 0.7}
                strokeWidth={unit * 0.18}
              />
            )}
            {(!fine || isSelected || index === 0 || (index + 1) % 10 === 0) && (
              <text
                className={css['number']}
                {...numberPlace(place, body, fine, unit)}
                fontSize={unit * (fine ? 0.95 : 1.15)}
              >
                {place.pad}
              </text>
            )}
            {mark.state !== 'sound' && (
              <StateBadge
                state={mark.state}
                x={place.x + place.halfWidth}
                y={place.y - place.halfHeight}
                size={unit * 1.25}
              />
            )}
            {mark.note && !fine && (
              <text
                className={css['noteText']}
                x={place.x}
                y={place.y + place.halfHeight + unit * (crowded && index % 2 === 1 ? 2.35 : 1.25)}
                fontSize={unit * 0.92}
                textAnchor="middle"
              >
                {mark.note}
              </text>
            )}
          </g>
        );
      })}
      <ScaleBar x={-halfWidth + unit * 0.6} y={halfHeight + unit * 0.9} unit={unit} />
      <text className={css['caption']} x={-halfWidth + unit * 0.6} y={-halfHeight} fontSize={unit * 0.85}>
        seen from the {from}
      </text>
    </svg>
  );
}

interface DrawnPlace {
  readonly x: number;
  readonly y: number;
  readonly halfWidth: number;
  readonly halfHeight: number;
}

/** Above the land; on a fine pitch outside the pack instead, where there is room. */
function numberPlace(
  place: DrawnPlace,
  body: { width: number; height: number },
  fine: boolean,
  unit: number,
): { x: number; y: number; textAnchor: 'start' | 'middle' | 'end' } {
  if (!fine) return { x: place.x, y: place.y - place.halfHeight - unit * 0.55, textAnchor: 'middle' };
  const beside = Math.abs(place.x) / body.width >= Math.abs(place.y) / body.height;
  if (beside) {
    const out = Math.sign(place.x);
    return {
      x: place.x + out * (place.halfWidth + unit * 0.3),
      y: place.y + unit * 0.32,
      textAnchor: out < 0 ? 'end' : 'start',
    };
  }
  const down = place.y > 0;
  return {
    x: place.x,
    y: place.y + (down ? place.halfHeight + unit : -place.halfHeight - unit * 0.3),
    textAnchor: 'middle',
  };
}

/** Smallest distance between two pads that follow each other. */
function nearestGap(places: readonly DrawnPlace[]): number {
  let least = Infinity;
  places.forEach((p, i) => {
    const next = places[i + 1];
    if (next) least = Math.min(least, Math.hypot(next.x - p.x, next.y - p.y));
  });
  return least;
}

/** Letter in its shape: round, square or diamond says the kind before the letter is read. */
export function StateBadge({ state, x, y, size }: { state: PadStateId; x: number; y: number; size: number }) {
  const { shape, letter, defect } = PAD_STATES[state];
  const half = size / 2;
  const className = defect ? css['badgeBad'] : css['badgeGood'];
  return (
    <g>
      {shape === 'round' && <circle className={className} cx={x} cy={y} r={half} />}
      {shape === 'square' && (
        <rect className={className} x={x - half} y={y - half} width={size} height={size} />
      )}
      {shape === 'diamond' && (
        <rect
          className={className}
          x={x - half}
          y={y - half}
          width={size}
          height={size}
          transform={`rotate(45 ${x} ${y})`}
        />
      )}
      <text
        className={css['badgeLetter']}
        x={x}
        y={y + size * 0.3}
        fontSize={size * 0.85}
        textAnchor="middle"
      >
        {letter}
      </text>
    </g>
  );
}

function ScaleBar({ x, y, unit }: { x: number; y: number; unit: number }) {
  const length = [1, 2, 5, 10, 20].find((mm) => mm >= unit * 2.4) ?? 20;
  return (
    <g className={css['scale']} strokeWidth={unit * 0.1}>
      <path
        d={`M${x} ${y - unit * 0.25}v${unit * 0.5}M${x} ${y}h${length}M${x + length} ${y - unit * 0.25}v${unit * 0.5}`}
      />
      <text
        className={css['caption']}
        x={x + length + unit * 0.35}
        y={y + unit * 0.28}
        fontSize={unit * 0.85}
      >
        {length} mm
      </text>
    </g>
  );
}
