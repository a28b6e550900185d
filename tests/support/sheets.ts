import type { BoardSheet } from '~/schema/sheets/boardSheet';
import { boardRecord } from '~/schema/records/board/board';
import { constructionFrom } from '~/schema/presets/stackupPresets';

const board = boardRecord.parse({
  id: 'b',
  name: 'Blank',
  owner: 'MK',
  fault: 'dead',
  construction: constructionFrom('two-layer', 100, 60),
  waitingFor: 'you',
  nextAction: '',
  outcome: null,
  createdAt_ms: 1,
  revision: 1,
});

/** A board as it comes in: nothing placed, nothing found. */
export const BLANK_BOARD: BoardSheet = {
  board,
  standing: { board, stage: { is: 'open' }, open: [], entries: [], occupancies: {} },
  sites: [],
  findings: [],
  jobs: [],
  readings: [],
  artworks: [],
  imports: [],
  faceFindings: [],
  photos: [],
  groups: [],
};
