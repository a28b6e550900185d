import { useMemo, type Dispatch } from 'react';
import type { ImportSheet } from '~/schema/sheets/boardSheet';
import { BoardFace } from '~/ui/face/BoardFace';
import { Crowd, CROWD_FROM, nearestOf } from '~/ui/face/Crowd';
import { Profile } from '~/ui/face/Profile';
import type { ImportPreview } from '~/workers/protocol';
import { keptSites, type ImportAction, type ImportState } from './state';

/** The board as it would be: what stands on it already as ghosts, what would be placed as itself. */
export function ImportFace({
  sheet: { board, sites },
  preview,
  families,
  struck,
  chosen,
  side,
  dispatch,
}: Pick<ImportState, 'families' | 'struck' | 'chosen' | 'side'> & {
  readonly sheet: Pick<ImportSheet, 'board' | 'sites'>;
  readonly preview: ImportPreview;
  readonly dispatch: Dispatch<ImportAction>;
}) {
  const { length_mm, width_mm, copperLayers } = board.construction;
  /** The parts themselves where they are many: what is drawn of each is remembered by it. */
  const crowd = useMemo(
    () => [...sites, ...keptSites({ preview, struck, families }).map(({ site }) => site)],
    [sites, preview, struck, families],
  );
  const choose = (ref: string): void => dispatch({ type: 'choose', ref });
  const crowded = crowd.length > CROWD_FROM;
  // Of a crowd the chosen one alone is drawn whole.
  const alone = crowded ? chosen : null;
  const byRef = useMemo(() => new Map(crowd.map((site) => [site.ref, site])), [crowd]);
  const shown = useMemo(() => {
    const one = alone === null ? undefined : byRef.get(alone);
    const whole = !crowded ? crowd : one ? [one] : [];
    const before = new Set<unknown>(sites);
    return whole.map((site) => ({
      ...site,
      id: 'id' in site ? site.id : site.ref,
      worst: 'sound' as const,
      faint: before.has(site),
    }));
  }, [sites, crowd, byRef, crowded, alone]);
  return (
    <BoardFace
      length_mm={length_mm}
      width_mm={width_mm}
      side={side}
      selected={chosen}
      onSelect={choose}
      onPoint={
        crowded
          ? (x_mm, y_mm) => {
              const found = nearestOf(crowd, side, x_mm, y_mm);
              if (found) choose(found.ref);
            }
          : undefined
      }
      copper={preview.layers.find(({ layer }) => layer === (side === 'top' ? 1 : copperLayers.length))}
      beneath={(at) => (
        <>
          {preview.profile && <Profile at={at} profile={preview.profile} />}
          {crowded && <Crowd sites={crowd} side={side} length_mm={length_mm} width_mm={width_mm} />}
        </>
      )}
      sites={shown}
    />
  );
}
