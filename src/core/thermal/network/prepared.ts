import { integrate, integrateEach, type Asked, type Integration } from './integrate';

/** A network with what is asked of it, and how its run is read. */
export interface Prepared<Run> extends Asked {
  readonly read: (run: Integration) => Run;
}

export const alone = <Run>({ network, options, read }: Prepared<Run>): Run =>
  read(integrate(network, options));

/** Many side by side, for half of what they cost alone; null is a pause after each. Answers are in the order asked for. */
export function* sideBySide<Run>(prepare: readonly (() => Prepared<Run>)[]): Generator<null, Run[]> {
  // Only of those that are on their way: what a run is read with holds all of its network.
  const reads = new Map<number, Prepared<Run>['read']>();
  const asked = prepare.map((one, index) => () => {
    const prepared = one();
    reads.set(index, prepared.read);
    return prepared;
  });
  const runs = new Array<Run>(prepare.length);
  for (const { index, run } of integrateEach(asked)) {
    runs[index] = reads.get(index)!(run);
    reads.delete(index);
    yield null;
  }
  return runs;
}

/** The same at one go. */
export function allSideBySide<Run>(prepare: readonly (() => Prepared<Run>)[]): Run[] {
  const runs = sideBySide(prepare);
  for (;;) {
    const { done, value } = runs.next();
    if (done) return value;
  }
}

/** What is prepared, read once more into something else. */
export const readAs = <Run, As>(prepared: Prepared<Run>, as: (run: Run) => As): Prepared<As> => ({
  ...prepared,
  read: (run) => as(prepared.read(run)),
});
