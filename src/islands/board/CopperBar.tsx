import { useState } from 'react';
import type { SiteSheet } from '~/schema/sheets/boardSheet';
import type { StrokeId } from '~/schema/presets/copperStroke';
import { Button, KeyCap } from '~/ui/controls/Button';
import { TextField } from '~/ui/controls/Field';
import { runInWords } from '~/islands/findings/marking';
import css from './board.module.css';

interface CopperBarProps {
  readonly site: SiteSheet;
  readonly run: readonly string[];
  readonly strokes: readonly { readonly id: StrokeId; readonly letter: string; readonly name: string }[];
  readonly onStroke: (stroke: StrokeId) => void;
  readonly onNet: (net: string) => void;
  readonly onAll: () => void;
}

/** Says what copper the taken pads meet, a key for each class, and what their net is called. */
export function CopperBar({ site, run, strokes, onStroke, onNet, onAll }: CopperBarProps) {
  const taken = site.pads.filter((pad) => run.includes(pad.name));
  const nets = [...new Set(taken.map((pad) => pad.net))];
  const [net, setNet] = useState(nets.length === 1 ? nets[0]! : '');
  if (taken.length === 0) {
    return (
      <p className="quiet">
        Take pins by dragging over them or with Shift and an arrow, or{' '}
        <Button small onClick={onAll}>
          take them all
        </Button>
        ; then a letter says what copper they meet.
      </p>
    );
  }
  return (
    <div role="group" aria-label="Mark copper" className={css['copperBar']}>
      <p>
        <strong>{runInWords(run)}</strong> meet{taken.length === 1 ? 's' : ''}
      </p>
      <div className={css['ways']}>
        {strokes.map(({ id, letter, name }) => (
          <Button key={id} small onClick={() => onStroke(id)}>
            {name} <KeyCap of={letter.toLowerCase()} />
          </Button>
        ))}
      </div>
      <form
        className={css['netForm']}
        onSubmit={(event) => {
          event.preventDefault();
          onNet(net);
        }}
      >
        <TextField
          label={nets.length > 1 ? `Net (now ${nets.length} different)` : 'Net'}
          value={net}
          maxLength={40}
          onChange={(event) => setNet(event.target.value)}
        />
        <Button type="submit" small>
          Name it
        </Button>
      </form>
    </div>
  );
}
