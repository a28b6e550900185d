import type { RoundSheet } from '~/schema/sheets/roundSheet';
import { outcomeInWords } from '~/schema/words/words';
import { minutesText } from '~/ui/figures';
import { ROUND_MARKS } from '~/ui/roundMarks';
import css from './round.module.css';

interface RoundStripProps {
  readonly round: RoundSheet;
  readonly siteId: string;
  readonly boardId: string;
}

/** Where this part stands among those of its whole board's job. */
export function RoundStrip({ round, siteId, boardId }: RoundStripProps) {
  const { lines, left_min } = round;
  const at = lines.findIndex((line) => line.siteId === siteId);
  const line = lines[at];
  const done = lines.filter((l) => l.status === 'done').length;
  if (!line) return null;
  return (
    <div className={css['strip']}>
      <p>
        <a href={`/boards/${boardId}/recap`}>Whole board</a>: <strong>{line.ref}</strong>, {line.value}, part{' '}
        {at + 1} of {lines.length}
      </p>
      <p className={css['far']}>
        <progress max={lines.length} value={done} aria-label="Parts done" /> {done} done
        {left_min > 0 && `, about ${minutesText(left_min)} left`}
      </p>
    </div>
  );
}

/** Every part of the whole board's job, with what came of it. */
export function RoundList({ round, siteId }: Omit<RoundStripProps, 'boardId'>) {
  return (
    <details className={css['list']}>
      <summary>Parts of this whole board</summary>
      <ol>
        {round.lines.map((line) => (
          <li key={line.siteId} aria-current={line.siteId === siteId ? 'step' : undefined}>
            <span aria-hidden="true">{ROUND_MARKS[line.status].shape}</span> {line.ref}, {line.value}:{' '}
            {line.outcome === null ? ROUND_MARKS[line.status].words : outcomeInWords(line.outcome)}
          </li>
        ))}
      </ol>
    </details>
  );
}
