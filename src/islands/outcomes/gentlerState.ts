import { savedOver, type HeldGentler, type Saved } from '~/core/outcomes/gentler';
import type { GentlerAnswer } from '~/schema/exchange/outcomes/gentler';
import { settingInWords } from '~/schema/words/settingWords';
import type { HeatView } from '~/schema/sheets/outcomesSheet';

type Job = HeatView['recent']['jobs'][number];

/** One job held against its gentlest, with the settings that differ. */
export interface HeldJob extends HeldGentler {
  readonly job: Job;
  readonly changes: readonly { readonly done: string; readonly gentlest: string }[];
}

export interface GentlerState {
  readonly status: 'idle' | 'working' | 'stopped' | 'done';
  /** Those that are still to be asked for, the next one first. */
  readonly left: readonly Job[];
  readonly held: readonly HeldJob[];
  /** Jobs that were planned in a way that can no longer be asked about. */
  readonly unasked: number;
  readonly error: string | null;
}

export type GentlerAction =
  | { readonly type: 'reckon'; readonly jobs: readonly Job[] }
  | { readonly type: 'stop' }
  | { readonly type: 'held'; readonly jobId: string; readonly answer: readonly GentlerAnswer[] }
  | { readonly type: 'failed'; readonly message: string };

export const IDLE: GentlerState = { status: 'idle', left: [], held: [], unasked: 0, error: null };

export function reduce(state: GentlerState, action: GentlerAction): GentlerState {
  switch (action.type) {
    case 'reckon':
      // One that was stopped goes on where it was.
      return state.status === 'stopped'
        ? { ...state, status: 'working', error: null }
        : { ...IDLE, status: action.jobs.length > 0 ? 'working' : 'done', left: action.jobs };
    case 'stop':
      return state.status === 'working' ? { ...state, status: 'stopped' } : state;
    case 'failed':
      return { ...state, status: 'stopped', error: action.message };
    case 'held': {
      const [job, ...left] = state.left;
      // An answer to what is no longer asked.
      if (state.status !== 'working' || job?.jobId !== action.jobId) return state;
      const held = heldJob(job, action.answer);
      return {
        ...state,
        left,
        status: left.length > 0 ? 'working' : 'done',
        held: held ? [...state.held, held] : state.held,
        unasked: state.unasked + (held ? 0 : 1),
      };
    }
  }
}

/** The halves of a job added; null where it cannot be asked about, or a half of it has no figure. */
function heldJob(job: Job, answer: readonly GentlerAnswer[]): HeldJob | null {
  if (answer.length === 0) return null;
  const held = {
    job,
    done: 0,
    gentlest: 0,
    longer_min: 0,
    changes: [] as { done: string; gentlest: string }[],
  };
  for (const { done, gentlest, longer_min } of answer) {
    const [before, after] = [done.padDose.p50, (gentlest ?? done).padDose.p50];
    if (before === null || after === null) return null;
    held.done += before;
    held.gentlest += after;
    held.longer_min += longer_min;
    if (gentlest) held.changes.push({ done: settingInWords(done), gentlest: settingInWords(gentlest) });
  }
  return held;
}

/** What is known so far, and the jobs that most would have been saved on. */
export function told({ held }: Pick<GentlerState, 'held'>): Saved & { readonly worst: readonly HeldJob[] } {
  const worst = held
    .filter((job) => job.gentlest < job.done)
    .sort((a, b) => b.done - b.gentlest - (a.done - a.gentlest));
  return { ...savedOver(held), worst };
}
