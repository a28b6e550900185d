import { useMemo, type Dispatch } from 'react';
import type { BoardSheet } from '~/schema/sheets/boardSheet';
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
  readonly sheet: Pick<BoardSheet, 'board' | 'sites'>;
  readonly preview: ImportPreview;
  readonly dispatch: Dispatch<ImportAction>;
}) {
  const { length_mm, width_mm, copperLayers } = board.construction;
  const shown = useMemo(
    () => [
      ...sites.map((site) => ({ ...site, worst: 'sound' as const, faint: true })),
      ...keptSites({ preview, struck, families }).map(({ site }) => ({
        ...site,
        id: site.ref,
        worst: 'sound' as const,
      })),
    ],
    [sites, preview, struck, families],
  );
  const choose = (ref: string): void => dispatch({ type: 'choose', ref });
  const crowded = shown.length > CROWD_FROM;
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
              const found = nearestOf(shown, side, x_mm, y_mm);
              if (found) choose(found.ref);
            }
          : undefined
      }
      copper={preview.layers.find(({ layer }) => layer === (side === 'top' ? 1 : copperLayers.length))}
      beneath={(at) => (
        <>
          {preview.profile && <Profile at={at} profile={preview.profile} />}
          {crowded && <Crowd sites={shown} side={side} length_mm={length_mm} width_mm={width_mm} />}
        </>
      )}
      sites={crowded ? shown.filter(({ id }) => id === chosen) : shown}
    />
  );
}
