import { extent, ticks } from 'd3-array';
import { scaleLinear } from 'd3-scale';
import type { ThermalProfile } from '~/schema/values/thermalProfile';
import css from './live.module.css';

const [WIDTH, HEIGHT] = [860, 220];
const EDGE = { left: 52, right: 12, top: 26, bottom: 26 };
const DASHES = ['', '8 4', '2 3', '10 3 2 3'] as const;
/** More points than this are no finer on paper. */
const MOST_POINTS = 800;

interface LogPictureProps {
  readonly profile: ThermalProfile;
  /** Where the site's solder begins to melt, °C. */
  readonly solidus_C: number;
  /** When a melt was expected, by the clock of the log; null where none was. */
  readonly expected_s: readonly [number, number] | null;
}

/** A thermal log as it is printed: its channels over time, the melt that was planned, and what was logged by hand. */
export function LogPicture({ profile, solidus_C, expected_s }: LogPictureProps) {
  const { channels, elapsed_s, values, marks, title } = profile;
  const all = channels.flatMap(({ id }) => values[id]!.filter((v): v is number => v !== null));
  const [low, high] = extent([...all, 20, solidus_C + 20]) as [number, number];
  const x = scaleLinear([elapsed_s[0] ?? 0, elapsed_s.at(-1) ?? 1], [EDGE.left, WIDTH - EDGE.right]);
  const y = scaleLinear([low - 5, high + 5], [HEIGHT - EDGE.bottom, EDGE.top]);
  const [from_s, to_s] = x.domain() as [number, number];
  const step = Math.max(1, Math.ceil(elapsed_s.length / MOST_POINTS));
  return (
    <svg
      className={css['log']}
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      role="img"
      aria-label={`${title || 'Thermal log'}: ${channels.map((c) => `${c.name} up to ${peakOf(values[c.id]!)}`).join(', ')}`}
    >
      {expected_s && (
        <rect
          className={css['planned']}
          x={x(expected_s[0])}
          y={EDGE.top}
          width={Math.max(2, x(expected_s[1]) - x(expected_s[0]))}
          height={HEIGHT - EDGE.top - EDGE.bottom}
        >
          <title>melt as planned</title>
        </rect>
      )}
      {ticks(low, high, 4).map((t) => (
        <g key={`y${t}`}>
          <line className={css['grid']} x1={EDGE.left} x2={WIDTH - EDGE.right} y1={y(t)} y2={y(t)} />
          <text x={EDGE.left - 6} y={y(t) + 4} textAnchor="end">
            {t} °C
          </text>
        </g>
      ))}
      {ticks(from_s, to_s, 8).map((t) => (
        <text key={`x${t}`} x={x(t)} y={HEIGHT - 8} textAnchor="middle">
          {t} s
        </text>
      ))}
      <line
        className={css['solidus']}
        x1={EDGE.left}
        x2={WIDTH - EDGE.right}
        y1={y(solidus_C)}
        y2={y(solidus_C)}
      >
        <title>{`solder melts from ${solidus_C.toFixed(0)} °C`}</title>
      </line>
      {channels.map((channel, c) => (
        <polyline
          key={channel.id}
          className={css['channel']}
          strokeDasharray={DASHES[c % DASHES.length]}
          points={pointsOf(elapsed_s, values[channel.id]!, step, x, y)}
        />
      ))}
      {marks.map(({ at_s, what }, i) => (
        <g key={`${what} ${at_s}`}>
          <line className={css['mark']} x1={x(at_s)} x2={x(at_s)} y1={EDGE.top} y2={HEIGHT - EDGE.bottom} />
          {/* In two rows: what comes at one moment is still read. */}
          <text x={x(at_s) + 3} y={11 + 11 * (i % 2)}>
            {what}
          </text>
        </g>
      ))}
    </svg>
  );
}

const peakOf = (values: readonly (number | null)[]): string => {
  const peak = values.reduce<number | null>((a, v) => (v !== null && (a === null || v > a) ? v : a), null);
  return peak === null ? 'no reading' : `${peak.toFixed(0)} °C`;
};

/** A gap is drawn through: what is missing is told by the log itself. */
function pointsOf(
  time_s: readonly number[],
  values: readonly (number | null)[],
  step: number,
  x: (t: number) => number,
  y: (v: number) => number,
): string {
  const points: string[] = [];
  for (let i = 0; i < time_s.length; i += step) {
    const value = values[i];
    if (value != null) points.push(`${x(time_s[i]!).toFixed(1)},${y(value).toFixed(1)}`);
  }
  return points.join(' ');
}
