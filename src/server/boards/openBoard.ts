import {
  settlementsOf,
  stageOf,
  testedAt_ms,
  toldParts,
  type BoardEntry,
  type BoardStage,
} from '~/core/record/boardEntries';
import { occupancyOf, type Occupancy } from '~/core/record/occupancy';
import { foundMissing } from '~/core/record/padFindings';
import { openWork } from '~/core/record/openWork';
import type { SettledItem } from '~/core/record/openItem';
import type { ContinuityReadingRecord } from '~/schema/records/site/continuityReading';
import type { FindingRecord } from '~/schema/records/site/finding';
import type { Db } from '~/server/store/db';
import { boardEntriesOf } from '~/server/store/repositories/boardEntries';
import { continuityReadingsOfBoard } from '~/server/store/repositories/continuityReadings';
import { findingsOf } from '~/server/store/repositories/findings';
import { tracesOf, type BoardJob } from '~/server/store/repositories/jobs';
import { newestRecap } from '~/server/store/repositories/recaps';
import { sitesOf, type SiteWithPads } from '~/server/store/repositories/sites';

/** A board as its record leaves it: what stands on each site, what is open, and the stage it is in. */
export interface OpenBoard {
  readonly sites: readonly SiteWithPads[];
  readonly occupancies: ReadonlyMap<string, Occupancy>;
  /** The one written last comes last. */
  readonly jobs: readonly BoardJob[];
  readonly entries: readonly BoardEntry[];
  readonly findings: readonly FindingRecord[];
  readonly readings: readonly ContinuityReadingRecord[];
  readonly stage: BoardStage;
  readonly open: readonly SettledItem[];
}

/** Reads where a board stands from everything that was written of it; sites that were made just now are given. */
export function openBoard(db: Db, boardId: string, made: readonly SiteWithPads[] = []): OpenBoard {
  const sites = sitesOf(db, boardId, made);
  const jobs = tracesOf(db, boardId);
  const entries = boardEntriesOf(db, boardId);
  const findings = findingsOf(db, boardId);
  const readings = continuityReadingsOfBoard(db, boardId);
  const told = [...toldParts(entries), ...foundMissing(findings)];
  const occupancies = new Map(sites.map((site) => [site.id, occupancyOf(site.id, jobs, told)]));
  const open = openWork({
    sites: sites.map((site) => ({ ...site, occupancy: occupancies.get(site.id)! })),
    jobs,
    findings,
    readings: readings.map((r) => ({ ...r, passed: r.verdict === 'good' })),
    round: newestRecap(db, boardId),
    tested_ms: testedAt_ms(entries),
    settlements: settlementsOf(entries),
  });
  return { sites, occupancies, jobs, entries, findings, readings, stage: stageOf(entries), open };
}
