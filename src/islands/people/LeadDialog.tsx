import { useStore } from '@nanostores/react';
import { useEffect, useState } from 'react';
import { useForm } from 'react-hook-form';
import { postJson } from '~/ui/api';
import { Button } from '~/ui/controls/Button';
import { Dialog } from '~/ui/controls/Dialog';
import { TextField } from '~/ui/controls/Field';
import { ErrorNote } from '~/ui/controls/Notes';
import { $leadAsked, answerLead } from '~/ui/lead';
import css from './people.module.css';

interface Draft {
  readonly initials: string;
  readonly passphrase: string;
}

const EMPTY: Draft = { initials: '', passphrase: '' };

/** A lead beside the bench signs the one thing that was just pressed; whoever works here stays signed in. */
export function LeadDialog() {
  const asked = useStore($leadAsked);
  const { register, handleSubmit, reset } = useForm<Draft>({ defaultValues: EMPTY });
  const [error, setError] = useState<unknown>(null);
  useEffect(() => {
    reset(EMPTY);
    setError(null);
  }, [asked, reset]);
  const sign = async (draft: Draft): Promise<void> => {
    try {
      answerLead((await postJson<{ signature: string }>('/api/signatures', draft)).signature);
    } catch (refused) {
      setError(refused);
    }
  };
  return (
    <Dialog title="A lead signs this" isOpen={asked !== null} onClose={() => answerLead(null)}>
      <form className={css['form']} onSubmit={(event) => void handleSubmit(sign)(event)}>
        <p>
          A hold point passed against, and work that is accepted, are signed by a lead. It stands in the
          record beside whoever did it.
        </p>
        <TextField label="Initials of the lead" autoFocus autoComplete="off" {...register('initials')} />
        <TextField label="Passphrase" type="password" autoComplete="off" {...register('passphrase')} />
        <ErrorNote error={error} />
        <Button type="submit" look="primary">
          Sign it
        </Button>
      </form>
    </Dialog>
  );
}
