import { STROKE_IDS, STROKES, type StrokeId } from '~/schema/presets/copperStroke';
import type { Command } from '~/ui/keyboard/command';

export type BoardCommand =
  | 'next'
  | 'previous'
  | 'flip'
  | 'work'
  | 'mark'
  | 'copper'
  | 'check'
  | 'recap'
  | 'hand-back'
  | 'park'
  | 'scrap'
  | 'more'
  | PageCommand;

/** Pages and forms that a board leads to: in the list that one key opens, where a second one chooses. */
export type PageCommand =
  | 'place-site'
  | 'swap'
  | 'import'
  | 'draw'
  | 'photos'
  | 'part'
  | 'correct'
  | 'edit'
  | 'label'
  | 'out'
  | 'clock';

/** None of these letters is one that marks a finding or copper on the lands: they are on one screen. */
export const BOARD_COMMANDS: readonly Command<BoardCommand>[] = [
  { id: 'next', label: 'Next part', keys: ['ArrowDown'], group: 'Board' },
  { id: 'previous', label: 'Part before', keys: ['ArrowUp'], group: 'Board' },
  { id: 'work', label: 'Plan this part, or go on with its job', keys: ['Enter'], group: 'Board' },
  { id: 'flip', label: 'Turn the board over', keys: ['v'], group: 'Board' },
  { id: 'mark', label: 'Mark findings on the pads', keys: ['q'], group: 'Board' },
  { id: 'copper', label: 'Mark copper and nets on the pads', keys: ['m'], group: 'Board' },
  { id: 'check', label: 'Check continuity of this part', keys: ['y'], group: 'Board' },
  { id: 'recap', label: 'Plan many parts at once', keys: ['w'], group: 'Board' },
  { id: 'hand-back', label: 'Hand the board back', keys: ['h'], group: 'Board' },
  { id: 'park', label: 'Park it, or go on with it', keys: ['z'], group: 'Board' },
  { id: 'scrap', label: 'Scrap it, or open it again', keys: ['x'], group: 'Board' },
  { id: 'more', label: 'More: place, import, photos, correct …', keys: ['.'], group: 'Board' },
];

/** What the list offers; its letters act in the list alone. */
export const PAGE_COMMANDS: readonly Command<PageCommand>[] = [
  { id: 'place-site', label: 'Add a part', keys: ['n'], group: 'Board, after a full stop' },
  { id: 'import', label: 'Import files', keys: ['i'], group: 'Board, after a full stop' },
  {
    id: 'draw',
    label: 'Mark a track, a via or an area on the face',
    keys: ['d'],
    group: 'Board, after a full stop',
  },
  { id: 'swap', label: 'What may stand here', keys: ['p'], group: 'Board, after a full stop' },
  { id: 'photos', label: 'Photos of this board', keys: ['o'], group: 'Board, after a full stop' },
  { id: 'clock', label: 'Start a clock', keys: ['c'], group: 'Board, after a full stop' },
  { id: 'part', label: 'Say what is fitted here', keys: ['s'], group: 'Board, after a full stop' },
  { id: 'correct', label: 'Correct this part, or delete it', keys: ['w'], group: 'Board, after a full stop' },
  { id: 'edit', label: 'Edit board details', keys: ['e'], group: 'Board, after a full stop' },
  { id: 'out', label: 'Take its record out', keys: ['u'], group: 'Board, after a full stop' },
  { id: 'label', label: 'Print its label', keys: ['l'], group: 'Board, after a full stop' },
];

export type DrawCommand = 'left' | 'right' | 'up' | 'down' | 'point' | 'back' | 'end' | 'leave';

/** While a place is drawn on the face these come first. */
export const DRAW_COMMANDS: readonly Command<DrawCommand>[] = [
  { id: 'left', label: 'Move left', keys: ['ArrowLeft'], group: 'Drawing on the face' },
  { id: 'right', label: 'Move right', keys: ['ArrowRight'], group: 'Drawing on the face' },
  { id: 'up', label: 'Move up', keys: ['ArrowUp'], group: 'Drawing on the face' },
  { id: 'down', label: 'Move down', keys: ['ArrowDown'], group: 'Drawing on the face' },
  { id: 'point', label: 'Set a point at the cross', keys: [' '], group: 'Drawing on the face' },
  { id: 'back', label: 'Take the last point back', keys: ['Delete'], group: 'Drawing on the face' },
  { id: 'end', label: 'Finish the shape', keys: ['Enter'], group: 'Drawing on the face' },
  { id: 'leave', label: 'Cancel', keys: ['Escape'], group: 'Drawing on the face' },
];

/** Letters that say what copper the pads taken meet; they act while copper is being marked. */
export const COPPER_COMMANDS: readonly Command<StrokeId | 'leave'>[] = [
  ...STROKE_IDS.map((id) => ({
    id,
    label: STROKES[id].name,
    keys: [STROKES[id].letter.toLowerCase()],
    group: 'Marking copper',
  })),
  { id: 'leave', label: 'Leave marking copper', keys: ['Escape'], group: 'Marking copper' },
];
