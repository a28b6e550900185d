import { PAD_STATES, type PadStateId } from '~/core/record/padStates';
import { TextField } from '~/ui/controls/Field';
import { FoundAsField } from './FoundAsField';
import { runInWords, type FoundAs, type Marking } from './marking';
import css from './findings.module.css';

interface MarkBarProps {
  readonly state: Marking & { readonly foundAs: FoundAs; readonly note: string };
  readonly dispatch: (
    action:
      | { readonly type: 'found-as'; readonly foundAs: FoundAs }
      | { readonly type: 'note'; readonly note: string },
  ) => void;
  readonly onState: (pad: string, state: PadStateId) => void;
}

/** Marks what is taken on the lands: found so, or done here, with a note; the letters are the quicker way. */
export function MarkBar({ state, dispatch, onState }: MarkBarProps) {
  const { pad, run } = state;
  if (!pad) return <p className="quiet">Take a pin, or drag over several, and choose what was found.</p>;
  return (
    <div className={css['bar']} role="group" aria-label="Record a finding">
      <label className={css['mark']}>
        <span>Mark {runInWords(run)}</span>
        <select
          value=""
          onChange={(event) => event.target.value && onState(pad, event.target.value as PadStateId)}
        >
          <option value="">choose a state</option>
          {Object.entries(PAD_STATES).map(([id, s]) => (
            <option key={id} value={id}>
              {s.letter} · {s.name}
            </option>
          ))}
        </select>
      </label>
      <FoundAsField value={state.foundAs} onChange={(foundAs) => dispatch({ type: 'found-as', foundAs })} />
      <TextField
        label="Note that goes with it: how repaired, what verified"
        value={state.note}
        maxLength={400}
        onChange={(event) => dispatch({ type: 'note', note: event.target.value })}
      />
    </div>
  );
}
