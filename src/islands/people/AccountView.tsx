import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { SHORTEST_PASSPHRASE } from '~/core/record/roles';
import { deleteJson, patchJson } from '~/ui/api';
import { Button } from '~/ui/controls/Button';
import { TextField } from '~/ui/controls/Field';
import { ErrorNote } from '~/ui/controls/Notes';
import { useReady } from '~/ui/useReady';
import css from './people.module.css';

interface Draft {
  readonly current: string;
  readonly passphrase: string;
}

const EMPTY: Draft = { current: '', passphrase: '' };

/** Whoever is signed in: the way out, here or everywhere, and another passphrase. */
export function AccountView() {
  const { register, handleSubmit, reset } = useForm<Draft>({ defaultValues: EMPTY });
  const [error, setError] = useState<unknown>(null);
  const [changed, setChanged] = useState(false);
  const ready = useReady();
  const leave = (everywhere: boolean) => (): void => {
    deleteJson(`/api/session${everywhere ? '?everywhere=1' : ''}`).then(
      () => window.location.assign('/sign-in'),
      setError,
    );
  };
  const change = async (draft: Draft): Promise<void> => {
    setChanged(false);
    try {
      await patchJson('/api/session/passphrase', draft);
      reset(EMPTY);
      setError(null);
      setChanged(true);
    } catch (refused) {
      setError(refused);
    }
  };
  return (
    <div className={css['sheets']} data-ready={ready || undefined}>
      <section aria-labelledby="leaving">
        <h2 id="leaving">Sign out</h2>
        <p className="quiet">
          What was pressed here and not yet sent stays on this screen, and is sent when you are back.
        </p>
        <div className={css['row']}>
          <Button look="primary" onClick={leave(false)}>
            Sign out here
          </Button>
          <Button onClick={leave(true)}>Sign out everywhere</Button>
        </div>
      </section>
      <section aria-labelledby="passphrase">
        <h2 id="passphrase">Another passphrase</h2>
        <form className={css['form']} onSubmit={(event) => void handleSubmit(change)(event)}>
          <TextField
            label="Passphrase now"
            type="password"
            autoComplete="current-password"
            {...register('current')}
          />
          <TextField
            label="New passphrase"
            type="password"
            autoComplete="new-password"
            hint={`At least ${SHORTEST_PASSPHRASE} characters; four words that do not belong together are good.`}
            {...register('passphrase')}
          />
          <ErrorNote error={error} />
          {changed && <p role="status">It is changed. Everywhere else you are signed out.</p>}
          <Button type="submit">Change it</Button>
        </form>
      </section>
    </div>
  );
}
