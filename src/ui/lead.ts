import { atom } from 'nanostores';

/** Something waits for a lead's signature; whoever answers gives it, or null for none. */
export const $leadAsked = atom<((signature: string | null) => void) | null>(null);

/** Asks for a lead's signature on the page that is open; null where none was given. */
export const askLead = (): Promise<string | null> =>
  new Promise((answer) => {
    // One at a time: a second asker is told that there is none, and may ask again.
    if ($leadAsked.get()) answer(null);
    else $leadAsked.set(answer);
  });

export function answerLead(signature: string | null): void {
  const answer = $leadAsked.get();
  $leadAsked.set(null);
  answer?.(signature);
}
