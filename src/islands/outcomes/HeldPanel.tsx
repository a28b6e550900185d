import { useCallback } from 'react';
import { FORETOLD } from '~/core/outcomes/foretold';
import { BAND_SHARE } from '~/core/outcomes/held';
import { jobsAddress } from '~/schema/exchange/outcomes/address';
import type { OutcomesQuery } from '~/schema/exchange/outcomes/outcomesQuery';
import type { HeldView } from '~/schema/sheets/outcomesSheet';
import { Chart, type ChartColours } from '~/ui/chart/Chart';
import { heldChart } from './charts';
import { biasWords, inHundred, spreadWords } from './words';
import css from './outcomes.module.css';

const ROW_px = 40;

/** How what was foretold held against what was seen, group by group, and what an error points to. */
export function HeldPanel({ view, query }: { readonly view: HeldView; readonly query: OutcomesQuery }) {
  const { groups } = view;
  const { name, says, of, by } = FORETOLD[query.of];
  const build = useCallback(
    (colours: ChartColours) => heldChart(view, query.of === 'dwell' ? null : BAND_SHARE, colours),
    [view, query.of],
  );
  const list = (key: string, band?: 'early' | 'late'): string =>
    jobsAddress(query, { [query.sort]: key, band, of: band && query.of });
  if (groups.length === 0)
    return (
      <p className={css['says']}>
        Nothing of that was foretold and seen in these jobs yet.
        {query.of === 'minutes' && ' Plans of before did not say how long a job takes.'}
      </p>
    );
  return (
    <section aria-label="Foretold and seen">
      <h2>{name}: seen within the band</h2>
      <p>
        {query.of === 'dwell'
          ? says
          : `A band is from one in ten to nine in ten: eight in ten ought to lie within. ${says}`}
      </p>
      {groups
        .filter((g) => g.pointsTo)
        .map((g) => (
          <p key={g.key} className={css['says']}>
            {g.name} {g.pointsTo}.
          </p>
        ))}
      <Chart
        label={`${name}: share within their bands; the table beneath has the same figures`}
        height={70 + ROW_px * Math.max(2, groups.length)}
        build={build}
      />
      <table className={css['table']}>
        <thead>
          <tr>
            <th scope="col">Group</th>
            <th scope="col">Jobs</th>
            {of === 'touch' && <th scope="col">Touches</th>}
            <th scope="col">Within, %</th>
            <th scope="col">Under</th>
            <th scope="col">Over</th>
            <th scope="col">{by === 'ratio' ? 'Seen over foretold' : 'Seen less foretold'}</th>
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
              {of === 'touch' && <td>{g.counted}</td>}
              <td>
                {inHundred(g.coverage.share)} ({inHundred(g.coverage.low)} to {inHundred(g.coverage.high)})
              </td>
              <td>
                <a href={list(g.key, 'early')}>{g.early}</a>
              </td>
              <td>
                <a href={list(g.key, 'late')}>{g.late}</a>
              </td>
              <td>{g.bias === null ? '–' : biasWords(g.bias, by)}</td>
              <td>{g.spread === null ? '–' : spreadWords(g.spread, by)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
