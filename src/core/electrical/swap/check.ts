import type { Part } from '../parts/part';
import { ANY_RULES, MOUNTING } from './anyPart';
import { CAPACITOR_RULES } from './capacitor';
import { OTHER_RULES } from './others';
import { REGULATOR_RULES } from './regulator';
import { no, note, type Circuit, type SwapCheck, type SwapRule, type SwapVerdict } from './rule';

export interface SwapAnswer {
  readonly verdict: SwapVerdict;
  readonly checks: readonly SwapCheck[];
  /** What would turn what speaks against it. */
  readonly wouldTurnIt: readonly string[];
}

const WORST: readonly SwapVerdict[] = ['fit', 'fit-with-note', 'do-not-fit'];

const worstOf = (verdicts: readonly SwapVerdict[]): SwapVerdict =>
  WORST[Math.max(0, ...verdicts.map((v) => WORST.indexOf(v)))]!;

const rulesFor = (part: Part): readonly SwapRule[] => [
  ...(part.kind === 'capacitor'
    ? CAPACITOR_RULES
    : part.kind === 'regulator'
      ? REGULATOR_RULES
      : OTHER_RULES),
  ...ANY_RULES,
];

/** That nothing of the two could be compared. */
export const NOTHING_KNOWN = 'known';
const UNKNOWN = note(
  NOTHING_KNOWN,
  'nothing is known of both that could be held against each other: look both up before it is fitted',
  {},
  'the marking or the ratings of both',
);

/** What a part does where nobody says it: a safety class is for one place (IEC 60384-14). */
const useOf = ({ safetyClass }: Part): Circuit['use'] =>
  safetyClass ? (safetyClass.startsWith('X') ? 'across-mains' : 'line-to-earth') : undefined;

/** Whether a part may stand where another stood: every rule's word, and the worst of them as the whole. */
export function checkSwap(original: Part, candidate: Part, circuit: Circuit = {}): SwapAnswer {
  if (original.kind !== candidate.kind) {
    const check = no('kind', `a ${candidate.kind} is no ${original.kind}`);
    return { verdict: 'do-not-fit', checks: [check], wouldTurnIt: [`a ${original.kind}`] };
  }
  const where = { ...circuit, use: circuit.use ?? useOf(original) };
  const told = rulesFor(original).flatMap((rule) => rule(original, candidate, where) ?? []);
  // Two parts of which nothing is known that could be held against each other are not alike for that.
  const checks = told.some(({ rule }) => rule !== 'origin' && rule !== MOUNTING) ? told : [...told, UNKNOWN];
  return {
    verdict: worstOf(checks.map((c) => c.verdict)),
    checks,
    wouldTurnIt: checks.flatMap((c) => (c.verdict !== 'fit' && c.turnedBy ? [c.turnedBy] : [])),
  };
}
