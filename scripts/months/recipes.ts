import type { Goal } from '~/core/method/goals';
import type { MethodId } from '~/core/method/ways/method';
import type { RootCauseId } from '~/core/record/rootCauses';

/** One kind of work that the invented workshop did again and again. */
export interface Recipe {
  /** The demo board whose kind it is of, and the part on it. */
  readonly of: string;
  readonly ref: string;
  readonly goal: Goal;
  /** The way its part comes off or is joined again; left out: the plan's own choice. */
  readonly method?: MethodId;
  /** How often it comes, beside the others of its board. */
  readonly weight: number;
  readonly causes: readonly RootCauseId[];
}

/** A kind of board: how many of it there are beside the demo's own, how they are named, and when they were made. */
export interface Kind {
  readonly of: string;
  readonly names: readonly string[];
  readonly madeIn: readonly [from: number, to: number];
  readonly weight: number;
}

const numbered = (name: string, numbers: readonly number[]): string[] => numbers.map((n) => `${name}${n}`);

export const KINDS: readonly Kind[] = [
  {
    of: 'demo-validator-9',
    names: numbered('Ticket validator ', [1, 2, 3, 4, 5, 6, 7, 8, 10, 11]),
    madeIn: [1989, 1994],
    weight: 8,
  },
  {
    of: 'demo-door-7',
    names: numbered('Door controller, car ', [1, 2, 3, 4, 5, 6, 8, 9, 10]),
    madeIn: [1996, 1999],
    weight: 4,
  },
  {
    of: 'demo-beacon-4',
    names: numbered('Beacon driver ', [1, 2, 3, 5, 6]),
    madeIn: [2005, 2008],
    weight: 4,
  },
  {
    of: 'demo-projector-m2',
    names: numbered('Star projector, motor board ', [1, 3, 4]),
    madeIn: [2012, 2014],
    weight: 3,
  },
  {
    of: 'demo-dimmer-4',
    names: [
      'Dome dimmer, channels 5 to 8',
      'Dome dimmer, channels 9 to 12',
      'Dome dimmer, channels 13 to 16',
    ],
    madeIn: [1998, 1998],
    weight: 3,
  },
  { of: 'demo-tide-1', names: numbered('Tide logger ', [2, 3, 4]), madeIn: [2001, 2003], weight: 2 },
];

const AGE: readonly RootCauseId[] = ['worn', 'worn', 'worn', 'joint', 'not-found'];
const SHAKEN: readonly RootCauseId[] = ['knocked', 'joint', 'joint', 'worn'];
const CHIPS: readonly RootCauseId[] = ['surge', 'worn', 'joint', 'wet', 'not-found'];

export const RECIPES: readonly Recipe[] = [
  { of: 'demo-validator-9', ref: 'C2', goal: 'replace', method: 'pump-or-wick', weight: 3, causes: AGE },
  { of: 'demo-validator-9', ref: 'C2', goal: 'replace', method: 'leg-at-a-time', weight: 3, causes: AGE },
  { of: 'demo-validator-9', ref: 'C1', goal: 'replace', method: 'pump-or-wick', weight: 2, causes: AGE },
  { of: 'demo-validator-9', ref: 'C1', goal: 'replace', method: 'gun', weight: 2, causes: AGE },
  { of: 'demo-validator-9', ref: 'U1', goal: 'replace', method: 'gun', weight: 1, causes: CHIPS },
  { of: 'demo-validator-9', ref: 'R1', goal: 'replace', method: 'leg-at-a-time', weight: 2, causes: AGE },
  { of: 'demo-door-7', ref: 'J1', goal: 'reflow', weight: 3, causes: SHAKEN },
  { of: 'demo-door-7', ref: 'C3', goal: 'replace', method: 'pump-or-wick', weight: 3, causes: AGE },
  { of: 'demo-door-7', ref: 'U1', goal: 'replace', method: 'gun', weight: 1, causes: CHIPS },
  { of: 'demo-beacon-4', ref: 'U7', goal: 'reflow', weight: 4, causes: CHIPS },
  { of: 'demo-beacon-4', ref: 'C31', goal: 'replace', weight: 2, causes: AGE },
  { of: 'demo-beacon-4', ref: 'J2', goal: 'reflow', weight: 2, causes: SHAKEN },
  { of: 'demo-beacon-4', ref: 'C7', goal: 'replace', weight: 2, causes: AGE },
  { of: 'demo-projector-m2', ref: 'U21', goal: 'reflow', weight: 3, causes: CHIPS },
  { of: 'demo-projector-m2', ref: 'C31', goal: 'replace', weight: 2, causes: AGE },
  { of: 'demo-projector-m2', ref: 'U12', goal: 'reflow', weight: 2, causes: CHIPS },
  { of: 'demo-dimmer-4', ref: 'C101', goal: 'replace', method: 'pump-or-wick', weight: 1, causes: AGE },
  { of: 'demo-dimmer-4', ref: 'C203', goal: 'replace', method: 'pump-or-wick', weight: 1, causes: AGE },
  { of: 'demo-dimmer-4', ref: 'C305', goal: 'replace', method: 'gun', weight: 1, causes: AGE },
  { of: 'demo-dimmer-4', ref: 'C402', goal: 'replace', method: 'gun', weight: 1, causes: AGE },
  {
    of: 'demo-tide-1',
    ref: 'C4',
    goal: 'replace',
    method: 'leg-at-a-time',
    weight: 2,
    causes: ['leaked', 'worn'],
  },
  { of: 'demo-tide-1', ref: 'U2', goal: 'reflow', weight: 2, causes: ['wet', 'joint', 'not-found'] },
];

/** What was so on the invented bench, and what its charts are to find. */
export const TRUTH = {
  /** This tip wore through then; it bridges and melts late since. */
  wornTip: { tip: 'conical 0.5 mm', from: '2026-09-07', bridges: 0.06, slower_sd: 1.6 },
  /** Pulls lands off laminate of that kind, for whoever does it. */
  lifts: { method: 'pump-or-wick', laminate: 'paper-phenolic', share: 0.14 },
  /** Capacitors of that batch come back. */
  badBatch: { batch: 'Q2447', from: '2026-05-04', to: '2026-07-31', returns: 0.45 },
  usual: { lifted: 0.004, bridged: 0.006, neighbour: 0.008, wrongPart: 0.012 },
} as const;

export const FROM = Date.UTC(2026, 2, 30, 7);
export const UNTIL = Date.UTC(2026, 10, 20, 16);
export const PEOPLE = ['RT', 'MK', 'AO', 'HL'] as const;
