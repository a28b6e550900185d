import { valueInWords } from '~/core/quantity/partValue';
import { isPolar, toleranceOf, type Part } from './parts/part';
import { checkSwap } from './swap/check';
import type { Circuit, SwapVerdict } from './swap/rule';

/** A part in a drawer, and how many. */
export interface Stocked {
  readonly part: Part;
  readonly count: number;
}

export interface Combination {
  readonly parts: readonly Part[];
  readonly how: 'single' | 'parallel' | 'series';
  readonly whole: Part;
  /** Shares down and up if all are as bad as they may be, and by root sum of squares. */
  readonly worst: readonly [down: number, up: number];
  readonly rootSumSquare: number;
  readonly verdict: SwapVerdict;
  readonly notes: readonly string[];
}

/** A part that brings less than this of the whole is not worth its place. */
const LEAST_SHARE = 0.05;

/** More stock lines than this are not tried with each other. */
const MOST_LINES = 60;

/** What some parts come to together, value by value. */
const adds = (kind: Part['kind'], how: Combination['how']): boolean =>
  (kind === 'capacitor') === (how === 'parallel');

/** Ones, pairs and triples from stock that may stand for a part, best first. */
export function combine(
  wanted: Part,
  stock: readonly Stocked[],
  most: 1 | 2 | 3,
  circuit: Circuit = {},
): Combination[] {
  if (wanted.kind !== 'capacitor' && wanted.kind !== 'resistor' && wanted.kind !== 'inductor') return [];
  const lines = stock
    .filter(({ part, count }) => part.kind === wanted.kind && part.value && count > 0)
    .slice(0, MOST_LINES);
  const found: Combination[] = [];
  const alone = new Set(
    lines.flatMap(({ part }) => (checkSwap(wanted, part, circuit).verdict === 'do-not-fit' ? [] : [part])),
  );
  for (const picked of picks(lines, most))
    for (const how of picked.length === 1 ? (['single'] as const) : (['parallel', 'series'] as const)) {
      // What one does, two need not do; and a part that hardly counts is none.
      if (
        how !== 'single' &&
        (picked.some((p) => alone.has(p)) || weights(picked, how).some((w) => w < LEAST_SHARE))
      )
        continue;
      const whole = wholeOf(picked, how);
      const answer = checkSwap(wanted, whole, circuit);
      const notes = [
        ...answer.checks.flatMap((c) => (c.verdict === 'fit' ? [] : [c.reason])),
        ...notesOn(wanted, picked, how),
      ];
      const verdict = forbidden(wanted, picked, how) ? 'do-not-fit' : answer.verdict;
      if (verdict === 'do-not-fit') continue;
      found.push({
        parts: picked,
        how,
        whole,
        worst: toleranceOf(whole),
        rootSumSquare: squares(picked, how),
        verdict,
        notes,
      });
    }
  const off = (c: Combination): number => Math.abs(Math.log(c.whole.value! / wanted.value!));
  return found.sort(
    (a, b) =>
      Number(a.verdict !== 'fit') - Number(b.verdict !== 'fit') ||
      a.parts.length - b.parts.length ||
      off(a) - off(b),
  );
}

/** Ones, pairs and triples, no more of a line than there are. */
function* picks(
  lines: readonly Stocked[],
  most: number,
  from = 0,
  so: readonly Part[] = [],
  left = lines.map((l) => l.count),
): Generator<readonly Part[]> {
  for (let i = from; i < lines.length; i++) {
    if (left[i]! === 0) continue;
    const picked = [...so, lines[i]!.part];
    yield picked;
    if (picked.length < most)
      yield* picks(
        lines,
        most,
        i,
        picked,
        left.map((n, k) => (k === i ? n - 1 : n)),
      );
  }
}

const sum = (values: readonly number[]): number => values.reduce((a, b) => a + b, 0);
const inverse = (values: readonly number[]): number => 1 / sum(values.map((v) => 1 / v));

/** How much each part's own deviation moves the whole's. */
function weights(parts: readonly Part[], how: Combination['how']): number[] {
  const values = parts.map((p) => p.value!);
  const whole = adds(parts[0]!.kind, how) || how === 'single' ? sum(values) : inverse(values);
  return adds(parts[0]!.kind, how) || how === 'single'
    ? values.map((v) => v / whole)
    : values.map((v) => whole / v);
}

function wholeOf(parts: readonly Part[], how: Combination['how']): Part {
  const first = parts[0]!;
  if (how === 'single') return first;
  const values = parts.map((p) => p.value!);
  const value = adds(first.kind, how) ? sum(values) : inverse(values);
  const shares = weights(parts, how);
  const side = (i: 0 | 1): number => sum(parts.map((p, k) => shares[k]! * toleranceOf(p)[i]));
  const known = <T>(of: (p: Part) => T | undefined): T[] | null => {
    const all = parts.map(of);
    return all.every((v): v is T & {} => v !== undefined) ? all : null;
  };
  const esr = known((p) => p.esr_Ohm);
  const [volts, amps, watts, ripple] = [
    known((p) => p.rating_V),
    known((p) => p.rating_A),
    known((p) => p.rating_W),
    known((p) => p.ripple_A),
  ];
  return {
    ...first,
    value,
    tolerance: [side(0), side(1)],
    case: undefined,
    ...(esr ? { esr_Ohm: how === 'parallel' ? inverse(esr) : sum(esr) } : { esr_Ohm: undefined }),
    rating_V: volts
      ? how === 'parallel' || first.kind !== 'capacitor'
        ? Math.min(...volts)
        : sharedVolts(parts)
      : undefined,
    rating_A: amps ? (how === 'parallel' ? sum(amps) : Math.min(...amps)) : undefined,
    rating_W: watts ? sharedWatts(parts, how) : undefined,
    ripple_A: ripple ? (how === 'parallel' ? sharedRipple(parts) : Math.min(...ripple)) : undefined,
    safetyClass: parts.every((p) => p.safetyClass === first.safetyClass) ? first.safetyClass : undefined,
  };
}

/** Capacitors in series share a voltage by their charge: what the whole stands until the first is at its own, worst case. */
function sharedVolts(parts: readonly Part[]): number {
  const ranges = parts.map(
    (p) => [p.value! * (1 - toleranceOf(p)[0]), p.value! * (1 + toleranceOf(p)[1])] as const,
  );
  return Math.min(
    ...parts.map((p, i) => {
      const own = ranges[i]![0];
      const whole = inverse(ranges.map(([, high], k) => (k === i ? own : high)));
      return (p.rating_V! * own) / whole;
    }),
  );
}

/** Side by side they share ripple by what they resist it with: ESR where it is known, else value; until the first is at its own. */
function sharedRipple(parts: readonly Part[]): number {
  const lets = (p: Part): number => (parts.every((q) => q.esr_Ohm) ? 1 / p.esr_Ohm! : p.value!);
  const all = sum(parts.map(lets));
  return Math.min(...parts.map((p) => (p.ripple_A! * all) / lets(p)));
}

/** Resistors share a loss by their value: what the whole stands until the first is at its own. */
function sharedWatts(parts: readonly Part[], how: Combination['how']): number {
  const share = (p: Part): number => (how === 'series' ? p.value! : 1 / p.value!);
  const all = sum(parts.map(share));
  return Math.min(...parts.map((p) => (p.rating_W! * all) / share(p)));
}

const squares = (parts: readonly Part[], how: Combination['how']): number =>
  Math.sqrt(sum(parts.map((p, i) => (weights(parts, how)[i]! * Math.max(...toleranceOf(p))) ** 2)));

/** Safety parts stand side by side only with their like, each with the whole rating; none is put in series (common practice). */
function forbidden(wanted: Part, parts: readonly Part[], how: Combination['how']): boolean {
  if (!wanted.safetyClass) return false;
  return (
    how === 'series' ||
    parts.some((p) => p.safetyClass !== parts[0]!.safetyClass || p.rating_V !== parts[0]!.rating_V)
  );
}

function notesOn(wanted: Part, parts: readonly Part[], how: Combination['how']): string[] {
  if (how === 'single') return [];
  return [
    how === 'parallel'
      ? 'the second in a second pair of holes, or on the solder side with sleeved leads'
      : 'joined at a free end, sleeved and fixed so that it carries nothing',
    ...(how === 'series' && wanted.kind === 'capacitor' && parts.some((p) => p.technology === 'aluminium')
      ? ['electrolytes in series want a resistor across each, or their leakage shares the voltage']
      : []),
    ...(how === 'parallel' && parts.every(isPolar) && new Set(parts.map((p) => p.value)).size > 1
      ? [
          `${parts.map((p) => valueInWords(p.value!, 'capacitance')).join(' and ')} share ripple by their ESR, not by their value`,
        ]
      : []),
  ];
}
