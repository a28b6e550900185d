import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { ROLES, SHORTEST_PASSPHRASE, type Role } from '~/core/record/roles';
import type { PersonRecord } from '~/schema/records/people/person';
import { patchJson, postJson } from '~/ui/api';
import { Button } from '~/ui/controls/Button';
import { Segments, TextField } from '~/ui/controls/Field';
import { ErrorNote } from '~/ui/controls/Notes';
import css from './people.module.css';

interface Draft {
  readonly initials: string;
  readonly name: string;
  readonly role: Role;
  readonly passphrase: string;
}

/** Somebody new, or a change to somebody who is here. */
export function PersonForm({
  person,
  onDone,
  onShut,
}: {
  readonly person: PersonRecord | null;
  readonly onDone: (person: PersonRecord) => void;
  readonly onShut: () => void;
}) {
  const { register, handleSubmit, watch, setValue } = useForm<Draft>({
    defaultValues: { initials: '', name: '', role: 'technician', ...person, passphrase: '' },
  });
  const [error, setError] = useState<unknown>(null);
  const send = (draft: Draft, left: boolean): Promise<PersonRecord> =>
    person
      ? patchJson<PersonRecord>(`/api/people/${person.id}`, {
          name: draft.name,
          role: draft.role,
          left,
          passphrase: draft.passphrase || null,
          revision: person.revision,
        })
      : postJson<PersonRecord>('/api/people', draft);
  const write = (left: boolean) =>
    handleSubmit((draft) =>
      send({ ...draft, role: watch('role') }, left).then(onDone, (refused: unknown) => setError(refused)),
    );
  return (
    <form className={css['form']} onSubmit={(event) => void write(false)(event)}>
      {!person && (
        <TextField label="Initials" autoFocus autoComplete="off" maxLength={8} {...register('initials')} />
      )}
      <TextField label="Name" autoComplete="off" maxLength={80} {...register('name')} />
      <Segments
        label="Works here as"
        value={watch('role')}
        onChange={(role) => setValue('role', role)}
        options={ROLES.map((value) => ({ value, label: value }))}
      />
      <TextField
        label={person ? 'Another passphrase' : 'Passphrase to begin with'}
        type="password"
        autoComplete="new-password"
        hint={
          person
            ? 'Empty leaves the one there is. A new one signs them out everywhere.'
            : `At least ${SHORTEST_PASSPHRASE} characters; they can take another one of their own.`
        }
        {...register('passphrase')}
      />
      <ErrorNote error={error} />
      <div className={css['row']}>
        <Button type="submit" look="primary">
          {!person ? 'Add' : person.left ? 'Works here again' : 'Write it'}
        </Button>
        {person && !person.left && <Button onClick={() => void write(true)()}>Works here no more</Button>}
        <Button look="plain" onClick={onShut}>
          Shut
        </Button>
      </div>
    </form>
  );
}
