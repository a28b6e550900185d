import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { postJson } from '~/ui/api';
import { Button } from '~/ui/controls/Button';
import { TextField } from '~/ui/controls/Field';
import { ErrorNote } from '~/ui/controls/Notes';
import { useReady } from '~/ui/useReady';
import css from './people.module.css';

interface Draft {
  readonly initials: string;
  readonly passphrase: string;
}

/** The door. `next` is where whoever comes in was going. */
export function SignInForm({ next }: { readonly next: string }) {
  const { register, handleSubmit, resetField, formState } = useForm<Draft>({
    defaultValues: { initials: '', passphrase: '' },
  });
  const [error, setError] = useState<unknown>(null);
  const ready = useReady();
  const enter = async (draft: Draft): Promise<void> => {
    try {
      await postJson('/api/session', draft);
      window.location.assign(next);
    } catch (refused) {
      resetField('passphrase');
      setError(refused);
    }
  };
  return (
    <form
      className={css['form']}
      // Before the page is alive a form would be sent by its address, passphrase and all.
      method="post"
      data-ready={ready || undefined}
      onSubmit={(event) => void handleSubmit(enter)(event)}
    >
      <TextField
        label="Initials"
        autoFocus
        autoComplete="username"
        autoCapitalize="characters"
        {...register('initials')}
      />
      <TextField
        label="Passphrase"
        type="password"
        autoComplete="current-password"
        {...register('passphrase')}
      />
      <ErrorNote error={error} />
      <Button type="submit" look="primary" disabled={!ready || formState.isSubmitting}>
        Sign in
      </Button>
    </form>
  );
}
