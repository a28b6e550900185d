import { useCallback } from 'react';
import { BAND_SHARE } from '~/core/outcomes/held';
import { jobsAddress } from '~/schema/exchange/outcomes/address';
import type { OutcomesQuery } from '~/schema/exchange/outcomes/outcomesQuery';
import type { HeldView } from '~/schema/sheets/outcomesSheet';
import { Chart, type ChartColours } from '~/ui/chart/Chart';
import { heldChart } from './charts';
import { inHundred } from './words';
import css from './outcomes.module.css';

const ROW_px = 40;

/** How foretold melts held against what was seen, group by group, and what an error points to. */
export function HeldPanel({ view, query }: { readonly view: HeldView; readonly query: OutcomesQuery }) {
  const { groups } = view;
  const build = useCallback((colours: ChartColours) => heldChart(view, BAND_SHARE, colours), [view]);
  const list = (key: string, band?: 'early' | 'late'): string =>
    jobsAddress(query, { [query.sort]: key, band });
  if (groups.length === 0)
    return <p className={css['says']}>No touch was foretold and seen in these jobs yet.</p>;
  return (
    <section aria-label="Foretold and seen">
      <h2>Melts seen within their bands</h2>
      <p>
        A band is from one in ten to nine in ten: eight touches in ten ought to lie within. The first touch of
        each pin counts; one given up before its band ended tells nothing.
      </p>
      {groups
        .filter((g) => g.pointsTo)
        .map((g) => (
          <p key={g.key} className={css['says']}>
            {g.name} {g.pointsTo}.
          </p>
        ))}
      <Chart
        label="Share of touches within their bands; the table beneath has the same figures"
        height={70 + ROW_px * Math.max(2, groups.length)}
        build={build}
      />
      <table className={css['table']}>
        <thead>
          <tr>
            <th scope="col">Group</th>
            <th scope="col">Jobs</th>
            <th scope="col">Touches</th>
            <th scope="col">Within, %</th>
            <th scope="col">Early</th>
            <th scope="col">Late</th>
            <th scope="col">Seen over foretold</th>
            <th scope="col">Spread</th>
          </tr>
        </thead>
        <tbody>
          {groups.map((g) => (
            <tr key={g.key}>
              <th scope="row">{g.name}</th>
              <td>
                <a href={list(g.key)}>{g.jobs}</a>
              </td>
              <td>{g.touches}</td>
              <td>
                {inHundred(g.coverage.share)} ({inHundred(g.coverage.low)} to {inHundred(g.coverage.high)})
              </td>
              <td>
                <a href={list(g.key, 'early')}>{g.early}</a>
              </td>
              <td>
                <a href={list(g.key, 'late')}>{g.late}</a>
              </td>
              <td>{g.bias === null ? '–' : `× ${g.bias.toFixed(2)}`}</td>
              <td>{g.spread === null ? '–' : `× ÷ ${g.spread.toFixed(2)}`}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
