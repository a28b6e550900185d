import { PAD_STATES } from '~/core/record/padStates';
import { Button, KeyCap } from '~/ui/controls/Button';
import { runInWords, type Marking, type MarkingAction } from './marking';
import css from './findings.module.css';

/** Says that letters record findings now, what the next one would mark, and what waits for a second word. */
export function MarkingBanner({
  state,
  dispatch,
}: {
  state: Marking;
  dispatch: (action: MarkingAction) => void;
}) {
  if (!state.marking && !state.pending && !state.claim) return null;
  return (
    <div className={css['banner']} role="status" data-marking={state.marking || undefined}>
      <p>
        {state.claim ? (
          <>
            <strong>Repaired</strong> claims a repair on {runInWords(state.claim)}. <KeyCap of="r" /> again
            records it.
          </>
        ) : state.pending ? (
          <>
            <strong>{PAD_STATES[state.pending.state].name}</strong>: choose the other pad;{' '}
            <KeyCap of="Enter" /> settles it. Nothing is recorded until then.
          </>
        ) : (
          <>
            <strong>Marking.</strong>{' '}
            {state.pad ? `A letter records what you see on ${runInWords(state.run)}.` : 'Choose a pad first.'}
          </>
        )}
      </p>
      <Button
        small
        onClick={() =>
          dispatch(state.claim || state.pending ? { type: 'forget' } : { type: 'marking', on: false })
        }
      >
        {state.claim || state.pending ? 'Forget it' : 'Leave'} <KeyCap of="Escape" />
      </Button>
    </div>
  );
}
