import type { HeatView } from '~/schema/sheets/outcomesSheet';
import { CommandButton } from '~/ui/controls/Button';
import { ErrorNote } from '~/ui/controls/Notes';
import { useCommands } from '~/ui/keyboard/useCommands';
import { budget } from '~/ui/figures';
import { day } from '~/ui/dates';
import { GENTLER_COMMANDS, type GentlerCommand } from './commands';
import { told, type HeldJob } from './gentlerState';
import { useGentler } from './useGentler';
import css from './outcomes.module.css';

/** What the last month's jobs would have cost their lands, had each been done at the gentlest sure setting of its way. */
export function GentlerPanel({ recent }: Pick<HeatView, 'recent'>) {
  const { state, dispatch } = useGentler();
  const { status, left, held, unasked, error } = state;
  const { jobs } = recent;
  const done = held.length + unasked;
  const run = (id: GentlerCommand): boolean => {
    switch (id) {
      case 'reckon':
        if (status === 'working' || jobs.length === 0) return false;
        dispatch({ type: 'reckon', jobs });
        return true;
      case 'cancel':
        if (status !== 'working') return false;
        dispatch({ type: 'stop' });
        return true;
    }
  };
  useCommands('gentler', GENTLER_COMMANDS, run);
  const command = (id: GentlerCommand) => GENTLER_COMMANDS.find((c) => c.id === id)!;
  const saved = told(state);
  return (
    <section aria-label="What gentler settings would have saved" aria-busy={status === 'working'}>
      <h2>What gentler settings would have saved</h2>
      <p>
        Each of the last month’s jobs, from {day(recent.from_ms)} on
        {recent.of > jobs.length ? ` (the latest ${jobs.length} of ${recent.of})` : ''}, is solved once more:
        as it was done, and at the gentlest sure setting of the same way on the bench as it was. Each takes a
        second or a few.
      </p>
      <p className={css['reckon']}>
        {status !== 'working' && (
          <CommandButton
            command={command('reckon')}
            disabled={jobs.length === 0}
            label={
              status === 'stopped'
                ? `Go on, ${left.length} left`
                : status === 'done'
                  ? 'Reckon again'
                  : 'Reckon it'
            }
            run={run}
          />
        )}
        {status === 'working' && (
          <>
            <progress max={jobs.length} value={done} aria-label="Jobs solved once more" />
            <span className="digits">
              {done} of {jobs.length}
            </span>
            <CommandButton small command={command('cancel')} run={run} />
          </>
        )}
      </p>
      <ErrorNote error={error === null ? null : new Error(error)} />
      {held.length > 0 && <p className={css['says']}>{inWords(saved, status === 'done')}</p>}
      {unasked > 0 && (
        <p className="quiet">
          {unasked} {unasked === 1 ? 'job was' : 'jobs were'} planned with a tool or in a way that can no
          longer be asked about.
        </p>
      )}
      {saved.worst.length > 0 && (
        <table className={css['table']}>
          <thead>
            <tr>
              <th scope="col">Job</th>
              <th scope="col">As it was done</th>
              <th scope="col">Gentlest sure</th>
              <th scope="col">Of a land’s budget</th>
              <th scope="col">Longer, min</th>
            </tr>
          </thead>
          <tbody>
            {saved.worst.slice(0, MOST_ROWS).map((one) => (
              <Row key={one.job.jobId} {...one} />
            ))}
          </tbody>
        </table>
      )}
    </section>
  );
}

const MOST_ROWS = 20;

function Row({ job, changes, done, gentlest, longer_min }: HeldJob) {
  return (
    <tr>
      <th scope="row">
        <a href={`/jobs/${job.jobId}`}>
          {job.ref} of {job.boardName}
        </a>
        <br />
        <span className="quiet">{job.method}</span>
      </th>
      <td>{changes.map((change) => change.done).join('; ')}</td>
      <td>{changes.map((change) => change.gentlest).join('; ')}</td>
      <td className={css['figures']}>
        {budget(done)} → {budget(gentlest)}
      </td>
      <td>{longer_min.toFixed(1)}</td>
    </tr>
  );
}

function inWords({ jobs, gentler, budgets, middle }: ReturnType<typeof told>, all: boolean): string {
  const of = `${all ? 'Of' : 'So far, of'} ${jobs} ${jobs === 1 ? 'job' : 'jobs'}`;
  if (!middle) return `${of} none could have been noticeably gentler in its own way.`;
  const time =
    middle.longer_min >= 0.05
      ? `for ${middle.longer_min.toFixed(1)} min more`
      : middle.longer_min <= -0.05
        ? `in ${(-middle.longer_min).toFixed(1)} min less`
        : 'in the same time';
  return `${of} ${gentler} could have been gentler: the middle one would have spent ${budget(middle.gentlest)} of a land’s budget instead of ${budget(middle.done)}, ${time}. All of them together would have kept ${budgets.toFixed(2)} budgets of a land.`;
}
