import type { BoardStanding } from '~/schema/sheets/boardStanding';
import { AWAITS_WORDS, OUTCOME_WORDS } from '~/schema/words/words';
import { Button } from '~/ui/controls/Button';
import { day } from '~/ui/dates';
import css from './openWork.module.css';

/** Where the board stands as a whole, and what is done next on it. */
export function StageLine({ standing, onResume }: { standing: BoardStanding; onResume: () => void }) {
  const { stage, board } = standing;
  if (stage.is === 'open')
    return board.nextAction ? (
      <p className={css['stage']}>
        <strong>Next:</strong> {board.nextAction}
      </p>
    ) : null;
  return (
    <div className={css['stage']} role="status">
      {stage.is === 'parked' ? (
        <>
          <span>
            <strong>Parked for {AWAITS_WORDS[stage.entry.awaits]}:</strong> {stage.entry.what}
            {stage.entry.due_ms !== null && `, expected ${day(stage.entry.due_ms)}`}
          </span>
          <Button small look="primary" onClick={onResume}>
            Go on with it
          </Button>
        </>
      ) : (
        <>
          <span>
            <strong>Closed {day(stage.at_ms)}:</strong> {OUTCOME_WORDS[stage.outcome]}
            {stage.cause && `. ${stage.cause}`}
          </span>
          <Button small onClick={onResume}>
            Open it again
          </Button>
        </>
      )}
    </div>
  );
}
