import { PAD_STATES, type PadStateId } from '~/core/record/padStates';
import type { SiteSheet } from '~/schema/sheets/boardSheet';
import type { FindingRecord, NewFinding } from '~/schema/records/site/finding';
import { useCommands } from '~/ui/keyboard/useCommands';
import { postJson } from '~/ui/api';
import { $by } from '~/ui/preferences';
import { MARKING_COMMANDS } from './commands';
import { jointOf, type FoundAs, type MarkingAction, type Pending } from './marking';

interface MarkingOptions {
  readonly site: SiteSheet | null;
  readonly run: readonly string[];
  readonly pending: Pending | null;
  readonly marking: boolean;
  readonly claim: readonly string[] | null;
  readonly pad: string | null;
  readonly foundAs: FoundAs;
  readonly jobId: string | null;
  readonly note?: string;
  readonly dispatch: (action: MarkingAction) => void;
}

type Mark = Pick<NewFinding, 'padId' | 'state' | 'otherPadId'>;

/**
 * Records findings on the pads that are taken. A state that names two pads goes along a run pair by pair; on
 * one pad alone it waits for the second, which is the next pad chosen. Used wherever lands take findings.
 */
export function useMarking({
  site,
  run,
  pending,
  marking,
  claim,
  pad: chosen,
  foundAs,
  jobId,
  note = '',
  dispatch,
}: MarkingOptions) {
  const write = (marks: readonly Mark[], told: string | null): void => {
    const common = { foundAs, jobId, note, by: $by.get() };
    postJson<FindingRecord[]>(
      '/api/findings',
      marks.map((mark) => ({ ...mark, ...common })),
    ).then(
      (findings) => dispatch({ type: 'found', findings, told }),
      (error: unknown) => dispatch({ type: 'failed', error }),
    );
  };
  const padNamed = (name: string) => site?.pads.find((p) => p.name === name);
  const join = (state: PadStateId, pairs: readonly (readonly [string, string])[]): void => {
    const marks: Mark[] = [];
    const told: string[] = [];
    for (const [firstId, secondId] of pairs) {
      const [a, b] = [firstId, secondId].map((id) => site!.pads.find((p) => p.id === id)!);
      const joint = jointOf(state, a!, b!);
      if ('refused' in joint) {
        dispatch({ type: 'failed', error: new Error(joint.refused) });
        return;
      }
      marks.push({ padId: a!.id, state: joint.state, otherPadId: b!.id });
      if (joint.told) told.push(joint.told);
    }
    write(marks, told.join(' ') || null);
  };

  const mark = (padName: string, state: PadStateId): void => {
    const names = run.includes(padName) ? run : [padName];
    const pads = names.flatMap((name) => padNamed(name) ?? []);
    if (pads.length === 0) return;
    // A repair is evidence: one key alone does not claim it.
    if (state === 'repaired' && claim === null) dispatch({ type: 'claim', pads: names });
    else if (!('names' in PAD_STATES[state])) {
      write(
        pads.map((pad) => ({ padId: pad.id, state, otherPadId: null })),
        null,
      );
    } else if (pads.length === 1) dispatch({ type: 'needs-other', padId: pads[0]!.id, state });
    else {
      join(
        state,
        pads.slice(1).map((pad, i) => [pads[i]!.id, pad.id] as const),
      );
    }
  };

  useCommands('marking', MARKING_COMMANDS, (id) => {
    if (id === 'leave') {
      if (!marking && !pending && !claim) return false;
      dispatch(pending || claim ? { type: 'forget' } : { type: 'marking', on: false });
      return true;
    }
    if (!marking || !chosen) return false;
    mark(chosen, id);
    return true;
  });

  return {
    mark,
    /** Says of a finding that it was not so. */
    takeBack: ({ padId, state, otherPadId, id }: FindingRecord, reason: string): void => {
      postJson<FindingRecord>('/api/findings', {
        padId,
        state,
        otherPadId,
        takesBackId: id,
        foundAs,
        jobId,
        note: reason,
        by: $by.get(),
      }).then(
        (finding) => dispatch({ type: 'found', findings: [finding], told: null }),
        (error: unknown) => dispatch({ type: 'failed', error }),
      );
    },
    choose: (padName: string, settled = true): void => {
      const pad = padNamed(padName);
      if (settled && pending && pad && pad.id !== pending.padId)
        join(pending.state, [[pending.padId, pad.id]]);
      dispatch({ type: 'pad', pad: padName });
    },
    take: (pads: readonly string[]): void => {
      if (pads.length === 1) dispatch({ type: 'pad', pad: pads[0]! });
      else if (pads.length > 1) dispatch({ type: 'run', pads });
    },
  };
}
