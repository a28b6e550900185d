import type { PadStateId } from '~/core/record/padStates';
import type { RootCauseId } from '~/core/record/rootCauses';

/** What can go wrong at work, and what it is counted by. */
interface HarmTraits {
  readonly name: string;
  readonly per: 'joint' | 'job';
  /** Pads that a job left so. */
  readonly states?: readonly PadStateId[];
  /** On pads of the part that was worked on, or of another. */
  readonly whose?: 'own' | 'neighbour';
  /** Jobs whose fault came from that. */
  readonly causes?: readonly RootCauseId[];
}

export const HARMS = {
  lifted: { name: 'Lifted lands', per: 'joint', states: ['lifted'], whose: 'own' },
  torn: { name: 'Torn lands and barrels', per: 'joint', states: ['torn', 'barrel'], whose: 'own' },
  bridged: { name: 'Bridges', per: 'joint', states: ['bridged'], whose: 'own' },
  neighbour: {
    name: 'Neighbours hurt',
    per: 'job',
    states: ['cracked', 'skewed', 'bridged', 'lifted', 'torn', 'missing'],
    whose: 'neighbour',
  },
  part: { name: 'Wrong, turned or bad parts', per: 'job', causes: ['wrong-part', 'turned-part', 'bad-part'] },
} as const satisfies Readonly<Record<string, HarmTraits>>;

export type HarmId = keyof typeof HARMS;
export const HARM_IDS = Object.keys(HARMS) as [HarmId, ...HarmId[]];
export const harmTraits = (id: HarmId): HarmTraits => HARMS[id];

interface FoundByJob {
  readonly state: PadStateId;
  readonly padId: string;
  readonly siteId: string;
  readonly foundAs: 'as-received' | 'done-here';
}

/** How many pads, or how often, each harm came of a job; `found` are the findings of it that still hold. */
export function harmsOf(
  siteId: string,
  found: readonly FoundByJob[],
  rootCause: RootCauseId | null,
): Record<HarmId, number> {
  const count = (id: HarmId): number => {
    const { states = [], whose, causes, per } = harmTraits(id);
    if (causes) return rootCause !== null && causes.includes(rootCause) ? 1 : 0;
    const pads = new Set(
      found.flatMap(({ state, padId, siteId: on, foundAs }) =>
        foundAs === 'done-here' && states.includes(state) && (on === siteId) === (whose === 'own')
          ? [padId]
          : [],
      ),
    );
    return per === 'joint' ? pads.size : Math.min(1, pads.size);
  };
  return Object.fromEntries(HARM_IDS.map((id) => [id, count(id)])) as Record<HarmId, number>;
}
