import type { Db } from '~/server/store/db';
import { tipLessons } from './learnt';
import { listSupplies, recentMoves } from '~/server/store/repositories/supplies';
import { allTools } from '~/server/store/repositories/tools';
import type { BackupsKept } from '~/schema/sheets/backupsKept';
import type { RigSheet } from '~/schema/sheets/rigSheet';

/** Moves of stock that the Rig shows. */
const SHOWN_MOVES = 20;

/** Gathers what the Rig is drawn from. */
export const rigSheet = (db: Db, backups: BackupsKept, now_ms: number): RigSheet => ({
  tools: allTools(db),
  lessons: tipLessons(db, allTools(db)),
  supplies: listSupplies(db),
  moves: recentMoves(db, SHOWN_MOVES),
  backups,
  now_ms,
});
