import type { Goal } from '~/core/method/goals';
import type { Outcome } from '~/core/record/outcomes';
import type { PadStateId } from '~/core/record/padStates';

/** One dwell that was logged: melt and off as seconds, or a melt that was never seen. */
interface DemoDwell {
  readonly pad: string;
  readonly melted_s: number | null;
  readonly off_s: number;
}

/** A visit to a site, as it will be written entry by entry through the same door as a real one. */
export interface DemoStory {
  readonly id: string;
  readonly boardId: string;
  readonly siteRef: string;
  readonly goal: Goal;
  readonly by: string;
  readonly daysAgo: number;
  readonly dwells: readonly DemoDwell[];
  readonly findings: readonly {
    readonly pad: string;
    readonly state: PadStateId;
    readonly other?: string;
    readonly note: string;
  }[];
  readonly notes: readonly string[];
  /** Null: the job is still under way, at the step named. */
  readonly end:
    | { readonly outcome: Outcome; readonly cause: string }
    | { readonly standsAt: string; readonly minutesAgo: number };
}

export const DEMO_STORIES: readonly DemoStory[] = [
  {
    id: 'demo-job-tide',
    boardId: 'demo-tide-1',
    siteRef: 'C4',
    goal: 'remove-keep-part',
    by: 'MK',
    daysAgo: 90,
    dwells: [
      { pad: '1', melted_s: 0.9, off_s: 2.2 },
      { pad: '2', melted_s: null, off_s: 4.6 },
      { pad: '2', melted_s: 1.9, off_s: 3.8 },
    ],
    findings: [
      { pad: '2', state: 'torn', note: 'Pulled before the far side let go' },
      { pad: '2', state: 'repaired', note: 'Jumper 0.5 mm² to TP3, epoxied, 0.1 Ω' },
    ],
    notes: ['Lead held on the second try; lifted with force. Will not do that again.'],
    end: { outcome: 'fixed', cause: 'Store on VBAK worn out; the torn pad was ours.' },
  },
  {
    id: 'demo-job-validator',
    boardId: 'demo-validator-9',
    siteRef: 'C2',
    goal: 'remove-sacrifice-part',
    by: 'AO',
    daysAgo: 60,
    dwells: [
      { pad: '1', melted_s: 0.6, off_s: 2.9 },
      { pad: '2', melted_s: 0.7, off_s: 2.1 },
    ],
    findings: [{ pad: '1', state: 'torn', note: 'Came away with the lead; laminate charred beneath' }],
    notes: ['Paper laminate brown through to the other side.'],
    end: { outcome: 'scrapped', cause: 'Start-up capacitor ran hot for years beside the heat sink.' },
  },
  {
    id: 'demo-job-door',
    boardId: 'demo-door-7',
    siteRef: 'J1',
    goal: 'reflow',
    by: 'AO',
    daysAgo: 39,
    dwells: [
      { pad: '3', melted_s: 1.1, off_s: 2.6 },
      { pad: '4', melted_s: 1.2, off_s: 2.4 },
      { pad: '6', melted_s: 1.0, off_s: 2.8 },
    ],
    findings: [
      { pad: '3', state: 'bridged', other: '4', note: 'Not seen by eye; found by meter, 0.2 Ω' },
      { pad: '3', state: 'sound', note: 'Wicked, open again' },
      { pad: '4', state: 'sound', note: '' },
      { pad: '6', state: 'sound', note: '' },
    ],
    notes: [],
    end: { outcome: 'fixed', cause: 'Vibration without a strain clamp; clamp fitted.' },
  },
  {
    id: 'demo-job-wind',
    boardId: 'demo-wind-2',
    siteRef: 'C5',
    goal: 'remove-keep-part',
    by: 'MK',
    daysAgo: 0,
    dwells: [
      { pad: '1', melted_s: 0.7, off_s: 1.6 },
      { pad: '2', melted_s: 1.4, off_s: 2.7 },
    ],
    findings: [],
    notes: [],
    end: { standsAt: 'dry', minutesAgo: 1 },
  },
];
