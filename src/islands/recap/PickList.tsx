import type { RecapAnswer } from '~/schema/exchange/recap/recapAnswer';
import { familyName } from '~/schema/exchange/si/part';
import css from './recap.module.css';

type RecapFamily = Parameters<typeof familyName>[0];

/** What to have ready, value by value, and what is taken for what. */
export function PickList({ answer }: { answer: RecapAnswer }) {
  return (
    <section aria-label="Pick list" className={css['ready']}>
      <h2>Pick list</h2>
      <ul>
        {answer.picks.map((line) => (
          <li key={`${line.family} ${line.value}`}>
            <strong className="digits">{line.refs.length} ×</strong> {line.value}{' '}
            <span className="quiet">{familyName(line.family as RecapFamily).toLowerCase()}</span>
            <br />
            <span className="quiet">{line.refs.join(', ')}</span>
            {line.lookAlikes.length > 0 && (
              <span className={css['alike']}>Goes into the same holes: {line.lookAlikes.join(', ')}</span>
            )}
          </li>
        ))}
      </ul>
      <p className="quiet">
        Times at nominal values with usual hands; each part is planned again from the record when it is taken
        up. Mix-ups after published rates for choosing among look-alikes.
      </p>
    </section>
  );
}
