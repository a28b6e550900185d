import { and, asc, desc, eq, like, ne, or, sql } from 'drizzle-orm';
import { boards } from '~/schema/records/board/board.table';
import { sites } from '~/schema/records/site/site.table';
import type { SiteWithPads } from './sites';
import type { Db } from '../db';

/** A site of a board that may give its part. */
export interface MayGive {
  readonly siteId: string;
  readonly ref: string;
  readonly boardId: string;
  readonly board: string;
  readonly scrapped: boolean;
  readonly value: string;
  readonly package: SiteWithPads['package'];
}

/** Sites with a value whose references begin so, on boards that are here: scrapped ones first, then those that are worked on. */
export const sitesThatMayGive = (
  db: Db,
  letters: readonly string[],
  notBoardId: string | null,
  most: number,
): MayGive[] =>
  db
    .select({
      siteId: sites.id,
      ref: sites.ref,
      boardId: boards.id,
      board: boards.name,
      scrapped: sql<number>`${boards.outcome} = 'scrapped'`,
      value: sites.value,
      package: sites.package,
    })
    .from(sites)
    .innerJoin(boards, eq(sites.boardId, boards.id))
    .where(
      and(
        ne(sites.value, ''),
        or(sql`false`, ...letters.map((begins) => like(sites.ref, `${begins}%`))),
        or(ne(boards.waitingFor, 'closed'), eq(boards.outcome, 'scrapped')),
        notBoardId === null ? undefined : ne(boards.id, notBoardId),
      ),
    )
    .orderBy(desc(sql`${boards.outcome} = 'scrapped'`), asc(boards.createdAt_ms), asc(sites.ref))
    .limit(most)
    .all()
    .map((row) => ({ ...row, scrapped: row.scrapped === 1 }));
