import type { HeatView } from '~/schema/sheets/outcomesSheet';
import { jobsAddress } from '~/schema/exchange/outcomes/address';
import type { OutcomesQuery } from '~/schema/exchange/outcomes/outcomesQuery';
import { budget } from '~/ui/figures';
import { GentlerPanel } from './GentlerPanel';
import css from './outcomes.module.css';

/** From here on a site should not be heated again without a reason. */
const NEAR_END = 0.5;

/** Sites nearest their end, and what each way of working costs a land. */
export function HeatPanel({ view, query }: { readonly view: HeatView; readonly query: OutcomesQuery }) {
  const { sites, methods } = view;
  const spent = sites.filter((s) => s.spent >= NEAR_END);
  return (
    <>
      <section aria-label="Sites nearest their end">
        <h2>Sites nearest their end</h2>
        <p className={css['says']}>
          {spent.length > 0
            ? `${spent.map((s) => `${s.ref} of ${s.boardName}`).join('; ')}: half of a land’s budget or more is spent. Heat there again only with a reason.`
            : 'No site has spent half of a land’s budget.'}
        </p>
        <table className={css['table']}>
          <thead>
            <tr>
              <th scope="col">Site</th>
              <th scope="col">Jobs</th>
              <th scope="col">Of a land’s budget, at most</th>
            </tr>
          </thead>
          <tbody>
            {sites.map((s) => (
              <tr key={s.siteId}>
                <th scope="row">
                  <a href={`/boards/${s.boardId}?site=${s.siteId}`}>
                    {s.ref} of {s.boardName}
                  </a>
                </th>
                <td>{s.jobs}</td>
                <td>{budget(s.spent)}</td>
              </tr>
            ))}
          </tbody>
        </table>
        <p className="quiet">
          The worst land of each job, added up; its own strip on the board has it land by land.
        </p>
      </section>
      <GentlerPanel recent={view.recent} />
      <section aria-label="By way of working">
        <h2>What each way costs its worst land</h2>
        <table className={css['table']}>
          <thead>
            <tr>
              <th scope="col">Way</th>
              <th scope="col">Jobs</th>
              <th scope="col">Foretold, the middle job</th>
              <th scope="col">Done, the middle job</th>
            </tr>
          </thead>
          <tbody>
            {methods.map((m) => (
              <tr key={m.key}>
                <th scope="row">{m.name}</th>
                <td>
                  <a href={jobsAddress(query, { method: m.key })}>{m.jobs}</a>
                </td>
                <td>{m.foretold === null ? '–' : budget(m.foretold)}</td>
                <td>{m.done === null ? '–' : budget(m.done)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </section>
    </>
  );
}
