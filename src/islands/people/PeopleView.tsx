import { useState } from 'react';
import type { PersonRecord } from '~/schema/records/people/person';
import { Button } from '~/ui/controls/Button';
import { useReady } from '~/ui/useReady';
import { PersonForm } from './PersonForm';
import css from './people.module.css';

const NEW = 'new';

/** Who works here, and as what; for leads. */
export function PeopleView({ people: first }: { readonly people: readonly PersonRecord[] }) {
  const [people, setPeople] = useState(first);
  const [open, setOpen] = useState<string | null>(null);
  const ready = useReady();
  const done = (person: PersonRecord): void => {
    setPeople((all) =>
      [...all.filter(({ id }) => id !== person.id), person].sort((a, b) =>
        a.initials.localeCompare(b.initials),
      ),
    );
    setOpen(null);
  };
  const shut = (): void => setOpen(null);
  return (
    <div data-ready={ready || undefined}>
      <p className="quiet">
        A lead signs hold points that are passed against and work that is accepted, and keeps this list. A
        technician does everything else. A viewer reads.
      </p>
      <ul className={css['people']}>
        {people.map((person) => (
          <li key={person.id}>
            <div className={`${css['line']} ${person.left ? css['left'] : ''}`}>
              <strong>{person.initials}</strong>
              <span className={css['name']}>{person.name}</span>
              <span>{person.left ? 'works here no more' : person.role}</span>
              <Button
                small
                aria-expanded={open === person.id}
                aria-label={`Change ${person.initials}`}
                onClick={() => setOpen(open === person.id ? null : person.id)}
              >
                Change
              </Button>
            </div>
            {open === person.id && (
              <PersonForm key={person.revision} person={person} onDone={done} onShut={shut} />
            )}
          </li>
        ))}
      </ul>
      {open === NEW ? (
        <section aria-label="Somebody new">
          <h2>Somebody new</h2>
          <PersonForm person={null} onDone={done} onShut={shut} />
        </section>
      ) : (
        <p>
          <Button look="primary" onClick={() => setOpen(NEW)}>
            Add somebody
          </Button>
        </p>
      )}
    </div>
  );
}
