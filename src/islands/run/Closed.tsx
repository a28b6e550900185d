import { UNFINISHED } from '~/core/record/outcomes';
import type { RunSheet } from '~/schema/sheets/runSheet';
import { outcomeInWords } from '~/schema/words/words';
import { Button, ButtonLink } from '~/ui/controls/Button';
import { dayAndTime } from '~/ui/dates';
import { budget } from '~/ui/figures';
import css from './run.module.css';

interface ClosedProps {
  readonly job: RunSheet['job'];
  readonly outcome: string;
  /** The entry that closed it; null where a record of old has none. */
  readonly entry: { readonly by: string; readonly at_ms: number } | null;
  /** The most that one pad of it took, a share of its budget; null where no heat was costed. */
  readonly mostHeat: number | null;
  readonly onResume: () => void;
}

/** A job that is closed: what came of it, and the ways on. */
export function Closed({ job, outcome, entry, mostHeat, onResume }: ClosedProps) {
  const unfinished = UNFINISHED.has(outcome);
  return (
    <div className={css['closed']}>
      <h2>Closed: {outcomeInWords(outcome)}</h2>
      <dl className={css['closedFacts']}>
        {entry && (
          <>
            <dt>Closed</dt>
            <dd>
              {dayAndTime(entry.at_ms)} by {entry.by}
            </dd>
          </>
        )}
        <dt>Root cause</dt>
        <dd>{job.cause || 'not told'}</dd>
        {mostHeat !== null && (
          <>
            <dt>Heat used</dt>
            <dd>{budget(mostHeat)} of the worst pad’s budget (estimate)</dd>
          </>
        )}
      </dl>
      <p>
        {unfinished
          ? 'What was not done stays on the board’s open work. The job can go on where it stood.'
          : 'Its steps, heats and findings are in the ledger of the board.'}
      </p>
      <div className={css['buttons']}>
        {unfinished && (
          <Button look="primary" onClick={onResume}>
            Go on with it
          </Button>
        )}
        <ButtonLink
          href={`/boards/${job.boardId}?site=${job.siteId}`}
          look={unfinished ? 'outline' : 'primary'}
        >
          To the board
        </ButtonLink>
        {job.recapId !== null && <ButtonLink href={`/boards/${job.boardId}/recap`}>Whole board</ButtonLink>}
        <ButtonLink href={`/sites/${job.siteId}/plan`}>Plan again</ButtonLink>
        <ButtonLink href={`/jobs/${job.id}/plan`}>Job sheet</ButtonLink>
      </div>
    </div>
  );
}
