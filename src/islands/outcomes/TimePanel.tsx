import { useCallback } from 'react';
import { HARMS } from '~/core/outcomes/harms';
import type { Change } from '~/core/outcomes/changes';
import { FALSE_ALARM_years } from '~/core/outcomes/overTime';
import { jobsAddress } from '~/schema/exchange/outcomes/address';
import type { OutcomesQuery } from '~/schema/exchange/outcomes/outcomesQuery';
import type { JobNamed, TimeView } from '~/schema/sheets/outcomesSheet';
import { Chart, type ChartColours } from '~/ui/chart/Chart';
import { day } from '~/ui/dates';
import { monthsChart, sumsChart } from './charts';
import { countWords, inHundred, monthWords, sureWords } from './words';
import css from './outcomes.module.css';

/** So many things that changed are told of: those behind them are mostly the same again. */
const MOST_CHANGES = 4;

/** A harm over the months: limits, rules and the cumulative sum; since when it is more, and what changed then. */
export function TimePanel({ view, query }: { readonly view: TimeView; readonly query: OutcomesQuery }) {
  const { points, centre, design, per, signal } = view;
  const months = useCallback((colours: ChartColours) => monthsChart(view, colours), [view]);
  const sums = useCallback((colours: ChartColours) => sumsChart(view, colours), [view]);
  const name = HARMS[query.harm].name;
  const things = per === 'joint' ? 'joints' : 'jobs';
  const list = (month: string, harmed: boolean): string =>
    jobsAddress(query, { from: month, to: month, with: harmed ? query.harm : undefined });
  return (
    <>
      <section aria-label={`${name} over time`}>
        <h2>
          {name} in a hundred {things}, month by month
        </h2>
        {signal ? (
          <div className={css['signal']} role="status">
            <p>
              <strong>
                {name} have gone up since {day(signal.beganWith.closedAt_ms)}
              </strong>
              , first at <JobLink job={signal.beganWith} />; it could be said on{' '}
              {day(signal.seenWith.closedAt_ms)}. {countWords(signal.before)} {things} before,{' '}
              {countWords(signal.since)} since.
            </p>
            {signal.changes.length > 0 ? (
              <ul>
                {signal.changes.slice(0, MOST_CHANGES).map((change) => (
                  <li key={`${change.factor} ${change.key}`}>{changeWords(change)}</li>
                ))}
              </ul>
            ) : (
              <p>
                Nothing in the record changed with it: look at what is not written down, such as a batch of
                flux that nobody told of.
              </p>
            )}
          </div>
        ) : (
          <p className={css['says']}>No change that is more than chance.</p>
        )}
        <Chart
          label={`${name} by month; the table beneath has the same figures`}
          height={280}
          build={months}
        />
        <table className={css['table']}>
          <thead>
            <tr>
              <th scope="col">Month</th>
              <th scope="col">Jobs</th>
              <th scope="col">Counted</th>
              <th scope="col">In 100</th>
              <th scope="col">Limits</th>
              <th scope="col">What it breaks</th>
            </tr>
          </thead>
          <tbody>
            {points.map((p) => (
              <tr key={p.month}>
                <th scope="row">{monthWords(p.month)}</th>
                <td>
                  <a href={list(p.month, false)}>{p.jobs}</a>
                </td>
                <td>
                  <a href={list(p.month, true)}>{countWords(p)}</a>
                </td>
                <td>{p.of > 0 ? inHundred(p.share) : '–'}</td>
                <td>{p.of > 0 ? `${inHundred(p.low)} to ${inHundred(p.high)}` : '–'}</td>
                <td>{p.broken.join('; ') || <span className="quiet">nothing</span>}</td>
              </tr>
            ))}
          </tbody>
        </table>
        <p className="quiet">
          Centre {inHundred(centre)}, the share of all months but the worst spells. Limits at three sigma
          follow each month’s size; rules of runs as ISO 7870-2 has them.
          {design > 1.05 &&
            ` Joints of one job go wrong together: limits are ${Math.sqrt(design).toFixed(1)} times as wide for it, and the sum below counts them for so much less.`}
        </p>
      </section>
      <section aria-label="Cumulative sum">
        <h2>Cumulative sum, job by job</h2>
        <p>
          It adds up what is more than usual and takes away what is less. Over the dashed line the odds have
          grown threefold, more likely than not; by chance alone that comes once in about {FALSE_ALARM_years}{' '}
          years at this pace.
        </p>
        <Chart label="Cumulative sum job by job" height={220} build={sums} />
      </section>
    </>
  );
}

const JobLink = ({ job }: { readonly job: JobNamed }) => (
  <a href={`/jobs/${job.jobId}`}>
    {job.ref} of {job.boardName}
  </a>
);

/** "The tip Cartridge station, conical 0.5 mm: 39 of 640 since, 3 of 1411 before and 1 of 480 with others since; …". */
function changeWords({ says, key, isNew, first_ms, before, since, without, sure, slower }: Change): string {
  const was = isNew ? `new on ${day(first_ms)}` : `${countWords(before)} before`;
  const late =
    slower !== null && slower > 1.1 ? `; its touches melt ${slower.toFixed(1)} times as late as before` : '';
  return `${says.charAt(0).toUpperCase()}${says.slice(1)}, ${key}: ${countWords(since)} since, ${was}, ${countWords(without)} with others since; ${sureWords(sure)} sure${late}.`;
}
