import { useCallback, useEffect, useState } from 'react';
import type { Data, Layout } from 'plotly.js-dist-min';
import type { Courses } from '~/core/method/courses';
import { celsius } from '~/core/quantity/convert';
import type { ComparedSheet } from '~/schema/sheets/comparedSheet';
import type { ThermalProfile } from '~/schema/values/thermalProfile';
import { getJson } from '~/ui/api';
import { Chart, type ChartColours } from '~/ui/chart/Chart';
import { SelectField } from '~/ui/controls/Field';
import { ErrorNote } from '~/ui/controls/Notes';
import { dayAndTime } from '~/ui/dates';
import { useReady } from '~/ui/useReady';
import { linesOf, planLines, readOff, type ComparedLine } from './comparedLogs';
import css from './live.module.css';

const HEIGHT_px = 320;
const DASHES = ['solid', 'dash'] as const;

/** Two logs, or a log and its plan, on one chart from heat on; what each came to stands in a table beneath. */
export function CompareLogs({
  jobId,
  logs,
  plans,
  solidus_C,
}: {
  readonly jobId: string;
  readonly solidus_C: number;
} & ComparedSheet) {
  const ready = useReady();
  const options = [
    ...logs.map((log) => ({
      value: `log ${log.jobId} ${log.id}`,
      label: `${log.title}, ${dayAndTime(log.at_ms)}`,
    })),
    ...plans.map((plan) => ({ value: `plan ${plan.phase} ${plan.pad}`, label: plan.words })),
  ];
  const [picked, setPicked] = useState<readonly [string, string]>([options[0]!.value, options[1]!.value]);
  const [sets, setSets] = useState<readonly (readonly ComparedLine[])[]>([[], []]);
  const [error, setError] = useState<unknown>(null);
  useEffect(() => {
    let gone = false;
    Promise.all(picked.map((value) => linesFor(value, jobId))).then(
      (read) => {
        if (gone) return;
        setSets(read);
        setError(null);
      },
      (refused: unknown) => !gone && setError(refused),
    );
    return () => {
      gone = true;
    };
  }, [picked, jobId]);
  const build = useCallback((colours: ChartColours) => chartOf(sets, solidus_C, colours), [sets, solidus_C]);
  const labelOf = (value: string): string => options.find((o) => o.value === value)?.label ?? '';

  return (
    <section aria-label="Two on one chart" data-compared-ready={ready || undefined}>
      <h2>Two on one chart</h2>
      <ErrorNote error={error} />
      <div className={css['pickers']}>
        {picked.map((value, i) => (
          <SelectField
            key={i}
            label={i === 0 ? 'Drawn through' : 'Drawn dashed'}
            value={value}
            onChange={(next) => setPicked(i === 0 ? [next, picked[1]] : [picked[0], next])}
            options={options}
          />
        ))}
      </div>
      <Chart label={`${labelOf(picked[0])} beside ${labelOf(picked[1])}`} height={HEIGHT_px} build={build} />
      <table>
        <thead>
          <tr>
            <th scope="col">From heat on</th>
            <th scope="col">Peak</th>
            <th scope="col">At</th>
            <th scope="col">Over {solidus_C.toFixed(0)} °C for</th>
            <th scope="col">Steepest</th>
          </tr>
        </thead>
        <tbody>
          {sets.flatMap((lines, i) =>
            lines.map((line) => {
              const read = readOff(line, solidus_C);
              return (
                <tr key={`${i} ${line.name}`}>
                  <th scope="row">
                    {labelOf(picked[i]!)}: {line.name}
                  </th>
                  <td className="digits">{read ? `${read.peak_C.toFixed(0)} °C` : '–'}</td>
                  <td className="digits">{read ? `${read.peakAt_s.toFixed(1)} s` : '–'}</td>
                  <td className="digits">{read ? `${read.over_s.toFixed(1)} s` : '–'}</td>
                  <td className="digits">{read ? `${read.steepest_K_s.toFixed(1)} K/s` : '–'}</td>
                </tr>
              );
            }),
          )}
        </tbody>
      </table>
    </section>
  );
}

async function linesFor(value: string, jobId: string): Promise<readonly ComparedLine[]> {
  const [kind, a, b] = value.split(' ') as [string, string, string];
  if (kind === 'log') return linesOf(await getJson<ThermalProfile>(`/api/jobs/${a}/logs/${b}.json`));
  const courses = await getJson<Courses | null>(`/api/jobs/${jobId}/courses?phase=${a}`);
  return courses ? planLines(courses, b, celsius) : [];
}

function chartOf(
  sets: readonly (readonly ComparedLine[])[],
  solidus_C: number,
  colours: ChartColours,
): { data: Data[]; layout: Partial<Layout> } {
  const data = sets.flatMap((lines, i) =>
    lines.map((line, k): Data => ({
      type: 'scatter',
      mode: 'lines',
      name: line.name,
      x: [...line.at_s],
      y: [...line.value_C],
      line: { width: 2.5, color: colours.lines[k % colours.lines.length]!, dash: DASHES[i]! },
      hovertemplate: `%{x:.1f} s  %{y:.0f} °C<extra>${line.name}</extra>`,
    })),
  );
  return {
    data,
    layout: {
      showlegend: false,
      xaxis: { title: { text: 'since heat on, s' } },
      yaxis: { title: { text: '°C' } },
      shapes: [
        {
          type: 'line',
          xref: 'paper',
          x0: 0,
          x1: 1,
          y0: solidus_C,
          y1: solidus_C,
          line: { color: colours.heat, width: 1.5, dash: 'dot' },
        },
      ],
    },
  };
}
