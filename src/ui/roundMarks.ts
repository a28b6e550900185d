import type { RoundSite } from '~/core/record/round';

/** How a part of a whole board's job is marked: by shape and by word. */
export const ROUND_MARKS = {
  done: { shape: '✓', words: 'done' },
  'under-way': { shape: '▸', words: 'under way' },
  stopped: { shape: '◐', words: 'stopped in the middle' },
  'to-do': { shape: '○', words: 'to do' },
} as const satisfies Record<RoundSite['status'], { shape: string; words: string }>;
