import { spoilsHere, wireSpoils } from '../solders';
import type { PhaseRequest, Setting } from '../request';
import { step, type Step } from './step';

/** What keeps bismuth and lead apart, from the flood to the last joint. */

export const wickLowMelt = (withLead: boolean): Step =>
  step({
    id: 'wick-clean',
    kind: 'do',
    title: 'Wick the low-melt alloy off, twice',
    detail: 'Braid and flux over every pad, tin with ordinary solder, braid again. The part’s leads as well.',
    why: withLead
      ? 'Bismuth with lead leaves a phase that melts near 96 °C: a joint made over it lets go in service.'
      : 'Left in, it weakens the new joint and lowers its melting.',
    cautions: withLead ? ['fume', 'bismuth'] : ['fume'],
  });

/** What an earlier visit flooded and never wicked comes off before a part goes on. */
export const leftLowMelt = (request: PhaseRequest): Step[] =>
  request.site.lowMeltLeft === true ? [wickLowMelt(spoilsHere(request))] : [];

/** The wire in stock and the joints hold what must not meet: another wire is fetched, or none is fed. Air feeds none. */
export const solderKind = (request: PhaseRequest, { kind }: Pick<Setting, 'kind'>): Step[] =>
  kind === 'hand' && wireSpoils(request)
    ? [
        step({
          id: 'wire',
          kind: 'gate',
          title: 'Not this wire into these joints',
          detail:
            'One holds bismuth, the other lead. Fetch wire of the joints’ own kind, or feed none and work on flux.',
          why: 'Together they leave a phase that melts near 96 °C: the joint lets go when the board runs warm.',
          cautions: ['bismuth'],
        }),
      ]
    : [];

/** Wherever solder is fed the caution stands in the step itself. */
export const cautioned = (request: PhaseRequest, steps: readonly Step[]): Step[] =>
  wireSpoils(request)
    ? steps.map((s) =>
        s.cautions.includes('lead') || (s.kind === 'heat' && request.phase === 'fit')
          ? { ...s, cautions: [...s.cautions, 'bismuth'] }
          : s,
      )
    : [...steps];
