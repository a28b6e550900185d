import type { PadSign } from '~/core/packages/polarity';
import type { DrawnPlace } from './layout';
import css from './land.module.css';

/** Signs of a part with two poles: its own at its lands, the board's print boxed past the pad. */
export function SignArt({
  signs,
  places,
  unit,
}: {
  readonly signs: readonly PadSign[];
  readonly places: readonly DrawnPlace[];
  readonly unit: number;
}) {
  return (
    <g className={css['signs']} aria-hidden="true">
      {signs.map(({ pad, of, sign, mark, doubtful }) => {
        const place = places.find((p) => p.pad === pad);
        if (!place) return null;
        const { x, y } = of === 'part' ? besideLand(place, unit) : beyondLand(place, unit);
        return (
          <g key={`${pad} ${of}`} data-of={of} data-doubtful={doubtful || undefined}>
            {of === 'board' && (
              <rect
                x={x - unit * 0.8}
                y={y - unit * 0.8}
                width={unit * 1.6}
                height={unit * 1.6}
                strokeWidth={unit * 0.1}
              />
            )}
            <text x={x} y={y + unit * 0.42} fontSize={unit * 1.3} textAnchor="middle">
              {sign}
            </text>
            {of === 'part' && mark && (
              <text
                className={css['caption']}
                x={x}
                y={y + unit * 1.5}
                fontSize={unit * 0.8}
                textAnchor="middle"
              >
                {mark}
              </text>
            )}
          </g>
        );
      })}
    </g>
  );
}

/** Below a land, where its number is not; beside it where the other land is below. */
const besideLand = ({ x, y, halfWidth, halfHeight, stacked }: DrawnPlace, unit: number): Spot =>
  stacked ? { x: x + halfWidth + unit * 1.2, y } : { x, y: y + halfHeight + unit };

/** Past a land, away from the part's middle. */
function beyondLand({ x, y }: DrawnPlace, unit: number): Spot {
  const far = Math.hypot(x, y) || 1;
  const share = 1 + (unit * 2.4) / far;
  return { x: x * share, y: y * share };
}

interface Spot {
  readonly x: number;
  readonly y: number;
}

/** The signs in words, for who hears the drawing. */
export const signsInWords = (signs: readonly PadSign[]): string =>
  signs
    .filter(({ of, mark }) => of === 'board' || mark)
    .map(({ of, pad, mark, doubtful }) =>
      of === 'part'
        ? `the part’s ${mark} goes to pad ${pad}`
        : `the board prints ${mark} at pad ${pad}${doubtful ? ', which is not to be believed alone' : ''}`,
    )
    .join('; ');
