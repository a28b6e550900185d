import { ticks } from 'd3-array';
import { scaleLinear } from 'd3-scale';
import { useId } from 'react';
import { seconds, secondsRange } from '~/ui/figures';
import { styled } from '~/ui/styled';
import css from './dwell.module.css';

export interface DwellTimes {
  readonly p10_s: number | null;
  readonly p50_s: number | null;
  readonly p90_s: number | null;
  readonly liftFrom_s: number | null;
  readonly stop_s: number;
  /** How long a molten pin may be held. */
  readonly hold_s: number;
}

interface DwellWindowProps {
  readonly times: DwellTimes;
  /** Axis end, so that several pins share one scale. */
  readonly end_s: number;
  /** Needle of a dwell under way or logged, s. */
  readonly now_s?: number | null;
  readonly melted_s?: number | null;
  readonly label: string;
  readonly large?: boolean;
}

const WIDTH = 1000;

/**
 * Not yet · window · stop on one bar, whose width is the time up to the stop: past it there is nothing to tell. The window
 * is darkest where the melt is all but sure and pales towards the stop: sooner is better. Between the window and the stop lies what is only for a pin that
 * has not melted yet: a molten one should have been off. The melt's 10–90 % band leans from one into the other, so the
 * edge between "not yet" and "window" is as soft as it is in truth.
 */
export function DwellWindow({
  times,
  end_s,
  now_s = null,
  melted_s = null,
  label,
  large = false,
}: DwellWindowProps) {
  const id = useId();
  const height = large ? 96 : 58;
  const barTop = large ? 30 : 18;
  const barHeight = large ? 40 : 24;
  const at = scaleLinear([0, end_s], [0, WIDTH]).clamp(true);
  const { p10_s, p50_s, p90_s, stop_s, liftFrom_s } = times;
  const inReach = p10_s !== null && p10_s < stop_s;
  const from = inReach ? at(p10_s) : at(stop_s);
  const full = p90_s === null ? at(stop_s) : Math.min(at(p90_s), at(stop_s));
  const close = Math.max(full, p90_s === null ? at(stop_s) : Math.min(at(p90_s + times.hold_s), at(stop_s)));
  const text = large ? '20px' : '13px';
  return (
    <figure className={css['figure']}>
      <svg
        viewBox={`0 0 ${WIDTH} ${height}`}
        role="img"
        aria-label={`${label}: melt expected ${secondsRange(p10_s, p90_s)}, move it from ${seconds(liftFrom_s)}, stop at ${seconds(stop_s)}`}
        className={css['bar']}
        ref={styled({ height: `${height}px` })}
        preserveAspectRatio="none"
      >
        <defs>
          <linearGradient id={`${id}-melt`} x1="0" x2="1">
            <stop offset="0" className={css['meltFrom']} />
            <stop offset="1" className={css['meltTo']} />
          </linearGradient>
          <linearGradient id={`${id}-window`} x1="0" x2="1">
            <stop offset="0" className={css['meltTo']} />
            <stop offset="1" className={css['windowTo']} />
          </linearGradient>
          <pattern
            id={`${id}-wait`}
            width="9"
            height="9"
            patternUnits="userSpaceOnUse"
            patternTransform="rotate(45)"
          >
            <rect width="9" height="9" className={css['waitGround']} />
            <line x1="0" y1="0" x2="0" y2="9" className={css['waitLine']} />
          </pattern>
          <pattern id={`${id}-late`} width="12" height="12" patternUnits="userSpaceOnUse">
            <rect width="12" height="12" className={css['lateGround']} />
            <circle cx="6" cy="6" r="1.8" className={css['lateDot']} />
          </pattern>
          <pattern id={`${id}-stop`} width="11" height="11" patternUnits="userSpaceOnUse">
            <rect width="11" height="11" className={css['stopGround']} />
            <path d="M0 0L11 11M11 0L0 11" className={css['stopLine']} />
          </pattern>
        </defs>
        <rect x="0" y={barTop} width={from} height={barHeight} fill={`url(#${id}-wait)`} />
        {inReach && (
          <rect
            x={from}
            y={barTop}
            width={Math.max(0, full - from)}
            height={barHeight}
            fill={`url(#${id}-melt)`}
          />
        )}
        {inReach && full < close && (
          <rect x={full} y={barTop} width={close - full} height={barHeight} fill={`url(#${id}-window)`} />
        )}
        {inReach && close < at(stop_s) && (
          <rect
            x={close}
            y={barTop}
            width={at(stop_s) - close}
            height={barHeight}
            fill={`url(#${id}-late)`}
          />
        )}
        <rect
          x={at(stop_s)}
          y={barTop}
          width={WIDTH - at(stop_s)}
          height={barHeight}
          fill={`url(#${id}-stop)`}
        />
        {inReach && p50_s !== null && p50_s < stop_s && (
          <line x1={at(p50_s)} x2={at(p50_s)} y1={barTop} y2={barTop + barHeight} className={css['median']} />
        )}
        <line
          x1={at(stop_s)}
          x2={at(stop_s)}
          y1={barTop - 8}
          y2={barTop + barHeight + 4}
          className={css['stopEdge']}
        />
        {melted_s !== null && (
          <path d={`M${at(melted_s) - 9} ${barTop - 14}h18l-9 14z`} className={css['meltMark']} />
        )}
        {now_s !== null && (
          <rect
            x={at(now_s) - 3}
            y={barTop - 12}
            width="6"
            height={barHeight + 24}
            className={css['needle']}
          />
        )}
      </svg>
      <div className={css['scale']} aria-hidden="true" ref={styled({ fontSize: text })}>
        {timesAlong(end_s).map((t) => (
          <span key={t} ref={styled({ left: `${(t / end_s) * 100}%` })}>
            {t}
          </span>
        ))}
        <span className={css['unit']}>s</span>
      </div>
      <div className={css['words']} aria-hidden="true" ref={styled({ fontSize: text })}>
        {from > 140 && from < WIDTH - 160 && <span className={css['firstWord']}>not yet</span>}
        {inReach && close - from > 140 && (from + close) / 2 < at(stop_s) - 170 && (
          <span
            className={css['windowWord']}
            ref={styled({ left: `${((from + close) / 2 / WIDTH) * 100}%` })}
          >
            window
          </span>
        )}
        <span className={css['stopWord']} ref={styled({ right: `${100 - (at(stop_s) / WIDTH) * 100}%` })}>
          stop {seconds(stop_s)}
        </span>
      </div>
    </figure>
  );
}

/** Round times along the axis, about nine of them; the unit stands at its end, and no figure under it. */
const timesAlong = (end_s: number): number[] => ticks(0, end_s, 9).filter((t) => t <= 0.95 * end_s);

/** No axis is shorter than a hand can follow. */
const LEAST_AXIS_s = 2;
/** A little past the latest stop, so that what is forbidden is seen to be. */
const PAST_STOP = 1.06;

/** One axis for several pins: a little past the latest stop. */
export const sharedEnd_s = (all: readonly Pick<DwellTimes, 'stop_s'>[]): number =>
  Math.max(LEAST_AXIS_s, ...all.map((t) => t.stop_s)) * PAST_STOP;
