import { useCallback, useMemo, useState } from 'react';
import { ROOT_CAUSES } from '~/core/record/rootCauses';
import { jobsAddress } from '~/schema/exchange/outcomes/address';
import type { OutcomesQuery } from '~/schema/exchange/outcomes/outcomesQuery';
import type { CausesView } from '~/schema/sheets/outcomesSheet';
import { Chart, type ChartColours } from '~/ui/chart/Chart';
import { SelectField } from '~/ui/controls/Field';
import { day } from '~/ui/dates';
import { paretoChart } from './charts';
import { countWords, inHundred } from './words';
import css from './outcomes.module.css';

/** What faults came from, what came back, how long boards stay, which batches fail, and what is promised. */
export function CausesPanel({ view, query }: { readonly view: CausesView; readonly query: OutcomesQuery }) {
  const { paretos, rework, boards, batches, due } = view;
  const [kind, setKind] = useState('');
  const shown = paretos.find((p) => (p.kind ?? '') === kind) ?? paretos[0]!;
  const lines = useMemo(() => shown.lines.map((l) => ({ ...l, name: ROOT_CAUSES[l.cause] })), [shown]);
  const build = useCallback((colours: ChartColours) => paretoChart(lines, colours), [lines]);
  const list = (changed: Parameters<typeof jobsAddress>[1]): string =>
    jobsAddress(query, { ...(kind ? { kind } : {}), ...changed });
  return (
    <>
      <section aria-label="Root causes">
        <h2>What faults came from</h2>
        <div className={css['which']}>
          <SelectField
            label="Of which boards"
            value={kind}
            onChange={setKind}
            options={paretos.map((p) => ({
              value: p.kind ?? '',
              label: `${p.kind ?? 'all boards'}, ${p.jobs} jobs`,
            }))}
          />
        </div>
        {lines.length > 0 && (
          <Chart label="Root causes; the table beneath has the same figures" height={300} build={build} />
        )}
        <table className={css['table']}>
          <thead>
            <tr>
              <th scope="col">Cause</th>
              <th scope="col">Jobs</th>
              <th scope="col">Up to here, %</th>
            </tr>
          </thead>
          <tbody>
            {lines.map((l) => (
              <tr key={l.cause}>
                <th scope="row">{l.name}</th>
                <td>
                  <a href={list({ cause: l.cause })}>{l.jobs}</a>
                </td>
                <td>{Math.round(100 * l.upTo)}</td>
              </tr>
            ))}
            {shown.unsaid > 0 && (
              <tr>
                <th scope="row">not sorted at closing</th>
                <td>
                  <a href={list({ cause: 'unsaid' })}>{shown.unsaid}</a>
                </td>
                <td>–</td>
              </tr>
            )}
          </tbody>
        </table>
      </section>
      <section aria-label="Batches">
        <h2>Parts by batch</h2>
        {batches.length === 0 ? (
          <p className={css['says']}>No part was fitted out of a drawer yet.</p>
        ) : (
          <table className={css['table']}>
            <thead>
              <tr>
                <th scope="col">Part</th>
                <th scope="col">Batch</th>
                <th scope="col">Source</th>
                <th scope="col">Came back bad</th>
                <th scope="col">In 100</th>
              </tr>
            </thead>
            <tbody>
              {batches.map((b) => (
                <tr key={b.partId}>
                  <th scope="row">
                    <a href={`/parts?q=${encodeURIComponent(b.batch || b.words)}`}>{b.words}</a>
                  </th>
                  <td>{b.batch || '–'}</td>
                  <td>{b.source || '–'}</td>
                  <td>{countWords(b.failed)}</td>
                  <td>
                    {inHundred(b.low)} to {inHundred(b.high)}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
      </section>
      <section aria-label="Done again">
        <h2>Done again</h2>
        <p>
          {rework.length === 0
            ? 'No site came back after its job was closed as fixed or improved.'
            : `${rework.length} jobs on a site that had been closed as fixed or improved.`}
        </p>
        {rework.length > 0 && (
          <table className={css['table']}>
            <thead>
              <tr>
                <th scope="col">Site</th>
                <th scope="col">First</th>
                <th scope="col">Again</th>
                <th scope="col">Days between</th>
                <th scope="col">Found to be</th>
              </tr>
            </thead>
            <tbody>
              {rework.map((r) => (
                <tr key={r.again.jobId}>
                  <th scope="row">
                    {r.again.ref} of {r.again.boardName}
                  </th>
                  <td>
                    <a href={`/jobs/${r.first.jobId}`}>{day(r.first.closedAt_ms)}</a>
                  </td>
                  <td>
                    <a href={`/jobs/${r.again.jobId}`}>{day(r.again.closedAt_ms)}</a>
                  </td>
                  <td>{Math.round(r.days)}</td>
                  <td>{r.cause}</td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
      </section>
      <section aria-label="Boards at the bench">
        <h2>Boards at the bench</h2>
        <p>
          {boards.days === null
            ? 'No board has gone back yet.'
            : `${boards.visits} stays, the middle one ${boards.days.toFixed(1)} days. ${boards.parked} of them waited, ${boards.parkedDays.toFixed(0)} days together.`}
        </p>
        <h3>Promised and due</h3>
        {due.length === 0 ? (
          <p className="quiet">Nothing is put off, and no board is parked.</p>
        ) : (
          <ul className={css['due']}>
            {due.map((d) => (
              <li key={`${d.boardId} ${d.says}`}>
                <a href={`/boards/${d.boardId}`}>{d.boardName}</a> {d.says}
                {d.due_ms === null ? '' : `, due ${day(d.due_ms)}`}
              </li>
            ))}
          </ul>
        )}
      </section>
    </>
  );
}
