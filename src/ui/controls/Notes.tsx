import type { ReactNode } from 'react';
import { fieldInWords, messageInWords } from '~/schema/words/fieldWords';
import { ApiError } from '~/ui/api';
import css from './controls.module.css';

/** What went wrong and what to do, read out at once. */
export function ErrorNote({ error }: { error: unknown }) {
  if (error === null || error === undefined) return null;
  const faults = error instanceof ApiError ? error.faults : [];
  return (
    <div role="alert" className={css['note']}>
      {faults.length === 0 ? (
        <p>{sentence(error instanceof Error ? error.message : 'Something went wrong; try again')}</p>
      ) : (
        <ul>
          {faults.map((fault) => (
            <li key={fault.path + fault.message}>
              <strong>{fieldInWords(fault.path)}</strong> {messageInWords(fault.message)}
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}

const sentence = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

export const Caution = ({ children }: { children: ReactNode }) => (
  <p className={css['caution']}>{children}</p>
);

/** A number that says where it comes from when hovered or focused. */
export function Figure({ children, from, right }: { children: ReactNode; from: string; right?: boolean }) {
  return (
    <span className={`${css['figure']} ${right ? css['right'] : ''} digits`} tabIndex={0} data-from={from}>
      {children}
      <span className="sr-only"> ({from})</span>
    </span>
  );
}
