import type { Dispatch } from 'react';
import { useStore } from '@nanostores/react';
import type { RecapAnswer, SequenceAnswer } from '~/schema/exchange/recap/recapAnswer';
import type { RecapRecord } from '~/schema/records/jobs/recap';
import type { RecapSheet } from '~/schema/sheets/recapSheet';
import { postJson } from '~/ui/api';
import { $by, SIGN_FIRST } from '~/ui/preferences';
import { shownKept, type RecapAction, type RecapState } from './state';

export const sequenceOf = (answer: RecapAnswer, order: 'value' | 'area'): SequenceAnswer =>
  order === 'value' ? answer.byValue : answer.byArea;

interface RoundActions {
  /** Keeps what is shown, and shows it as kept. */
  readonly keep: () => boolean;
  /** Takes up a part, the next one where none is named; what is shown is kept first. */
  readonly begin: (siteId?: string) => boolean;
}

/** Keeping a whole board's job, and taking up its parts. */
export function useRound(
  sheet: RecapSheet,
  state: RecapState,
  dispatch: Dispatch<RecapAction>,
): RoundActions {
  const by = useStore($by);
  const { board, kept } = sheet;
  const answer = state.run.status === 'done' ? state.run.answer : null;

  /** What goes wrong on the way stands on the page, and nothing is lost. */
  const busy = (what: string, work: (answer: RecapAnswer, by: string) => Promise<void>): boolean => {
    if (!answer || state.busy !== null) return false;
    if (!by) {
      dispatch({ type: 'refused', error: new Error(SIGN_FIRST) });
      return true;
    }
    dispatch({ type: 'busy', what });
    work(answer, by).catch((error: unknown) => dispatch({ type: 'refused', error }));
    return true;
  };

  const keptId = async (found: RecapAnswer, who: string): Promise<string> => {
    const shown = shownKept(state, kept);
    if (shown) return shown.recap.id;
    const done = new Set(
      kept?.round.begun ? kept.round.lines.filter((l) => l.status === 'done').map((l) => l.ref) : [],
    );
    const refs = sequenceOf(found, state.order).refs.filter((ref) => !done.has(ref));
    const idOf = new Map(sheet.sites.map((s) => [s.ref, s.id]));
    const record = await postJson<RecapRecord>(`/api/boards/${board.id}/recaps`, {
      name: `${refs.length} parts, ${state.order === 'value' ? 'value by value' : 'area by area'}`,
      by: who,
      order: state.order,
      siteIds: refs.map((ref) => idOf.get(ref)!),
      answer: found,
    });
    return record.id;
  };

  return {
    keep: () =>
      busy('Keeping…', async (found, who) => {
        await keptId(found, who);
        location.reload();
      }),
    begin: (siteId) =>
      busy('Planning the part from the record…', async (found, who) => {
        const recapId = await keptId(found, who);
        const { jobId } = await postJson<{ jobId: string }>(
          `/api/boards/${board.id}/recaps/${recapId}/next`,
          { by: who, ...(siteId === undefined ? {} : { siteId }) },
        );
        location.assign(`/jobs/${jobId}`);
      }),
  };
}
