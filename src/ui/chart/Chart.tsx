import { useEffect, useRef, useState } from 'react';
import type { Config, Data, Layout, PlotMouseEvent } from 'plotly.js-dist-min';
import { useThemeChange } from '~/ui/theme/useThemeChange';
import { styled } from '~/ui/styled';
import css from './chart.module.css';

type Plotly = typeof import('plotly.js-dist-min');

export interface ChartColours {
  readonly ink: string;
  readonly soft: string;
  readonly rule: string;
  readonly sheet: string;
  readonly go: string;
  readonly stop: string;
  readonly heat: string;
  readonly focus: string;
  readonly lines: readonly string[];
}

interface ChartProps {
  readonly label: string;
  readonly height: number;
  readonly build: (colours: ChartColours) => { data: Data[]; layout: Partial<Layout> };
  /** Something presses: the library, which takes a second to load, comes only once it is over, or takes too long. */
  readonly waits?: boolean;
  readonly onPoint?: (pointIndex: number, trace: number) => void;
}

const CONFIG: Partial<Config> = { displayModeBar: false, responsive: true };

/** What the library makes of its host once it has drawn there. */
interface PlotHost extends HTMLDivElement {
  on?: (name: 'plotly_click', heard: (event: PlotMouseEvent) => void) => void;
  removeAllListeners?: (name: 'plotly_click') => void;
}

/** Longer than this no chart waits. */
const PATIENCE_ms = 2000;

let loading: Promise<Plotly> | null = null;

/** A quantitative chart in the page's own colours; the library comes only when a chart is shown. */
export function Chart({ label, height, build, waits = false, onPoint }: ChartProps) {
  const host = useRef<PlotHost>(null);
  const [plotly, setPlotly] = useState<Plotly | null>(null);
  const [failed, setFailed] = useState(false);
  const theme = useThemeChange();
  const click = useRef(onPoint);
  click.current = onPoint;
  const drawing = useRef<Promise<void>>(Promise.resolve());

  useEffect(() => {
    if (plotly) return;
    const timer = setTimeout(
      () => {
        loading ??= import('plotly.js-cartesian-dist-min').then((m) => m.default);
        loading.then(setPlotly, () => setFailed(true));
      },
      waits && !loading ? PATIENCE_ms : 0,
    );
    return () => clearTimeout(timer);
  }, [plotly, waits]);

  useEffect(() => {
    const element = host.current;
    if (!plotly || !element) return;
    const colours = readColours();
    const { data, layout } = build(colours);
    // One drawing after the other: the library loses its footing where a second begins, or it is purged, within one.
    drawing.current = drawing.current.then(async () => {
      if (!element.isConnected) return;
      await plotly.react(element, data, themed(layout, colours, height), CONFIG);
      element.removeAllListeners?.('plotly_click');
      element.on?.('plotly_click', (event) => {
        const point = event.points[0];
        if (point) click.current?.(point.pointNumber, point.curveNumber);
      });
    });
  }, [plotly, build, height, theme]);

  useEffect(() => {
    const element = host.current;
    return () => {
      if (plotly && element) void drawing.current.then(() => plotly.purge(element));
    };
  }, [plotly]);

  return (
    <div className={css['chart']} ref={styled({ minHeight: `${height}px` })} role="img" aria-label={label}>
      {!plotly && (
        <p className="quiet">
          {failed ? 'The chart could not be loaded; the figures beside it stand.' : 'Drawing…'}
        </p>
      )}
      <div ref={host} />
    </div>
  );
}

function themed(layout: Partial<Layout>, colours: ChartColours, height: number): Partial<Layout> {
  const axis = {
    gridcolor: colours.rule,
    linecolor: colours.ink,
    zeroline: false,
    ticks: 'outside' as const,
    tickcolor: colours.ink,
    fixedrange: true,
    automargin: true,
  };
  return {
    ...layout,
    height,
    paper_bgcolor: 'rgba(0,0,0,0)',
    plot_bgcolor: 'rgba(0,0,0,0)',
    font: { family: 'IBM Plex Sans Condensed', size: 14, color: colours.ink },
    margin: { l: 52, r: 12, t: 10, b: 42, ...layout.margin },
    hoverlabel: {
      bgcolor: colours.ink,
      font: { color: colours.sheet, family: 'IBM Plex Mono', size: 13 },
      bordercolor: colours.ink,
    },
    xaxis: { ...axis, ...layout.xaxis },
    yaxis: { ...axis, ...layout.yaxis },
  };
}

function readColours(): ChartColours {
  const style = getComputedStyle(document.documentElement);
  const read = (name: string): string => style.getPropertyValue(name).trim();
  return {
    ink: read('--ink'),
    soft: read('--ink-soft'),
    rule: read('--rule'),
    sheet: read('--sheet'),
    go: read('--go'),
    stop: read('--stop'),
    heat: read('--heat'),
    focus: read('--focus'),
    lines: ['--line-1', '--line-2', '--line-3', '--line-4'].map(read),
  };
}
