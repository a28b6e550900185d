import type { BoardRecord } from '~/schema/records/board/board';
import type { BoardStanding } from '~/schema/sheets/boardStanding';
import { constructionInWords, HAZARD_WORDS, recordInWords } from '~/schema/words/words';
import { StageLine } from './StageLine';
import { Weight } from './Weight';
import css from './board.module.css';

interface StoryProps {
  readonly standing: BoardStanding;
  readonly construction: BoardRecord['construction'];
  readonly onResume: () => void;
}

/** Why the board is here and what is next, in two lines; what else is known of it unfolds. */
export function Story({ standing, construction, onResume }: StoryProps) {
  const { board } = standing;
  return (
    <section className={css['story']} aria-label="Why it is here">
      <div className={css['nextLine']}>
        <details>
          <summary>
            <span className={css['fault']}>{board.fault || 'No fault told'}</span>
          </summary>
          <div className={css['more']}>
            <p>
              Of {board.owner}. {constructionInWords(construction)}
              {recordInWords(board)}. <Weight construction={construction} />
            </p>
            {board.triedBefore && <p>Tried before: {board.triedBefore}</p>}
            {board.fixtures && <p>Refit as found: {board.fixtures}</p>}
          </div>
        </details>
        {board.hazards.length > 0 && (
          <p className={css['hazard']}>
            <span aria-hidden="true">!</span> {board.hazards.map((hazard) => HAZARD_WORDS[hazard]).join(', ')}
            : cleared before anything is touched.
          </p>
        )}
      </div>
      <StageLine standing={standing} onResume={onResume} />
    </section>
  );
}
