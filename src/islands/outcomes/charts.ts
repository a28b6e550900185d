import type { Data, Layout, Shape } from 'plotly.js-dist-min';
import type { HeldView, RatesView, TimeView } from '~/schema/sheets/outcomesSheet';
import type { ChartColours } from '~/ui/chart/Chart';

interface Built {
  readonly data: Data[];
  readonly layout: Partial<Layout>;
}

/** Long names are cut on an axis; the table beside it has them whole. */
const MOST_LETTERS = 38;
const short = (name: string): string =>
  name.length > MOST_LETTERS ? `${name.slice(0, MOST_LETTERS - 1)}…` : name;

/** Each group's rate with its interval, as counted and drawn together, beside what is usual. */
export function ratesChart({ groups, usual }: RatesView, colours: ChartColours): Built {
  const shown = [...groups].reverse();
  const rate = (
    of: 'own' | 'pooled',
    name: string,
    colour: string,
    symbol: 'circle' | 'square-open',
    by: number,
  ): Data => ({
    type: 'scatter',
    mode: 'markers',
    name,
    x: shown.map((g) => 100 * g[of].share),
    y: shown.map((_, i) => i + by),
    error_x: {
      type: 'data',
      symmetric: false,
      array: shown.map((g) => 100 * (g[of].high - g[of].share)),
      arrayminus: shown.map((g) => 100 * (g[of].share - g[of].low)),
      color: colour,
      thickness: 2,
      width: 5,
    },
    marker: { color: colour, symbol, size: 11 },
    text: shown.map((g) => g.name),
    hovertemplate: `%{text}<br>%{x:.1f} in 100<extra>${name}</extra>`,
  });
  return {
    data: [
      rate('pooled', 'drawn together', colours.ink, 'circle', 0.13),
      rate('own', 'as counted', colours.soft, 'square-open', -0.13),
    ],
    layout: {
      margin: { l: 270, r: 16, t: 8, b: 44 },
      xaxis: { title: { text: 'in a hundred' }, rangemode: 'tozero' },
      yaxis: {
        tickvals: shown.map((_, i) => i),
        ticktext: shown.map((g) => short(g.name)),
        range: [-0.6, shown.length - 0.4],
      },
      shapes: [mark('x', 100 * usual, colours.soft, 'dot')],
      legend: { orientation: 'h', y: 1.08, x: 1, xanchor: 'right', yanchor: 'bottom' },
    },
  };
}

/** A line across at one value of an axis. */
const mark = (axis: 'x' | 'y', at: number, color: string, dash: 'dot' | 'dash'): Partial<Shape> => ({
  type: 'line',
  ...(axis === 'x'
    ? { x0: at, x1: at, yref: 'paper', y0: 0, y1: 1 }
    : { y0: at, y1: at, xref: 'paper', x0: 0, x1: 1 }),
  line: { color, width: 1.5, dash },
});

/** Shares by month about their centre, limits of each month's own size; what breaks a rule is a filled diamond. */
export function monthsChart({ points, signal }: TimeView, colours: ChartColours): Built {
  const months = points.map((p) => p.month);
  const limit = (name: string, of: 'low' | 'high'): Data => ({
    type: 'scatter',
    mode: 'lines',
    name,
    x: months,
    y: points.map((p) => (p.of > 0 ? 100 * p[of] : null)),
    line: { color: colours.stop, width: 1.5, dash: 'dash', shape: 'hvh' },
    hoverinfo: 'skip',
    showlegend: of === 'high',
  });
  return {
    data: [
      {
        type: 'scatter',
        mode: 'lines',
        name: 'usual for its work',
        x: months,
        y: points.map((p) => 100 * p.centre),
        line: { color: colours.soft, width: 1.5, dash: 'dot', shape: 'hvh' },
        hoverinfo: 'skip',
      },
      limit('three sigma', 'high'),
      limit('three sigma, below', 'low'),
      {
        type: 'scatter',
        mode: 'lines+markers',
        name: 'each month',
        x: months,
        y: points.map((p) => (p.of > 0 ? 100 * p.share : null)),
        line: { color: colours.ink, width: 2 },
        marker: {
          size: points.map((p) => (p.broken.length > 0 ? 15 : 9)),
          symbol: points.map((p) => (p.broken.length > 0 ? 'diamond' : 'circle-open')),
          color: points.map((p) => (p.broken.length > 0 ? colours.stop : colours.ink)),
        },
        text: points.map(
          (p) => `${p.bad} of ${p.of}${p.broken.length > 0 ? `<br>${p.broken.join('; ')}` : ''}`,
        ),
        hovertemplate: '%{x}: %{y:.1f} in 100<br>%{text}<extra></extra>',
      },
    ],
    layout: {
      xaxis: { type: 'category' },
      yaxis: { title: { text: 'in a hundred' }, rangemode: 'tozero' },
      shapes: signal ? [since(signal.beganWith.closedAt_ms, months, colours)] : [],
      legend: { orientation: 'h', y: 1.05, x: 1, xanchor: 'right', yanchor: 'bottom' },
    },
  };
}

/** From the month in which it began. */
function since(began_ms: number, months: readonly string[], colours: ChartColours): Partial<Shape> {
  const at = months.indexOf(new Date(began_ms).toISOString().slice(0, 7));
  return {
    type: 'rect',
    x0: at - 0.5,
    x1: months.length - 0.5,
    yref: 'paper',
    y0: 0,
    y1: 1,
    fillcolor: colours.stop,
    opacity: 0.1,
    line: { width: 0 },
    layer: 'below',
  };
}

/** The cumulative sum after each job, and the height at which it signals. */
export function sumsChart({ sums, interval }: TimeView, colours: ChartColours): Built {
  return {
    data: [
      {
        type: 'scatter',
        mode: 'lines',
        name: 'after each job',
        x: sums.map((s) => new Date(s.at_ms).toISOString()),
        y: sums.map((s) => s.sum),
        line: { color: colours.ink, width: 2, shape: 'hv' },
        hovertemplate: '%{x|%d %b %Y}: %{y:.1f}<extra></extra>',
      },
    ],
    layout: {
      yaxis: { title: { text: 'cumulative sum' }, rangemode: 'tozero' },
      shapes: interval === null ? [] : [mark('y', interval, colours.stop, 'dash')],
    },
  };
}

/** Share of what was foretold within its bands, by group, beside the four fifths that a band promises; a window promises no share. */
export function heldChart({ groups }: HeldView, promised: number | null, colours: ChartColours): Built {
  const shown = [...groups].reverse();
  const isShort = (g: (typeof shown)[number]): boolean => promised !== null && g.coverage.high < promised;
  return {
    data: [
      {
        type: 'scatter',
        mode: 'markers',
        name: 'within their bands',
        x: shown.map((g) => 100 * g.coverage.share),
        y: shown.map((_, i) => i),
        error_x: {
          type: 'data',
          symmetric: false,
          array: shown.map((g) => 100 * (g.coverage.high - g.coverage.share)),
          arrayminus: shown.map((g) => 100 * (g.coverage.share - g.coverage.low)),
          color: colours.ink,
          thickness: 2,
          width: 5,
        },
        marker: {
          size: 12,
          color: shown.map((g) => (isShort(g) ? colours.stop : colours.ink)),
          symbol: shown.map((g) => (isShort(g) ? 'diamond' : 'circle')),
        },
        text: shown.map((g) => g.name),
        hovertemplate: '%{text}<br>%{x:.0f} %<extra></extra>',
      },
    ],
    layout: {
      margin: { l: 270, r: 16, t: 8, b: 44 },
      xaxis: { title: { text: '% within the band' }, range: [0, 102] },
      yaxis: {
        tickvals: shown.map((_, i) => i),
        ticktext: shown.map((g) => short(g.name)),
        range: [-0.6, shown.length - 0.4],
      },
      shapes: promised === null ? [] : [mark('x', 100 * promised, colours.soft, 'dot')],
      showlegend: false,
    },
  };
}

/** Root causes, the most frequent first, with the share that those up to each make. */
export function paretoChart(
  lines: readonly { name: string; jobs: number; upTo: number }[],
  colours: ChartColours,
): Built {
  const names = lines.map((l) => l.name);
  return {
    data: [
      {
        type: 'bar',
        name: 'jobs',
        x: names,
        y: lines.map((l) => l.jobs),
        marker: { color: colours.soft },
        hovertemplate: '%{x}: %{y}<extra></extra>',
      },
      {
        type: 'scatter',
        mode: 'lines+markers',
        name: 'up to here, %',
        x: names,
        y: lines.map((l) => 100 * l.upTo),
        yaxis: 'y2',
        line: { color: colours.ink, width: 2 },
        hovertemplate: '%{y:.0f} %<extra></extra>',
      },
    ],
    layout: {
      margin: { l: 56, r: 56, t: 8, b: 96 },
      yaxis: { title: { text: 'jobs' }, rangemode: 'tozero' },
      yaxis2: {
        overlaying: 'y',
        side: 'right',
        range: [0, 105],
        tickvals: [0, 50, 100],
        title: { text: '%' },
        showgrid: false,
      },
      legend: { orientation: 'h', y: 1.05, x: 1, xanchor: 'right', yanchor: 'bottom' },
    },
  };
}
