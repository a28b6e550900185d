import type { MappedBoard } from '~/schema/values/mappedBoard';
import type { Db } from '~/server/store/db';
import { getBoard } from '~/server/store/repositories/boards';
import { importsOf } from '~/server/store/repositories/imports';
import { copperMapsOf } from './copperMaps';

/**
 * A board as the heat model takes it, whoever asks: its layers as they were told, its copper as artwork shows it, and
 * its edge as a profile draws it.
 */
export function heatBoardOf(db: Db, boardId: string): MappedBoard {
  const { construction } = getBoard(db, boardId);
  const maps = copperMapsOf(db, boardId);
  const outline = edgeOf(db, boardId);
  return {
    ...construction,
    ...(maps.length > 0 ? { copperMaps: maps } : {}),
    ...(outline ? { outline_mm: outline } : {}),
  };
}

/** The newest imported edge, kept within the board's rectangle; null where none was imported. */
function edgeOf(db: Db, boardId: string): [number, number][] | null {
  const { length_mm, width_mm } = getBoard(db, boardId).construction;
  const edge = importsOf(db, boardId).find((made) => made.undoneAt_ms === null && made.profile?.edge)?.profile
    ?.edge;
  if (!edge) return null;
  const within = (value: number, most: number): number => Math.min(most, Math.max(0, value));
  return edge.map(([x, y]) => [within(x, length_mm), within(y, width_mm)]);
}
