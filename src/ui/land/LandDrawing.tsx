import { useId, useMemo, useRef, type KeyboardEvent } from 'react';
import { signsOf, type Polarity } from '~/core/packages/polarity';
import { partOf } from '~/schema/exchange/si/part';
import { useSize } from '~/ui/useSize';
import type { AnyPackageInput } from '~/schema/values/package';
import { LandPatterns } from './ConnectionArt';
import { layoutOf, viewOf } from './layout';
import { PadArt, padInWords } from './PadArt';
import type { PadMark } from './padMark';
import { SignArt, signsInWords } from './SignArt';
import { ScaleBar } from './ScaleBar';
import { nextZoom, ZOOM_KEYS, ZoomKeys } from './ZoomKeys';
import { TypedNumber } from './typedNumber';
import { useBand } from './useBand';
import { useZoom } from './useZoom';
import { extended, nextPad, padsBetween } from './walk';
import { notesFit, within, wordPlaces } from './words';
import css from './land.module.css';

interface LandDrawingProps {
  readonly part: AnyPackageInput;
  readonly pads: readonly PadMark[];
  /** Seen from the face the iron works on, or from the part's. */
  readonly from: 'solder side' | 'part side';
  readonly selected: string | null;
  /** `settled` by a click or Enter; walking and typing a number only move the choice. */
  readonly onSelect: (pad: string, settled: boolean) => void;
  /** Another pad is being asked for: Enter settles on the chosen one. */
  readonly choosing?: boolean | undefined;
  /** Pads taken together with the selected one. */
  readonly run?: readonly string[];
  /** Given: pads are taken together by dragging over them, with Shift and an arrow, or Shift and a click. */
  readonly onRun?: (pads: readonly string[]) => void;
  /** Work is on the chosen pad now: fine pitch is looked at closely about it. */
  readonly atHand?: boolean | undefined;
  /** No part stands on the lands: its outline is a ghost, and this says so. */
  readonly empty?: string | undefined;
  /** Which way round a part with two poles goes on; null where that is not known, or it has none. */
  readonly polarity?: Polarity | null | undefined;
}

/**
 * The lands of one part to scale: pin one square, copper connection as art and hatching, state by
 * letter and shape. Arrow keys walk pads, digits pick one.
 */
export function LandDrawing({
  part,
  pads,
  from,
  selected,
  run = [],
  choosing,
  onSelect,
  onRun,
  atHand = false,
  empty,
  polarity,
}: LandDrawingProps) {
  const patternId = useId();
  const typed = useRef(new TypedNumber());
  const layout = useMemo(() => layoutOf(part, from), [part, from]);
  const { places, body, fine } = layout;
  const signs = useMemo(() => (polarity ? signsOf(partOf(part), polarity) : []), [part, polarity]);
  const drawn = useRef<SVGSVGElement>(null);
  const size = useSize(drawn);
  const [zoom, setZoom] = useZoom(layout, atHand, size);
  const view = viewOf(layout, zoom, selected, size);
  const { unit } = view;
  const roomy = layout.pitch > unit * 1.3;
  const crowded = places.length > 1 && layout.pitch < unit * 8;

  const noted = notesFit(
    pads.flatMap((p) => p.note ?? []),
    layout.pitch,
    { unit, crowded },
  );

  const names = places.map((p) => p.pad);
  const band = useBand(places, onRun);

  const onKeyDown = (event: KeyboardEvent): void => {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    const moved = nextPad(places, selected, event.key);
    if (moved) {
      typed.current.forget();
      event.preventDefault();
      event.stopPropagation();
      if (event.shiftKey && onRun && selected) onRun(extended(run, selected, moved));
      else onSelect(moved, false);
      return;
    }
    if (fine && ZOOM_KEYS[event.key] !== undefined) {
      event.preventDefault();
      event.stopPropagation();
      setZoom(nextZoom(zoom, ZOOM_KEYS[event.key]!));
      return;
    }
    if (/^\d$/.test(event.key)) {
      const hit = typed.current.digit(event.key, event.timeStamp, names);
      if (hit) {
        event.preventDefault();
        event.stopPropagation();
        onSelect(hit, false);
      }
      return;
    }
    typed.current.forget();
    if (event.key === 'Enter' && choosing && selected) {
      event.preventDefault();
      event.stopPropagation();
      onSelect(selected, true);
      return;
    }
  };

  return (
    <div className={css['frame']}>
      <svg
        ref={drawn}
        className={css['drawing']}
        viewBox={view.viewBox}
        role="listbox"
        aria-label={`Pads seen from the ${from}. Arrow keys walk the pads${fine ? ', plus and minus zoom' : ''}.${signs.length > 0 ? ` Polarity: ${signsInWords(signs)}.` : ''}`}
        aria-activedescendant={selected ? `${patternId}-${selected}` : undefined}
        tabIndex={0}
        onKeyDown={onKeyDown}
        {...band.handlers}
      >
        <LandPatterns id={patternId} unit={unit} />
        {body.can ? (
          <circle
            className={css['body']}
            data-empty={empty !== undefined || undefined}
            r={body.width / 2}
            strokeWidth={unit * 0.12}
          />
        ) : (
          <rect
            className={css['body']}
            data-empty={empty !== undefined || undefined}
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
          const isSelected = place.pad === selected;
          const words = wordPlaces(place, body, { fine, unit, odd: crowded && index % 2 === 1 });
          const note = words.note && mark.note ? within(words.note, mark.note, view) : words.note;
          return (
            <g
              key={place.pad}
              id={`${patternId}-${place.pad}`}
              role="option"
              aria-selected={isSelected}
              aria-label={padInWords(mark)}
              className={css['pad']}
              onClick={(event) => {
                if (band.moved()) return;
                if (event.shiftKey && onRun && selected) onRun(padsBetween(names, selected, place.pad));
                else onSelect(place.pad, true);
              }}
            >
              <PadArt
                patternId={patternId}
                place={place}
                mark={mark}
                words={{ ...words, note }}
                reach={layout.pitch / 2}
                unit={unit}
                fine={fine}
                first={index === 0}
                numbered={!fine || roomy || isSelected || index === 0 || (index + 1) % 10 === 0}
                noted={noted || isSelected}
                selected={isSelected}
                taken={!isSelected && run.includes(place.pad)}
              />
            </g>
          );
        })}
        {signs.length > 0 && <SignArt signs={signs} places={places} unit={unit} />}
        {band.box && <rect className={css['band']} {...band.box} strokeWidth={unit * 0.08} />}
        <ScaleBar x={view.x + unit * 0.6} y={view.y + view.height - unit * 0.7} unit={unit} />
        <text
          className={css['caption']}
          x={view.x + unit * 0.6}
          y={view.y + unit * 1.2}
          fontSize={unit * 0.85}
        >
          seen from the {from}
          {empty !== undefined && ` · ${empty}`}
        </text>
      </svg>
      {fine && <ZoomKeys layout={layout} view={view} zoom={zoom} onZoom={setZoom} />}
    </div>
  );
}
