import { eq, sql } from 'drizzle-orm';
import { FACE_STATES } from '~/core/record/faceStates';
import { PAD_STATE_IDS, PAD_STATES } from '~/core/record/padStates';
import { faceFindings } from '~/schema/records/board/faceFinding.table';
import { findings } from '~/schema/records/site/finding.table';
import { pads } from '~/schema/records/site/pad.table';
import { sites } from '~/schema/records/site/site.table';
import type { BenchFind } from '~/schema/sheets/benchSheet';
import type { Db } from '../db';
import { ready } from '../ready';

/** So many boards are told of for one search, the latest said first. */
const MOST_FOUND = 200;
/** Hits looked through for them: a board has many parts of a kind. */
const MOST_HITS = 4000;

/** Where a hit was said; `id` names it there. */
interface Hit {
  readonly boardId: string;
  readonly source: 'board' | 'site' | 'finding' | 'face' | 'run' | 'entry';
  readonly sourceId: string;
  readonly words: string;
}

/** What a search of everything that was told, placed, found and noted came to. */
export interface Found {
  readonly boardIds: readonly string[];
  /** Of boards that are found by what is on them: what that is. */
  readonly finds: readonly BenchFind[];
}

/**
 * Boards on which one thing said has every word of a text, or a word that begins so: what is told of a board, a part's
 * reference and value, a finding with its note, a note of a job, an entry. The latest said comes first.
 */
export function findOnBoards(db: Db, text: string): Found {
  const matching = matchOf(text);
  if (matching === null) return { boardIds: [], finds: [] };
  const hits = db.all<Hit>(
    sql`select w.board_id as boardId, w.source as source, w.source_id as sourceId, w.words as words
        from search join search_words w on w.id = search.rowid
        where search match ${matching} order by search.rowid desc limit ${MOST_HITS}`,
  );
  const first = new Map<string, Hit>();
  for (const hit of hits) {
    const known = first.get(hit.boardId);
    if (!known && first.size >= MOST_FOUND) continue;
    // Where it is on the board is told, if it is.
    if (!known || (hit.source !== 'board' && known.source === 'board')) first.set(hit.boardId, hit);
  }
  return {
    boardIds: [...first.keys()],
    finds: [...first.values()].flatMap((hit) => {
      const because = becauseOf(db, hit);
      return because === null ? [] : [{ boardId: hit.boardId, because }];
    }),
  };
}

/**
 * A question to the index: each word as it is typed, or one that begins so, or a state that is called so. Signs of the
 * index's own language are words like any other. Null where there is no word.
 */
function matchOf(text: string): string | null {
  const words = text
    .toLowerCase()
    .split(/\s+/)
    .filter((word) => /[\p{L}\p{N}]/u.test(word));
  if (words.length === 0) return null;
  return words
    .map((word) => {
      const states = PAD_STATE_IDS.filter((id) => PAD_STATES[id].name.toLowerCase().includes(word));
      return `(${[`${quoted(word)} *`, ...states.map(quoted)].join(' OR ')})`;
    })
    .join(' AND ');
}

const quoted = (word: string): string => `"${word.replaceAll('"', '""')}"`;

// One for each of hundreds of boards.
const SOURCE = sql.placeholder('sourceId');
const siteOf = ready((db) =>
  db.select({ ref: sites.ref, value: sites.value }).from(sites).where(eq(sites.id, SOURCE)).prepare(),
);
const findingOf = ready((db) =>
  db
    .select({ ref: sites.ref, pad: pads.name, state: findings.state, note: findings.note })
    .from(findings)
    .innerJoin(sites, eq(sites.id, findings.siteId))
    .innerJoin(pads, eq(pads.id, findings.padId))
    .where(eq(findings.id, SOURCE))
    .prepare(),
);
const faceOf = ready((db) =>
  db
    .select({ side: faceFindings.side, state: faceFindings.state, note: faceFindings.note })
    .from(faceFindings)
    .where(eq(faceFindings.id, SOURCE))
    .prepare(),
);

/** What of the search is on a board, in a few words; null where it is what the board itself is called. */
function becauseOf(db: Db, { source, sourceId, words }: Hit): string | null {
  switch (source) {
    case 'board':
      return null;
    case 'site': {
      const site = siteOf(db).get({ sourceId });
      return site ? (site.value ? `${site.ref}, ${site.value}` : site.ref) : null;
    }
    case 'finding': {
      const found = findingOf(db).get({ sourceId });
      return found
        ? `${found.ref} pin ${found.pad}: ${PAD_STATES[found.state].name.toLowerCase()}${noted(found.note)}`
        : null;
    }
    case 'face': {
      const found = faceOf(db).get({ sourceId });
      return found
        ? `${found.side} face: ${FACE_STATES[found.state].name.toLowerCase()}${noted(found.note)}`
        : null;
    }
    case 'run':
    case 'entry':
      return short(words);
  }
}

const noted = (note: string): string => (note ? `. ${short(note)}` : '');

const LONGEST_TOLD = 80;
const short = (text: string): string =>
  text.length > LONGEST_TOLD ? `${text.slice(0, LONGEST_TOLD - 1)}…` : text;
