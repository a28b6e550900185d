import { useEffect, useRef } from 'react';
import uPlot from 'uplot';
import 'uplot/dist/uPlot.min.css';
import { useThemeChange } from '~/ui/theme/useThemeChange';
import type { LiveSeries } from './liveSeries';
import css from './live.module.css';

/** One line of the strip: which readings, in which of the sheet's own colours, drawn how. */
interface StripLine {
  readonly label: string;
  readonly series: LiveSeries;
  /** A custom property of the theme. */
  readonly colour: string;
  readonly dash?: readonly number[];
}

/** A level that is drawn across: a solidus, a limit. */
interface StripLevel {
  readonly label: string;
  readonly value: number;
}

/** Between what and what a reading is expected, by the server's time; null where nothing is. */
export interface StripBand {
  readonly label: string;
  readonly low: (at_ms: number) => number | null;
  readonly high: (at_ms: number) => number | null;
}

interface StripChartProps {
  readonly label: string;
  readonly lines: readonly StripLine[];
  readonly levels: readonly StripLevel[];
  readonly band?: StripBand | null;
  /** So long is seen. */
  readonly window_s: number;
  readonly height: number;
  /** The present by the server's clock. */
  readonly now_ms: () => number;
}

/** Drawn anew so often at most, whatever comes in: a hand and an eye follow ten a second. */
const EVERY_ms = 100;

/** Temperatures as they come, over the last seconds; drawn straight onto a canvas, without React. */
export function StripChart({ label, lines, levels, band = null, window_s, height, now_ms }: StripChartProps) {
  const host = useRef<HTMLDivElement>(null);
  const theme = useThemeChange();
  const newest = useRef({ lines, levels, band, now_ms });
  newest.current = { lines, levels, band, now_ms };
  const shape = lines.map((l) => `${l.label} ${l.colour}`).join('|') + levels.map((l) => l.label).join('|');

  useEffect(() => {
    const at = host.current!;
    const colour = (name: string): string => getComputedStyle(at).getPropertyValue(name).trim();
    const [ink, rule] = [colour('--ink-soft'), colour('--rule')];
    const axis = {
      stroke: ink,
      grid: { stroke: rule, width: 1 },
      ticks: { stroke: rule },
      font: '13px sans-serif',
    };
    const bandFrom = 1 + newest.current.lines.length + newest.current.levels.length;
    const plot = new uPlot(
      {
        width: at.clientWidth,
        height,
        cursor: { show: false },
        legend: { show: false },
        scales: {
          x: { time: false, range: () => [-window_s, 0] },
          y: {
            range: (_, low, high) => {
              // Where nothing was read yet there is neither.
              const read = [low, high].filter((v) => Number.isFinite(v));
              const all = [...read, 20, ...newest.current.levels.map((l) => l.value)];
              return [Math.max(0, Math.min(...all) - 10), Math.max(...all) + 15];
            },
          },
        },
        axes: [
          { ...axis, values: (_, ticks) => ticks.map((t) => `${t} s`) },
          { ...axis, size: 56, space: 26, values: (_, ticks) => ticks.map((t) => `${t} °C`) },
        ],
        series: [
          {},
          ...newest.current.lines.map((line) => ({
            label: line.label,
            stroke: colour(line.colour),
            width: 2.5,
            dash: line.dash ? [...line.dash] : [],
            points: { show: false },
            spanGaps: false,
          })),
          ...newest.current.levels.map((level) => ({
            label: level.label,
            stroke: ink,
            width: 1.5,
            dash: [3, 4],
            points: { show: false },
          })),
          ...['low', 'high'].map((edge) => ({
            label: edge,
            stroke: colour('--rule'),
            width: 1,
            points: { show: false },
            spanGaps: false,
          })),
        ],
        bands: [
          {
            series: [bandFrom + 1, bandFrom],
            fill: colour('--wait-wash'),
          },
        ],
      },
      [[]] as unknown as uPlot.AlignedData,
      at,
    );
    let asked = 0;
    let drawn_ms = 0;
    const draw = (time_ms: number): void => {
      asked = requestAnimationFrame(draw);
      if (document.hidden || time_ms - drawn_ms < EVERY_ms) return;
      drawn_ms = time_ms;
      plot.setData(dataOf(newest.current, window_s));
    };
    asked = requestAnimationFrame(draw);
    const watched = new ResizeObserver(() => plot.setSize({ width: at.clientWidth, height }));
    watched.observe(at);
    return () => {
      cancelAnimationFrame(asked);
      watched.disconnect();
      plot.destroy();
    };
  }, [shape, theme, window_s, height]);

  return <div ref={host} className={css['strip']} role="img" aria-label={label} />;
}

/** All lines on one axis of seconds before now; a line that has no reading at another's time has a hole there. */
function dataOf(
  { lines, levels, band, now_ms }: Pick<StripChartProps, 'lines' | 'levels' | 'band' | 'now_ms'>,
  window_s: number,
): uPlot.AlignedData {
  const now = now_ms();
  const views = lines.map(({ series }) => series.since(now - window_s * 1000));
  const tables = views.map(({ at_ms, value }): uPlot.AlignedData => [
    Array.from(at_ms, (t) => (t - now) / 1000),
    Array.from(value, (v) => (Number.isNaN(v) ? null : v)),
  ]);
  const joined =
    tables.length > 0
      ? uPlot.join(
          tables,
          tables.map(() => [1, 2]),
        )
      : ([[]] as uPlot.AlignedData);
  const times = joined[0].length > 0 ? joined[0] : [-window_s, 0];
  const rows = joined[0].length > 0 ? joined.slice(1) : lines.map(() => [null, null]);
  const edge = (of: 'low' | 'high') => Array.from(times, (t) => band?.[of](now + 1000 * t) ?? null);
  return [
    times,
    ...rows,
    ...levels.map(({ value }) => Array.from(times, () => value)),
    edge('low'),
    edge('high'),
  ] as uPlot.AlignedData;
}
