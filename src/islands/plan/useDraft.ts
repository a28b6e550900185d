import { useEffect, useRef, type Dispatch } from 'react';
import { GOALS } from '~/core/method/goals';
import type { PlanSheet } from '~/schema/sheets/planSheet';
import { draftOf, readDraft, writeDraft } from './draft';
import type { PlanAction, PlanState } from './state';

/** Keeps what is set on a plan through a reload, in this tab; a goal that the address asks for comes first. */
export function useDraft(sheet: PlanSheet, state: PlanState, dispatch: Dispatch<PlanAction>): void {
  const { site, inputsKey } = sheet;
  const looked = useRef(false);

  useEffect(() => {
    const address = new URLSearchParams(window.location.search).get('goal');
    const asked = GOALS.find((goal) => goal === address) ?? null;
    const draft = readDraft(sessionStorage, site.id, inputsKey, asked);
    if (draft) dispatch({ type: 'restored', draft });
    looked.current = true;
  }, [site.id, inputsKey, dispatch]);

  const text = JSON.stringify(draftOf(state, inputsKey));
  const first = useRef(text);
  useEffect(() => {
    // What the page itself began with is no wish of anyone's.
    if (!looked.current || text === first.current) return;
    first.current = '';
    writeDraft(sessionStorage, site.id, text);
    const address = new URL(window.location.href);
    address.searchParams.set('goal', state.goal);
    if (address.href !== window.location.href) window.history.replaceState(null, '', address);
  }, [text, site.id, state.goal]);
}
