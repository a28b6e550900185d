import type { Dispatch } from 'react';
import { Button, KeyCap } from '~/ui/controls/Button';
import type { ImportPreview } from '~/workers/protocol';
import { IMPORT_COMMANDS } from './commands';
import type { ImportAction } from './state';
import css from './import.module.css';

/** Of the first doubt alone; digits are the clocks'. */
const REMEDY_KEYS = IMPORT_COMMANDS.filter(({ id }) => id.startsWith('remedy')).map(({ keys }) => keys[0]!);

interface DoubtsProps {
  readonly preview: Pick<ImportPreview, 'doubts' | 'unused'>;
  readonly dispatch: Dispatch<ImportAction>;
}

/** Files that do not fit the others, each with the readings that would; what is pressed is read and shown, not yet written. */
export function Doubts({ preview: { doubts, unused }, dispatch }: DoubtsProps) {
  if (doubts.length === 0 && unused.length === 0) return null;
  return (
    <section aria-label="Doubts" className={css['doubts']} role="status">
      {doubts.map((doubt, at) => (
        <div key={doubt.files.join(' ')} className={css['doubt']}>
          <p>
            <strong>{doubt.says}</strong>{' '}
            {doubt.remedies.length > 0
              ? 'It would fit if it were read as:'
              : 'No other unit, digits or place makes it fit: check that it belongs to this board.'}
          </p>
          <div className={css['remedies']}>
            {doubt.remedies.map((remedy, i) => (
              <Button
                key={remedy.label}
                small
                onClick={() => dispatch({ type: 'readings', readings: remedy.readings })}
              >
                {remedy.label} {at === 0 && <KeyCap of={REMEDY_KEYS[i] ?? ''} />}
                <span className={css['gives']}>{remedy.gives}</span>
              </Button>
            ))}
            <Button
              small
              onClick={() => doubt.files.forEach((name) => dispatch({ type: 'leave-out', name }))}
            >
              Leave {doubt.files.length === 1 ? 'it' : 'them'} out {at === 0 && <KeyCap of="o" />}
            </Button>
          </div>
        </div>
      ))}
      {unused.map((says) => (
        <p key={says} className={css['doubt']}>
          <strong>{says}</strong>
        </p>
      ))}
    </section>
  );
}
