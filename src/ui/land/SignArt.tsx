import type { PadSign } from '~/core/packages/polarity';
import type { DrawnPlace } from './layout';
import css from './land.module.css';

/** Signs of a part with two poles: its own inside its outline, the board's print boxed beside the pad. */
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
        const far = Math.hypot(place.x, place.y) || 1;
        const [dx, dy] = [place.x / far, place.y / far];
        // The part's own towards its middle, the board's print the other way.
        const away = (of === 'part' ? -1 : 1) * unit * (of === 'part' ? 2 : 2.4);
        const [x, y] = [place.x + dx * away, place.y + dy * away];
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
                y={y + unit * 1.7}
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
