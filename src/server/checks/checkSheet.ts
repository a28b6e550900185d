import { checklistOf, type Check } from '~/core/electrical/checklist';
import { judge, type Verdict } from '~/core/electrical/judgement';
import type { PadStateId } from '~/core/record/padStates';
import { standingFindings } from '~/core/record/standingFindings';
import { COPPER_LOST } from '~/core/record/repairs';
import type { CheckSheet, ContinuityReadingTaken } from '~/schema/sheets/checkSheet';
import { boardOf } from '~/schema/exchange/si/board';
import { InputError } from '~/schema/values/faults';
import type { FindingRecord } from '~/schema/records/site/finding';
import { isSurfaceInput } from '~/schema/exchange/si/part';
import { partsBetween, placedPadsOf } from '~/schema/exchange/si/placedPads';
import type { NewContinuityReading } from '~/schema/records/site/continuityReading';
import type { Db } from '~/server/store/db';
import { newId } from '~/server/store/ids';
import { restate } from '~/server/boards/restate';
import { recountFound } from '~/server/outcomes/keep';
import { getBoard } from '~/server/store/repositories/boards';
import { addFinding, findingsOf } from '~/server/store/repositories/findings';
import {
  addContinuityReading,
  continuityReadingsOfSite,
} from '~/server/store/repositories/continuityReadings';
import { getSite, sitesOf } from '~/server/store/repositories/sites';

/** Gathers what a site's continuity sheet starts from. */
export function checkSheet(db: Db, siteId: string): CheckSheet {
  const site = getSite(db, siteId);
  return {
    board: getBoard(db, site.boardId),
    siteId,
    sites: sitesOf(db, site.boardId),
    readings: continuityReadingsOfSite(db, siteId),
    findings: findingsOf(db, site.boardId),
  };
}

/** A site's checklist, and what it was made from. */
export function checklistFor(db: Db, siteId: string) {
  const site = getSite(db, siteId);
  const { construction } = getBoard(db, site.boardId);
  const sites = sitesOf(db, site.boardId);
  const pads = placedPadsOf(sites, construction.copperLayers.length);
  return { site, sites, construction, ...checklistOf(siteId, pads, boardOf(construction)) };
}

/**
 * Records a reading of a site's checklist, judged here. One that fails becomes a finding on its pad, unless
 * what is known of the pad explains it already. All or nothing.
 */
export function takeContinuityReading(
  db: Db,
  siteId: string,
  given: NewContinuityReading,
  now_ms: number,
): ContinuityReadingTaken {
  return db.transaction(() => {
    const { site, sites, construction, checks } = checklistFor(db, siteId);
    const check = checks.find(
      (c) => c.kind === given.kind && c.pad.id === given.padId && c.other.id === given.otherPadId,
    );
    if (!check) {
      throw new InputError([
        { path: '$.padId', message: 'with this other pad is not on the checklist any more; reload the page' },
      ]);
    }
    const { verdict, limit_Ohm } = judge(
      check,
      given.value_Ohm ?? Infinity,
      partsBetween(sites, check.pad.net, check.other.net),
    );
    const reading = addContinuityReading(db, {
      ...given,
      id: newId('rdg'),
      boardId: site.boardId,
      siteId,
      limit_Ohm,
      verdict,
      at_ms: now_ms,
    });
    const surface = isSurfaceInput(site.package);
    const finding =
      verdict === 'bad'
        ? failed(db, check, given, surface, construction.copperLayers.length, now_ms)
        : refuted(db, check, given, verdict, now_ms);
    if (finding) recountFound(db, finding);
    restate(db, site.boardId);
    return { reading, finding };
  });
}

/** What an earlier reading made of this pad, taken back where the same reading now is good. */
function refuted(
  db: Db,
  check: Check,
  given: NewContinuityReading,
  verdict: Verdict,
  now_ms: number,
): FindingRecord | null {
  if (verdict !== 'good') return null;
  const known = standingFindings(findingsOf(db, getSite(db, check.pad.siteId).boardId));
  const last = known.findLast((f) => f.padId === check.pad.id);
  const byMeter = last?.note.startsWith(BY_METER) && last.state !== 'bridged' && check.kind === 'continuity';
  if (!last || !byMeter) return null;
  return addFinding(
    db,
    {
      padId: last.padId,
      state: last.state,
      otherPadId: last.otherPadId,
      foundAs: 'done-here',
      jobId: null,
      takesBackId: last.id,
      note: `Read again: ${given.value_Ohm} Ω, good`,
      by: given.by,
    },
    now_ms,
  );
}

/** How the note of a finding begins that a reading made. */
const BY_METER = 'By meter:';

/** What a failed reading most likely is; the technician's next look follows it. Null where it is known already. */
function failed(
  db: Db,
  check: Check,
  given: NewContinuityReading,
  surface: boolean,
  layers: number,
  now_ms: number,
): FindingRecord | null {
  const known = standingFindings(findingsOf(db, getSite(db, check.pad.siteId).boardId));
  const now = known.findLast((f) => f.padId === check.pad.id);
  const read = given.value_Ohm === null ? 'open' : `${given.value_Ohm} Ω`;
  const to = `${getSite(db, check.other.siteId).ref} pin ${check.other.name}`;
  const write = (state: PadStateId, otherPadId: string | null): FindingRecord =>
    addFinding(
      db,
      {
        padId: check.pad.id,
        state,
        otherPadId,
        foundAs: 'done-here',
        jobId: null,
        takesBackId: null,
        note: `${BY_METER} ${read} to ${to}`,
        by: given.by,
      },
      now_ms,
    );
  if (check.kind === 'short') {
    const same = now?.state === 'bridged' && now.otherPadId === check.other.id;
    return same ? null : write('bridged', check.other.id);
  }
  if (now && COPPER_LOST.has(now.state)) return null;
  const inner = check.pad.connections.some(
    (c) => c.kind !== 'isolated' && c.layers.some((layer) => layer > 1 && layer < layers),
  );
  return write(!surface && inner ? 'barrel' : 'track-cut', null);
}
