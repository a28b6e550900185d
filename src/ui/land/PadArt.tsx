import { PAD_STATES } from '~/core/record/padStates';
import { heaviestKind } from '~/schema/values/connectionKind';
import { ConnectionArt } from './ConnectionArt';
import type { DrawnPlace } from './layout';
import { LateShade, OrderNumber } from './OrderMark';
import type { PadMark } from './padMark';
import { StateBadge } from './StateBadge';
import { NOTE_SIZE, type WordPlaces } from './words';
import css from './land.module.css';

interface PadArtProps {
  readonly patternId: string;
  readonly place: DrawnPlace;
  readonly mark: PadMark;
  readonly words: WordPlaces;
  /** Half the way to the next pad: what is clicked there still means this one. */
  readonly reach: number;
  readonly unit: number;
  readonly fine: boolean;
  readonly first: boolean;
  readonly numbered: boolean;
  readonly noted: boolean;
  readonly selected: boolean;
  /** Taken together with the selected one. */
  readonly taken: boolean;
}

/** One land with its copper, hole and lead, and what is known of it. */
export function PadArt({
  patternId,
  place,
  mark,
  words,
  reach,
  unit,
  fine,
  first,
  numbered,
  noted,
  selected,
  taken,
}: PadArtProps) {
  const { x, y, radius, halfWidth } = place;
  const beyond = Math.min(unit * 0.8, Math.max(0, reach - radius) * 0.9);
  return (
    <>
      {/* Between land, number and mark nothing is missed. */}
      <rect
        className={css['hit']}
        {...(fine && mark.state !== 'sound'
          ? outTo(boxAbout(place, beyond), words.badge, unit)
          : boxAbout(place, beyond))}
      />
      <ConnectionArt
        id={patternId}
        connections={mark.connections}
        x={x}
        y={y}
        radius={radius}
        outward={x === 0 ? 1 : Math.sign(x)}
      />
      {place.round ? (
        <circle className={css['land']} cx={x} cy={y} r={radius} />
      ) : (
        <rect className={css['land']} {...boxAbout(place, 0)} />
      )}
      {mark.order && <LateShade {...mark.order} place={place} strong={fine} />}
      {place.hole !== null && <circle className={css['hole']} cx={x} cy={y} r={place.hole} />}
      {place.lead !== null && <circle className={css['lead']} cx={x} cy={y} r={place.lead} />}
      {fine && first && (
        <circle
          className={css['lead']}
          cx={x + (halfWidth + unit * 0.4) * Math.sign(-x || 1)}
          cy={y}
          r={unit * 0.3}
        />
      )}
      {taken && <rect className={css['taken']} {...boxAbout(place, radius * 0.3)} />}
      {selected && (
        <rect className={css['selected']} {...boxAbout(place, radius * 0.35)} strokeWidth={unit * 0.18} />
      )}
      {numbered && (
        <text className={css['number']} {...words.number} fontSize={unit * (fine ? 0.95 : 1.15)}>
          {place.pad}
        </text>
      )}
      {mark.order && !fine && (
        <OrderNumber rank={mark.order.rank} x={words.order.x} y={words.order.y} size={unit} />
      )}
      {mark.state !== 'sound' && (
        <StateBadge state={mark.state} x={words.badge.x} y={words.badge.y} size={unit * 1.25} />
      )}
      {mark.note && words.note && noted && (
        <text className={css['noteText']} {...words.note} fontSize={unit * NOTE_SIZE}>
          {mark.note}
        </text>
      )}
    </>
  );
}

/** A land as it is read aloud. */
export function padInWords(mark: PadMark): string {
  const said = [
    `Pin ${mark.name}`,
    mark.net || 'no net',
    heaviestKind(mark.connections),
    PAD_STATES[mark.state].name,
    ...(mark.note ? [mark.note] : []),
    ...(mark.order ? [`melts ${mark.order.rank} of ${mark.order.of}`] : []),
  ];
  return said.join(', ');
}

/** A box drawn out to where a pad's mark stands, no wider across: a press on the mark is one on its own pad. */
function outTo(box: Box, at: { readonly x: number; readonly y: number }, unit: number): Box {
  const sideways = at.x < box.x || at.x > box.x + box.width;
  const [from, to] = sideways
    ? [Math.min(box.x, at.x - 0.65 * unit), Math.max(box.x + box.width, at.x + 0.65 * unit)]
    : [Math.min(box.y, at.y - 0.65 * unit), Math.max(box.y + box.height, at.y + 0.65 * unit)];
  return sideways ? { ...box, x: from, width: to - from } : { ...box, y: from, height: to - from };
}

interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

const boxAbout = ({ x, y, halfWidth, halfHeight }: DrawnPlace, by: number) => ({
  x: x - halfWidth - by,
  y: y - halfHeight - by,
  width: 2 * (halfWidth + by),
  height: 2 * (halfHeight + by),
});
