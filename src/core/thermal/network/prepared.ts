import { integrate, integrateTogether, type Asked, type Integration } from './integrate';

/** A network with what is asked of it, and how its run is read. */
export interface Prepared<Run> extends Asked {
  readonly read: (run: Integration) => Run;
}

export const alone = <Run>({ network, options, read }: Prepared<Run>): Run =>
  read(integrate(network, options));

/** Two at once, for little more than one costs. */
export function together<Run>(first: Prepared<Run>, second: Prepared<Run>): [Run, Run] {
  const [one, other] = integrateTogether(first, second);
  return [first.read(one), second.read(other)];
}

/** What is prepared, read once more into something else. */
export const readAs = <Run, As>(prepared: Prepared<Run>, as: (run: Run) => As): Prepared<As> => ({
  ...prepared,
  read: (run) => as(prepared.read(run)),
});
