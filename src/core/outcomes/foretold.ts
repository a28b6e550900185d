/** What a plan foretells and a job's record tells again, as statistics hold one against the other. */
export const FORETOLD = {
  melt: {
    name: 'Melts',
    /** What one thing counted is called. */
    of: 'touch',
    by: 'ratio',
    says: 'The first touch of each pin counts; one given up before its band ended tells nothing.',
    late: 'melts later than foretold: a worn or oxidised tip, a tool that reads hot, or more copper than the record has',
    early:
      'melts sooner than foretold: a tool that reads cold, more fresh solder, or less copper than the record has',
  },
  dwell: {
    name: 'Time under heat',
    of: 'touch',
    by: 'ratio',
    says: 'From the soonest melt of one in ten to the stop: a touch ought to end in between. Expected is the moment from which the pin may be moved.',
    late: 'is held on longer than foretold: the melt is hard to see, or hands wait for more than they were told',
    early:
      'ends sooner than foretold: hands that lift at the first shine, or melts that come sooner than they are told',
  },
  peak: {
    name: 'Hottest land',
    of: 'touch',
    by: 'difference',
    says: 'As foretold for a hand that leaves when it sees the melt, and as a thermocouple had it: peaks that were only reckoned tell nothing of the tool.',
    late: 'gets hotter than foretold: held on past the melt, touched again while warm, or a tool that reads cold',
    early: 'stays cooler than foretold: heat taken away sooner, or a tool that reads hot',
  },
  minutes: {
    name: 'Minutes of work',
    of: 'job',
    by: 'ratio',
    says: 'Of jobs whose every step was done, without pauses of more than a quarter of an hour.',
    late: 'takes longer than foretold: steps that want more of the hands here than the figures say; plans reckon with it',
    early:
      'is done sooner than foretold: practised hands, or steps that were passed over; plans reckon with it',
  },
} as const satisfies Readonly<Record<string, ForetoldTraits>>;
export type ForetoldId = keyof typeof FORETOLD;
export const FORETOLD_IDS = ['melt', 'dwell', 'peak', 'minutes'] as const satisfies readonly ForetoldId[];

interface ForetoldTraits {
  readonly name: string;
  readonly of: 'touch' | 'job';
  /** How far off a thing is: so many times what was foretold, or so many units more. */
  readonly by: 'ratio' | 'difference';
  readonly says: string;
  /** What an error to that side points to. */
  readonly late: string;
  readonly early: string;
}

/** One thing as it was foretold and as it went; `came` false: waited for so long in vain. */
export interface Seen {
  readonly low: number | null;
  readonly expected: number | null;
  readonly high: number | null;
  readonly seen: number;
  readonly came: boolean;
}

/** How the things of one job held against their bands, and how far off each was that came: times or units, by its kind. */
export interface Held {
  readonly early: number;
  readonly within: number;
  readonly late: number;
  readonly off: readonly number[];
}

/** Where a thing lies beside its band; null where it cannot be told: waited for shorter than the band, in vain. */
export function besideBand({ low, high, seen, came }: Seen): 'early' | 'within' | 'late' | null {
  if (!came) {
    // It was held past the band and was not molten: later than nine in ten. Given up within the band tells nothing.
    return high !== null && seen > high ? 'late' : null;
  }
  if (low !== null && seen < low) return 'early';
  return high !== null && seen > high ? 'late' : 'within';
}

/** Things of one job in counts: what statistics keep of them. Off to the thousandth. */
export function heldIn(id: ForetoldId, things: readonly Seen[]): Held {
  const { by } = FORETOLD[id];
  const tally = { early: 0, within: 0, late: 0 };
  const off: number[] = [];
  for (const thing of things) {
    const where = besideBand(thing);
    if (where === null) continue;
    tally[where]++;
    const { expected, seen, came } = thing;
    if (!came || expected === null || (by === 'ratio' && expected <= 0)) continue;
    off.push(Math.round(1000 * (by === 'ratio' ? seen / expected : seen - expected)) / 1000);
  }
  return { ...tally, off };
}
