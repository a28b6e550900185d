import { useState, type PointerEvent } from 'react';
import { Button } from '~/ui/controls/Button';
import { TextField } from '~/ui/controls/Field';
import { placesOf, placesText, snapped } from './pinPlaces';
import css from './intake.module.css';

interface PinPlacesProps {
  readonly text: string;
  readonly onText: (text: string) => void;
  readonly fault?: string | undefined;
}

/** Half of the picture's width where nothing reaches further. */
const LEAST_REACH_mm = 10;

/** Pins that stand anywhere: typed as places, or set one after another on a picture of the part's side. */
export function PinPlaces({ text, onText, fault }: PinPlacesProps) {
  const [open, setOpen] = useState(text !== '');
  const places = placesOf(text).filter((place) => place.every(Number.isFinite));
  const reach_mm = Math.ceil(
    Math.max(LEAST_REACH_mm, ...places.flatMap(([x, y]) => [Math.abs(x) + 3, Math.abs(y) + 3])),
  );
  const add = (event: PointerEvent<SVGSVGElement>): void => {
    const box = event.currentTarget.getBoundingClientRect();
    const scale = (2 * reach_mm) / box.width;
    const [x_mm, y_mm] = [
      (event.clientX - box.left) * scale - reach_mm,
      reach_mm - (event.clientY - box.top) * scale,
    ];
    onText(placesText([...places, snapped(x_mm, y_mm)]));
  };
  if (!open)
    return (
      <Button small onClick={() => setOpen(true)}>
        Its pins stand elsewhere
      </Button>
    );
  return (
    <div className={css['places']}>
      <TextField
        label="Places of its pins, mm: x y of each, seen from the part’s side"
        placeholder="0 0; 5 0; 2.5 -6.3"
        autoComplete="off"
        value={text}
        onChange={(event) => onText(event.target.value)}
        fault={fault}
        hint="From any one point, pin one first. Or click where each pin stands."
      />
      <svg
        viewBox={`${-reach_mm} ${-reach_mm} ${2 * reach_mm} ${2 * reach_mm}`}
        className={css['placing']}
        role="img"
        aria-label={`${places.length} pins placed, ${2 * reach_mm} mm across; places can be typed above`}
        onPointerDown={add}
      >
        {Array.from({ length: 2 * reach_mm + 1 }, (_, i) => i - reach_mm)
          .filter((at) => at % 5 === 0)
          .map((at) => (
            <path
              key={at}
              d={`M${at} ${-reach_mm}V${reach_mm}M${-reach_mm} ${at}H${reach_mm}`}
              className={css['gridLine']}
              data-axis={at === 0 || undefined}
            />
          ))}
        {places.map(([x_mm, y_mm], i) => (
          <g key={i} transform={`translate(${x_mm} ${-y_mm})`}>
            {i === 0 ? <rect x={-0.7} y={-0.7} width={1.4} height={1.4} /> : <circle r={0.7} />}
            <text y={-1.1} fontSize={reach_mm / 8}>
              {i + 1}
            </text>
          </g>
        ))}
      </svg>
      <div className={css['keep']}>
        <Button small disabled={places.length === 0} onClick={() => onText(placesText(places.slice(0, -1)))}>
          Take the last back
        </Button>
        <Button
          small
          look="plain"
          onClick={() => {
            onText('');
            setOpen(false);
          }}
        >
          In a row after all
        </Button>
      </div>
    </div>
  );
}
