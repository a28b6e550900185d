import { scaleLog } from 'd3-scale';
import type { Data, Layout, Shape } from 'plotly.js-dist-min';
import type { OptionAnswer, PinAnswer } from '~/schema/exchange/plan/planAnswer';
import type { CurveAnswer } from '~/workers/protocol';
import type { ChartColours } from '~/ui/chart/Chart';
import { tipInWords } from '~/schema/words/settingWords';
import { budget } from '~/ui/figures';

/** Tip, land and coldest solder of one pin against time, with the alloy's range and the pin's window. */
export function curveChart(
  curve: CurveAnswer,
  pin: PinAnswer | undefined,
  melting: { solidus_C: number; liquidus_C: number },
  colours: ChartColours,
): { data: Data[]; layout: Partial<Layout> } {
  const end_s = Math.min(curve.time_s.at(-1)!, Math.max(3, (pin?.stop_s ?? 8) * 1.1));
  const trace = (
    name: string,
    values: readonly number[],
    line: { color: string; dash?: 'dot' | 'dash'; width?: number },
  ): Data => ({
    type: 'scatter',
    mode: 'lines',
    name,
    x: [...curve.time_s],
    y: [...values],
    line: { width: 2.5, ...line },
    hovertemplate: `%{x:.2f} s  %{y:.0f} °C<extra>${name}</extra>`,
  });
  const shapes: Partial<Shape>[] = [
    {
      type: 'rect',
      xref: 'paper',
      x0: 0,
      x1: 1,
      y0: melting.solidus_C,
      y1: Math.max(melting.liquidus_C, melting.solidus_C + 1.5),
      fillcolor: colours.heat,
      opacity: 0.35,
      line: { width: 0 },
      layer: 'below',
    },
  ];
  if (pin?.melt_s.p10 != null) {
    shapes.push({
      type: 'rect',
      yref: 'paper',
      y0: 0,
      y1: 1,
      x0: pin.melt_s.p10,
      x1: pin.melt_s.p90 ?? pin.stop_s,
      fillcolor: colours.go,
      opacity: 0.16,
      line: { width: 0 },
      layer: 'below',
    });
  }
  if (pin) {
    shapes.push({
      type: 'line',
      yref: 'paper',
      y0: 0,
      y1: 1,
      x0: pin.stop_s,
      x1: pin.stop_s,
      line: { color: colours.stop, width: 3 },
    });
  }
  return {
    data: [
      trace('Tip', curve.tip_C, { color: colours.heat, dash: 'dash' }),
      trace('Pad', curve.land_C, { color: colours.lines[2]! }),
      trace('Coldest joint', curve.coldestSolder_C, { color: colours.ink, width: 3.5 }),
    ],
    layout: {
      shapes,
      showlegend: true,
      legend: { orientation: 'h', x: 0, y: 1.02, yanchor: 'bottom', bgcolor: 'rgba(0,0,0,0)' },
      margin: { t: 44 },
      xaxis: { title: { text: 'Time under heat, s', standoff: 6 }, range: [0, end_s] },
      yaxis: { title: { text: '°C' }, range: [0, Math.max(...curve.tip_C) + 35] },
      annotations: [
        {
          xref: 'paper',
          x: 0.8,
          y: melting.solidus_C,
          xanchor: 'right',
          yanchor: 'top',
          text: 'melting range',
          showarrow: false,
          font: { size: 13, color: colours.heat },
        },
        ...(pin?.melt_s.p10 == null
          ? []
          : [
              {
                yref: 'paper' as const,
                x: (pin.melt_s.p10 + Math.min(end_s, pin.melt_s.p90 ?? pin.stop_s)) / 2,
                y: 0,
                yanchor: 'bottom' as const,
                text: 'melts in here',
                showarrow: false,
                font: { size: 13, color: colours.go },
              },
            ]),
      ],
    },
  };
}

/** Every setting worth having: quick to the left, gentle below. */
export function frontierChart(
  frontier: readonly OptionAnswer[],
  chosen: OptionAnswer | null,
  colours: ChartColours,
): { data: Data[]; layout: Partial<Layout> } {
  const underAir = (chosen ?? frontier[0])?.nozzle != null;
  const x = frontier.map((o) => o.liftFrom_s);
  const y = frontier.map((o) => damageOf(o) * 100);
  const label = (o: OptionAnswer): string =>
    `${o.setpoint_C} °C<br>${tipInWords(o)}${o.preheat ? `, warmed ${Math.round(o.preheat.setpoint_C)} °C` : ''}<br>${o.liftFrom_s?.toFixed(1)} s, ${budget(damageOf(o))}`;
  const data: Data[] = [
    {
      type: 'scatter',
      mode: 'lines+markers',
      name: 'Frontier',
      x,
      y,
      text: frontier.map(label),
      hovertemplate: '%{text}<extra></extra>',
      line: { color: colours.soft, width: 1.5 },
      marker: { size: 11, color: colours.sheet, line: { color: colours.ink, width: 2 } },
    },
  ];
  if (chosen && chosen.liftFrom_s !== null) {
    data.push({
      type: 'scatter',
      mode: 'markers',
      name: 'Set now',
      x: [chosen.liftFrom_s],
      y: [damageOf(chosen) * 100],
      text: [label(chosen)],
      hovertemplate: '%{text}<extra>set now</extra>',
      marker: {
        size: 17,
        symbol: 'diamond',
        color: chosen.feasible ? colours.go : colours.stop,
        line: { color: colours.ink, width: 1.5 },
      },
    });
  }
  const ends =
    frontier.length > 1
      ? ([
          [0, 'low and long', 'right'],
          [frontier.length - 1, 'hot and quick', 'left'],
        ] as const)
      : [];
  return {
    data,
    layout: {
      showlegend: false,
      margin: { t: 16, l: 56, b: 44 },
      xaxis: {
        title: { text: underAir ? 'Off after, under air, s' : 'Slowest joint off after, s', standoff: 6 },
        rangemode: 'tozero',
      },
      yaxis: {
        title: { text: 'Budget spent, %' },
        type: 'log',
        tickvals: TICKS_percent,
        ticktext: TICKS_percent.map(String),
        range: logRange(chosen ? [...y, damageOf(chosen) * 100] : y),
      },
      annotations: ends.map(([i, text, anchor]) => ({
        x: x[i]!,
        y: Math.log10(y[i]!),
        text,
        showarrow: false,
        yshift: i === 0 ? -16 : 14,
        xanchor: anchor,
        font: { size: 13, color: colours.ink },
      })),
    },
  };
}

/** 1, 2 and 5 of every decade that a budget can be told in. */
const TICKS_percent = scaleLog([1e-3, 500], [0, 1])
  .ticks(100)
  .filter((t) => /^[125]/.test(t.toExponential()));

/** Half a step of room above and below, on a logarithmic axis. */
const logRange = (values: readonly number[]): [number, number] => [
  Math.log10(Math.min(...values)) - 0.22,
  Math.log10(Math.max(...values)) + 0.22,
];

const damageOf = (o: OptionAnswer): number => (o.padDose.p50 ?? 0) + (o.laminateDose ?? 0);
