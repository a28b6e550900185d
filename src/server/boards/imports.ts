import { setImmediate } from 'node:timers/promises';
import { z } from 'zod';
import { InputError, parseInput } from '~/schema/values/faults';
import { MOST_SITES, newImport, type ImportRecord, type NewImport } from '~/schema/records/board/boardImport';
import { newSite, type NewSite } from '~/schema/records/site/site';
import type { Db } from '~/server/store/db';
import { siteFaults } from './placement';
import { restate } from './restate';
import { getBoard } from '~/server/store/repositories/boards';
import { addImport, undoImport } from '~/server/store/repositories/imports';
import { rememberSites } from '~/server/store/repositories/sites';

/** What goes with the sites; these are read one by one. */
const importFrame = newImport.extend({
  sites: z
    .array(z.unknown())
    .max(MOST_SITES, { error: `has more than ${MOST_SITES} sites; import the board in parts` }),
});

/** So long the server looks at an import before it turns to others. */
const SLICE_ms = 15;

/** Reads what an import gives, a slice at a time: a board of thousands of parts keeps nobody waiting. Throws `InputError`. */
export async function importOf(body: unknown): Promise<NewImport> {
  const { sites: raw, ...rest } = parseInput(importFrame, body);
  const sites: NewSite[] = [];
  let end_ms = performance.now() + SLICE_ms;
  for (const [i, site] of raw.entries()) {
    sites.push(parseInput(newSite, site, `$.sites[${i}]`));
    if (performance.now() < end_ms) continue;
    await setImmediate();
    end_ms = performance.now() + SLICE_ms;
  }
  return { ...rest, sites };
}

/** Accepts an import after checking every site and layer against the board. */
export function acceptImport(db: Db, boardId: string, given: NewImport, now_ms: number): ImportRecord {
  const { construction } = getBoard(db, boardId);
  const faults = given.sites.flatMap((site, i) => siteFaults(construction, site, `$.sites[${i}]`));
  const count = construction.copperLayers.length;
  given.copper.forEach(({ map }, i) => {
    if (map.layer > count) {
      faults.push({
        path: `$.copper[${i}].map.layer`,
        message: `is ${map.layer}; the board has layers 1 to ${count}`,
      });
    }
  });
  if (given.sites.length === 0 && given.copper.length === 0 && given.profile === null) {
    faults.push({
      path: '$.sites',
      message: 'is empty and there is neither copper nor an edge; there is nothing to import',
    });
  }
  if (faults.length) throw new InputError(faults.slice(0, MOST_FAULTS));
  const { record, sites } = db.transaction(() => {
    const made = addImport(db, boardId, given, now_ms);
    restate(db, boardId, made.sites);
    return made;
  });
  rememberSites(db, sites);
  return record;
}

/** Takes an import back with all that came of it: what the board waits for is read anew, as it was before. */
export function takeBackImport(
  db: Db,
  boardId: string,
  importId: string,
  now_ms: number,
  corrected: number,
): ImportRecord {
  return db.transaction(() => {
    const undone = undoImport(db, boardId, importId, now_ms, corrected);
    restate(db, boardId);
    return undone;
  });
}

const MOST_FAULTS = 20;
