import { KINDS, FROM, UNTIL, type Kind, type Recipe } from './recipes';

const DAY_ms = 86_400_000;
const HOUR_ms = 3_600_000;

/** A board that comes in. */
export interface Visit {
  readonly kind: Kind;
  readonly name: string;
  readonly at_ms: number;
}

/** Boards coming in over the months, on weekdays; none while it is in already. */
export function schedule(random: () => number): Visit[] {
  const all = KINDS.flatMap((kind) => kind.names.map((name) => ({ kind, name })));
  const weights = all.map(({ kind }) => kind.weight / kind.names.length);
  const sum = weights.reduce((a, b) => a + b, 0);
  const inUntil = new Map<string, number>();
  const visits: Visit[] = [];
  for (let day = FROM; day < UNTIL - 3 * DAY_ms; day += DAY_ms) {
    if ([0, 6].includes(new Date(day).getUTCDay()) || random() > 0.9) continue;
    let pick = random() * sum;
    const at = Math.max(
      0,
      weights.findIndex((w) => (pick -= w) < 0),
    );
    const { kind, name } = all[at]!;
    if ((inUntil.get(name) ?? 0) > day) continue;
    inUntil.set(name, day + 12 * DAY_ms);
    visits.push({ kind, name, at_ms: day + random() * 3 * HOUR_ms });
  }
  return visits;
}

/** Nobody works at night or at the end of the week. */
export function atWork(at_ms: number): number {
  let at = at_ms;
  while ([0, 6].includes(new Date(at).getUTCDay()) || new Date(at).getUTCHours() >= 16)
    at = Math.floor(at / DAY_ms + 1) * DAY_ms + 7 * HOUR_ms;
  return at;
}

/** So many kinds of work of those that a board may need, the usual ones more often. */
export function picked(recipes: readonly Recipe[], most: number, random: () => number): Recipe[] {
  const left = [...recipes];
  const out: Recipe[] = [];
  while (left.length > 0 && out.length < most) {
    let pick = random() * left.reduce((sum, r) => sum + r.weight, 0);
    const at = Math.max(
      0,
      left.findIndex((r) => (pick -= r.weight) < 0),
    );
    const [one] = left.splice(at, 1);
    // Two ways for one part are one piece of work.
    if (!out.some((r) => r.ref === one!.ref)) out.push(one!);
  }
  return out;
}
