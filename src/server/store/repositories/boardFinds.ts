import { type SQLWrapper, and, desc, eq, inArray, isNull, or, sql } from 'drizzle-orm';
import { PAD_STATE_IDS, PAD_STATES } from '~/core/record/padStates';
import { boards } from '~/schema/records/board/board.table';
import { findings } from '~/schema/records/site/finding.table';
import { pads } from '~/schema/records/site/pad.table';
import { sites } from '~/schema/records/site/site.table';
import type { BenchFind } from '~/schema/sheets/benchSheet';
import type { Db } from '../db';

/** So many boards are told of for one search. */
const MOST_FOUND = 200;

/** Boards that have a part of that reference or value, or a pad that was found so: the first reason of each. */
export function findOnBoards(db: Db, text: string): BenchFind[] {
  const found = new Map<string, string>();
  for (const { boardId, because } of [...byPart(db, text), ...byFinding(db, text)])
    if (!found.has(boardId)) found.set(boardId, because);
  return [...found].map(([boardId, because]) => ({ boardId, because }));
}

/** Boards that have every word of a text in what is told of them, the latest booked in first. */
export const namedLike = (db: Db, text: string): string[] =>
  db
    .select({ id: boards.id })
    .from(boards)
    .where(
      and(
        ...text
          .split(/\s+/)
          .filter(Boolean)
          .map((word) => likeText(TOLD, `%${escaped(word)}%`)),
      ),
    )
    .orderBy(desc(boards.createdAt_ms))
    .limit(MOST_FOUND)
    .all()
    .map(({ id }) => id);

const TOLD = sql`(${boards.name} || ' ' || ${boards.fault} || ' ' || ${boards.owner} || ' ' || ${boards.nextAction} || ' ' || ${boards.id})`;

function byPart(db: Db, text: string): BenchFind[] {
  const starts = `${escaped(text)}%`;
  return db
    .select({ boardId: sites.boardId, ref: sites.ref, value: sites.value })
    .from(sites)
    .where(or(likeText(sites.ref, starts), likeText(sites.value, `%${escaped(text)}%`)))
    .groupBy(sites.boardId)
    .limit(MOST_FOUND)
    .all()
    .map(({ boardId, ref, value }) => ({ boardId, because: value ? `${ref}, ${value}` : ref }));
}

function byFinding(db: Db, text: string): BenchFind[] {
  const states = PAD_STATE_IDS.filter((id) => PAD_STATES[id].name.toLowerCase().includes(text.toLowerCase()));
  if (states.length === 0) return [];
  return db
    .select({ boardId: findings.boardId, ref: sites.ref, pad: pads.name, state: findings.state })
    .from(findings)
    .innerJoin(sites, eq(sites.id, findings.siteId))
    .innerJoin(pads, eq(pads.id, findings.padId))
    .where(
      and(
        inArray(findings.state, states),
        isNull(findings.takesBackId),
        sql`not exists (select 1 from findings later where later.takes_back_id = ${findings.id})`,
      ),
    )
    .groupBy(findings.boardId)
    .limit(MOST_FOUND)
    .all()
    .map(({ boardId, ref, pad, state }) => ({
      boardId,
      because: `${ref} pin ${pad}: ${PAD_STATES[state].name.toLowerCase()}`,
    }));
}

type Column = SQLWrapper;
const likeText = (column: Column, pattern: string) => sql`${column} like ${pattern} escape '\\'`;

/** What a person types is looked for as it is: no sign of it stands for any other. */
const escaped = (text: string): string => text.replaceAll(/[\\%_]/g, (sign) => `\\${sign}`);
