import { PAD_STATES, type PadStateId } from '~/core/record/padStates';
import type { SiteSheet } from '~/schema/boardSheet';
import type { FindingRecord } from '~/schema/finding';
import { postJson } from '~/ui/api';
import { $by } from '~/ui/preferences';
import type { MarkingAction, Pending } from './marking';

interface MarkingOptions {
  readonly site: SiteSheet | null;
  readonly pending: Pending | null;
  readonly foundAs: 'as-received' | 'done-here';
  readonly jobId: string | null;
  readonly dispatch: (action: MarkingAction) => void;
}

/**
 * Records findings on pads: a state that names two pads waits for the second, which is the next pad
 * chosen. Used wherever a land drawing takes findings.
 */
export function useMarking({ site, pending, foundAs, jobId, dispatch }: MarkingOptions) {
  const write = (padId: string, state: PadStateId, otherPadId: string | null): void => {
    postJson<FindingRecord>('/api/findings', {
      padId,
      state,
      otherPadId,
      foundAs,
      jobId,
      note: '',
      by: $by.get(),
    }).then(
      (finding) => dispatch({ type: 'found', finding }),
      (error: unknown) => dispatch({ type: 'failed', error }),
    );
  };
  const padNamed = (name: string) => site?.pads.find((p) => p.name === name);

  return {
    mark: (padName: string, state: PadStateId): void => {
      const pad = padNamed(padName);
      if (!pad) return;
      if ('names' in PAD_STATES[state]) dispatch({ type: 'needs-other', padId: pad.id, state });
      else write(pad.id, state, null);
    },
    choose: (padName: string): void => {
      const pad = padNamed(padName);
      if (pending && pad && pad.id !== pending.padId) write(pending.padId, pending.state, pad.id);
      dispatch({ type: 'pad', pad: padName });
    },
  };
}
