import type { BoardSheet, SiteSheet } from '~/schema/sheets/boardSheet';
import { stroked, type PadCopper, type StrokeId } from '~/schema/presets/copperStroke';
import { isSurfaceInput } from '~/schema/exchange/si/part';
import { ApiError, patchJson } from '~/ui/api';
import type { BoardAction } from './state';

/** Writes nets and copper of the taken pads, one site at a time, against the revision it was read at. */
export function useCopperMarks(
  construction: BoardSheet['board']['construction'],
  site: SiteSheet | null,
  run: readonly string[],
  dispatch: (action: BoardAction) => void,
) {
  const change = (of: (pad: PadCopper) => PadCopper): void => {
    if (!site) return;
    const taken = site.pads.filter((pad) => run.includes(pad.name));
    if (taken.length === 0) return;
    patchJson<SiteSheet>(`/api/sites/${site.id}/pads`, {
      revision: site.revision,
      pads: taken.map((pad) => {
        const { net, connections } = of(pad);
        return { id: pad.id, net, connections };
      }),
    }).then(
      (changed) => dispatch({ type: 'site-changed', site: changed }),
      (error: unknown) => {
        // Another screen was first: show what it wrote, so that nothing is overwritten unseen.
        if (error instanceof ApiError && error.kind === 'conflict' && error.current)
          dispatch({ type: 'site-changed', site: error.current as SiteSheet });
        dispatch({ type: 'failed', error });
      },
    );
  };
  return {
    stroke: (id: StrokeId): void => {
      if (!site) return;
      const stand = { holed: !isSurfaceInput(site.package), side: site.side };
      change((pad) => stroked(id, pad, stand, construction));
    },
    name: (net: string): void => change((pad) => ({ ...pad, net: net.trim() })),
  };
}
