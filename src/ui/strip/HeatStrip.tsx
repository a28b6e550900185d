import { budget, degrees } from '~/ui/figures';
import css from './strip.module.css';

export interface Exposure {
  readonly label: string;
  readonly dose: number;
  readonly peak_C: number;
  /** Of another pad: seen on the line, but none of its budget. */
  readonly beside?: boolean;
}

/**
 * The thermal life of one pad on one line: each exposure is as wide as the share of budget it spent
 * and as tall as its peak; what is left is white paper.
 */
export function HeatStrip({
  exposures,
  label,
  of,
  doubt,
}: {
  readonly exposures: readonly Exposure[];
  readonly label: string;
  /** Whose budget the line shows, where it shows more than one pad's heat. */
  readonly of?: string;
  /** Why nothing is promised of what is left. */
  readonly doubt?: string | undefined;
}) {
  // No heat is one line of words, not an empty picture.
  if (exposures.length === 0) return <p className={css['none']}>no heat recorded</p>;
  const spent = exposures.reduce((sum, e) => sum + (e.beside ? 0 : e.dose), 0);
  const scale = Math.max(1, spent);
  const starts = startsOf(exposures, scale);
  return (
    <figure className={css['strip']}>
      <svg
        viewBox="0 0 1000 40"
        preserveAspectRatio="none"
        role="img"
        aria-label={`${label}: ${budget(spent)} of the pad budget spent in ${exposures.length} exposures`}
      >
        <rect className={css['paper']} x="0" y="0" width={1000 / scale} height="40" />
        {exposures.map((exposure, i) => {
          const width = widthOf(exposure, scale);
          const height = Math.min(40, Math.max(6, ((exposure.peak_C - 20) / 380) * 40));
          const bar = (
            <rect
              key={i}
              className={exposure.beside ? css['beside'] : css['exposure']}
              x={starts[i]}
              y={40 - height}
              width={Math.max(3, width - 1.5)}
              height={height}
            >
              <title>{`${exposure.label}: peak ${degrees(exposure.peak_C)}, ${budget(exposure.dose)} of the budget`}</title>
            </rect>
          );
          return bar;
        })}
        {spent > 1 && <line className={css['limit']} x1={1000 / scale} x2={1000 / scale} y1="0" y2="40" />}
      </svg>
      <figcaption>
        {`${of ? `${of}: ` : ''}${budget(spent)} spent, ${doubt ?? (spent < 1 ? `${budget(1 - spent)} left` : 'nothing left')}`}
      </figcaption>
    </figure>
  );
}

/** Where each begins, one after another. */
function startsOf(exposures: readonly Exposure[], scale: number): number[] {
  let end = 0;
  return exposures.map((exposure) => {
    const start = end;
    end += widthOf(exposure, scale);
    return start;
  });
}

/** Never so thin that an exposure disappears. */
const widthOf = (exposure: Exposure, scale: number): number =>
  exposure.beside ? 6 : Math.max(4, (exposure.dose / scale) * 1000);
