/** A pattern that chance alone seldom makes. */
export interface RunRule {
  readonly id: 'beyond' | 'two-of-three' | 'four-of-five' | 'nine-on-a-side' | 'six-rising';
  /** As a chart names it. */
  readonly says: string;
  /** So many points it looks back over. */
  readonly over: number;
  readonly holds: (z: readonly number[]) => boolean;
}

const atLeast = (z: readonly number[], many: number, level: number): boolean =>
  z.filter((v) => v > level).length >= many;

/**
 * Rules for runs of points on a chart, each read on its upper side: more of what is bad. The tests of special causes as ISO
 * 7870-2 and Nelson (J. Quality Technology 16, 1984) number them; 1, 5, 6, 2 and 3 of his eight.
 */
export const RUN_RULES: readonly RunRule[] = [
  {
    id: 'beyond',
    says: 'one point beyond three sigma',
    over: 1,
    holds: (z) => z[0]! > 3,
  },
  {
    id: 'two-of-three',
    says: 'two of three points beyond two sigma on one side',
    over: 3,
    holds: (z) => z.at(-1)! > 2 && atLeast(z, 2, 2),
  },
  {
    id: 'four-of-five',
    says: 'four of five points beyond one sigma on one side',
    over: 5,
    holds: (z) => z.at(-1)! > 1 && atLeast(z, 4, 1),
  },
  {
    id: 'nine-on-a-side',
    says: 'nine points in a row on one side of the centre',
    over: 9,
    holds: (z) => z.every((v) => v > 0),
  },
  {
    id: 'six-rising',
    says: 'six points in a row, each higher than the last',
    over: 6,
    holds: (z) => z.every((v, i) => i === 0 || v > z[i - 1]!),
  },
];

export interface Broken {
  readonly rule: RunRule['id'];
  /** The point at which it was seen. */
  readonly at: number;
}

/** Every point at which a rule says that more than chance is at work, upwards; each rule once for each point. */
export function brokenRules(z: readonly number[]): Broken[] {
  return RUN_RULES.flatMap(({ id, over, holds }) =>
    z.flatMap((_, at) => (at + 1 >= over && holds(z.slice(at + 1 - over, at + 1)) ? [{ rule: id, at }] : [])),
  );
}
