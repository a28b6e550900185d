import { useCallback } from 'react';
import { HARMS } from '~/core/outcomes/harms';
import { OUTCOMES } from '~/core/record/outcomes';
import { jobsAddress } from '~/schema/exchange/outcomes/address';
import type { OutcomesQuery } from '~/schema/exchange/outcomes/outcomesQuery';
import type { RatesView } from '~/schema/sheets/outcomesSheet';
import { Chart, type ChartColours } from '~/ui/chart/Chart';
import { minutesText } from '~/ui/figures';
import { ratesChart } from './charts';
import { countWords, inHundred, rateWords, sureWords } from './words';
import css from './outcomes.module.css';

const ROW_px = 46;
/** A comparison as sure as this is worth its sentence. */
const SURE = 0.9;

/** How often a harm came, group by group, with how sure that is; and what came of the jobs. */
export function RatesPanel({ view, query }: { readonly view: RatesView; readonly query: OutcomesQuery }) {
  const { groups, usual, strength, per, results } = view;
  const build = useCallback((colours: ChartColours) => ratesChart(view, colours), [view]);
  const list = (changed: Parameters<typeof jobsAddress>[1]): string => jobsAddress(query, changed);
  const things = per === 'joint' ? 'joints' : 'jobs';
  const name = HARMS[query.harm].name;
  const least = groups.find((g) => g.surelyMore === null);
  const worse = groups.filter((g) => (g.surelyMore ?? 0) >= SURE);
  return (
    <>
      <section aria-label={name}>
        <h2>
          {name} in a hundred {things}
        </h2>
        <p>
          Usual here: {inHundred(usual)}. Groups are drawn together as far as they are alike: each counts as
          if {Math.round(strength)} more {things} had gone as usual.
        </p>
        {least && worse.length > 0 && (
          <p className={css['says']}>
            {worse
              .map((g) => `${g.name}: more than ${least.name}, ${sureWords(g.surelyMore!)} sure`)
              .join('. ')}
            .
          </p>
        )}
        {least && worse.length === 0 && groups.length > 1 && (
          <p className={css['says']}>No group can be told from the others yet.</p>
        )}
        <Chart
          label={`${name} in a hundred ${things}; the table beneath has the same figures`}
          height={70 + ROW_px * Math.max(2, groups.length)}
          build={build}
        />
        <table className={css['table']}>
          <thead>
            <tr>
              <th scope="col">Group</th>
              <th scope="col">Jobs</th>
              <th scope="col">Counted</th>
              <th scope="col">As counted, in 100</th>
              <th scope="col">Drawn together, in 100</th>
            </tr>
          </thead>
          <tbody>
            {groups.map((g) => (
              <tr key={g.key}>
                <th scope="row">{g.name}</th>
                <td>
                  <a href={list({ [query.sort]: g.key })}>{g.jobs}</a>
                  {g.few && <span className="quiet"> few</span>}
                </td>
                <td>
                  <a href={list({ [query.sort]: g.key, with: query.harm })}>{countWords(g.counted)}</a>
                </td>
                <td>{rateWords(g.own)}</td>
                <td>{rateWords(g.pooled)}</td>
              </tr>
            ))}
          </tbody>
        </table>
        <p className="quiet">
          In brackets where it lies nine times in ten: by Wilson as counted, by Beta drawn together. Pads of
          one job go wrong together, and count for as much less as they do.
        </p>
      </section>
      <section aria-label="What came of it">
        <h2>What came of it</h2>
        <table className={css['table']}>
          <thead>
            <tr>
              <th scope="col">Group</th>
              <th scope="col">Jobs</th>
              <th scope="col">Fixed, in 100</th>
              {OUTCOMES.map((o) => (
                <th key={o} scope="col">
                  {o}
                </th>
              ))}
              <th scope="col">Middle job</th>
            </tr>
          </thead>
          <tbody>
            {results.map((r) => (
              <tr key={r.key}>
                <th scope="row">{r.name}</th>
                <td>
                  <a href={list({ [query.sort]: r.key })}>{r.jobs}</a>
                </td>
                <td>{rateWords(r.fixed)}</td>
                {OUTCOMES.map((o) => (
                  <td key={o}>
                    {r.counts[o] === 0 ? (
                      <span className="quiet">0</span>
                    ) : (
                      <a href={list({ [query.sort]: r.key, outcome: o })}>{r.counts[o]}</a>
                    )}
                  </td>
                ))}
                <td>{minutesText(r.minutes)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </section>
    </>
  );
}
