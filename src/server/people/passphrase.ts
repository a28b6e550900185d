import { hash, verify } from '@node-rs/argon2';

/**
 * Argon2id at 19 MiB, two passes, one lane: OWASP Password Storage Cheat Sheet, 2024. Computed off the thread that
 * serves, and one at a time: a row of guesses must not take the machine from those who work.
 */
const COSTS = { memoryCost: 19 * 1024, timeCost: 2, parallelism: 1 } as const;

let last: Promise<unknown> = Promise.resolve();

function inTurn<Result>(work: () => Promise<Result>): Promise<Result> {
  const turn = last.then(work, work);
  last = turn.catch(() => undefined);
  return turn;
}

export const hashOf = (passphrase: string): Promise<string> => inTurn(() => hash(passphrase, COSTS));

/** Somebody unknown costs as long as somebody known: how long it took tells nobody who works here. */
let nobody: Promise<string> | undefined;

export async function opens(passphrase: string, kept: string | null): Promise<boolean> {
  const against = kept ?? (await (nobody ??= hashOf('nobody has this passphrase')));
  const right = await inTurn(() => verify(against, passphrase));
  return right && kept !== null;
}
