import type { RunEvent } from '~/core/record/runEvents';
import type { BoardRecord } from '~/schema/records/board/board';
import type { ArtworkLine, ImportRecord } from '~/schema/records/board/boardImport';
import type { FaceFindingRecord } from '~/schema/records/board/faceFinding';
import type { FindingRecord } from '~/schema/records/site/finding';
import type { PadRecord } from '~/schema/records/site/pad';
import type { ContinuityReadingRecord } from '~/schema/records/site/continuityReading';
import type { PhotoRecord } from '~/schema/records/board/photo';
import type { SiteRecord } from '~/schema/records/site/site';
import type { BoardStanding } from './boardStanding';
import type { SiteGroupRecord } from '~/schema/records/board/siteGroup';

export interface SiteSheet extends SiteRecord {
  readonly pads: readonly PadRecord[];
}

/** A job as the board's ledger shows it. */
export interface JobLine {
  readonly id: string;
  readonly siteId: string;
  readonly siteRef: string;
  readonly goal: string;
  readonly by: string;
  readonly status: 'running' | 'closed';
  readonly outcome: string | null;
  readonly cause: string;
  readonly acceptedAt_ms: number;
  readonly setting: string;
  /** What its steps are called, by their ids. */
  readonly steps: Readonly<Record<string, string>>;
  readonly events: readonly RunEvent[];
}

/** All that a board's sheet is drawn from. */
export interface BoardSheet {
  readonly board: BoardRecord;
  readonly standing: BoardStanding;
  readonly sites: readonly SiteSheet[];
  readonly findings: readonly FindingRecord[];
  readonly jobs: readonly JobLine[];
  /** What meters showed between its pads. */
  readonly readings: readonly ContinuityReadingRecord[];
  /** Pictures of copper layers, from imports. */
  readonly artworks: readonly ArtworkLine[];
  readonly imports: readonly ImportRecord[];
  readonly faceFindings: readonly FaceFindingRecord[];
  readonly photos: readonly PhotoRecord[];
  readonly groups: readonly SiteGroupRecord[];
  /** The site it was opened for, by a link; left out or no site of it: the first. */
  readonly openOn?: string | null | undefined;
}

/** What files are read beside: the board, what stands on it, and what was read before. */
export type ImportSheet = Pick<BoardSheet, 'board' | 'sites' | 'imports'>;
