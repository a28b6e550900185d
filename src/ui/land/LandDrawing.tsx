import { useId, useRef, type KeyboardEvent } from 'react';
import { lands } from '~/core/packages/throughHole';
import { PAD_STATES, padStateOfLetter, type PadStateId } from '~/core/record/padStates';
import { millimetres } from '~/core/quantity/convert';
import { heaviestKind, type ConnectionRecord } from '~/schema/connection';
import { packageOf, type PackageRecord } from '~/schema/package';
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
  readonly part: PackageRecord;
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
  const geometry = packageOf(part);
  const mirror = from === 'solder side' ? -1 : 1;
  const places = lands(geometry).map((land) => ({
    pad: land.pad,
    x: mirror * millimetres(land.x_m),
    // SVG counts downward.
    y: -millimetres(land.y_m),
    radius: millimetres(land.diameter_m) / 2,
    hole: millimetres(land.hole_m) / 2,
    square: land.square,
  }));
  const lead = millimetres(geometry.leadDiameter_m) / 2;
  const body = {
    width: millimetres(geometry.body.length_m),
    height: millimetres(geometry.body.width_m),
    can: geometry.body.shape === 'can',
  };
  const margin = places[0]!.radius * 2.4;
  const halfWidth = Math.max(body.width / 2, ...places.map((p) => Math.abs(p.x) + p.radius)) + margin;
  const halfHeight = Math.max(body.height / 2, ...places.map((p) => Math.abs(p.y) + p.radius)) + margin * 0.8;
  const crowded =
    geometry.pins > 1 && millimetres(geometry.pitch_m) < Math.max(halfWidth / 9, halfHeight / 6.5, 0.32) * 8;
  const unit = Math.max(halfWidth / 9, halfHeight / 6.5, 0.32);

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
            {place.square ? (
              <rect
                className={css['land']}
                x={place.x - place.radius}
                y={place.y - place.radius}
                width={2 * place.radius}
                height={2 * place.radius}
              />
            ) : (
              <circle className={css['land']} cx={place.x} cy={place.y} r={place.radius} />
            )}
            <circle className={css['hole']} cx={place.x} cy={place.y} r={place.hole} />
            <circle className={css['lead']} cx={place.x} cy={place.y} r={lead} />
            {isSelected && (
              <rect
                className={css['selected']}
                x={place.x - place.radius * 1.35}
                y={place.y - place.radius * 1.35}
                width={place.radius * 2.7}
                height={place.radius * 2.7}
                strokeWidth={unit * 0.18}
              />
            )}
            <text
              className={css['number']}
              x={place.x}
              y={place.y - place.radius - unit * 0.55}
              fontSize={unit * 1.15}
              textAnchor="middle"
            >
              {place.pad}
            </text>
            {mark.state !== 'sound' && (
              <StateBadge
                state={mark.state}
                x={place.x + place.radius}
                y={place.y - place.radius}
                size={unit * 1.25}
              />
            )}
            {mark.note && (
              <text
                className={css['noteText']}
                x={place.x}
                y={place.y + place.radius + unit * (crowded && index % 2 === 1 ? 2.35 : 1.25)}
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
