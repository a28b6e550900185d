import { UNSURE } from '~/core/thermal/joint/draws';
import { PRESSED, type Seen } from './bench';
import { LASTING, type Lasting } from './lasting';
import { SOONEST_s } from './scale';
import { deviationsOf, lineOf, SHARED, type Line, type PhaseDraws } from './worlds';

/** One heating as lasting learning sees it: what it came to, and what the model makes of what lasts. Plain data. */
export interface HeatSeen {
  /** Its pace as published, and by how much a standard deviation of what lasts moves it. */
  readonly level: number;
  readonly by: Readonly<Record<Lasting, number>>;
  /** Standard deviation of it from job to job, and from touch to touch with the hand on the key. */
  readonly ofJob: number;
  readonly own: number;
  /** What was seen; where it was not molten, it was slower than that. */
  readonly pace: number;
  readonly molten: boolean;
}

/** The heatings of one job's phase: one tip, one board. */
export interface JobHeats {
  readonly job: string;
  readonly at_ms: number;
  readonly tip: string;
  readonly board: string;
  readonly heats: readonly HeatSeen[];
}

/** A melt sooner than this share of the soonest that any draw has is a key pressed too early, and no melt (assumed). */
const TOO_SOON = 0.5;

/** A phase's heatings; those of touches that teach nothing, and of keys pressed before anything can melt, are left out. */
export function heatsSeen(phase: PhaseDraws, seen: readonly Seen[]): HeatSeen[] {
  const z = deviationsOf(phase);
  const lines = new Map<string, { readonly line: Line; readonly soonest_s: number }>();
  for (const { touches, melts_s } of phase.touches) {
    const line = lineOf(z, melts_s);
    const soonest_s = Math.min(...melts_s);
    if (line) for (const touch of touches) lines.set(touch, { line, soonest_s });
  }
  return seen.flatMap((one) => {
    const known = lines.get(one.touch);
    if (!known || (one.melted_s ?? Infinity) < TOO_SOON * known.soonest_s) return [];
    return [heatSeen(known.line, phase, one)];
  });
}

function heatSeen({ scale, level, slopes }: Line, { known }: PhaseDraws, seen: Seen): HeatSeen {
  // The draws' own normals are of what was known then; learnt is what there is beyond what is published.
  const bySd = UNSURE.map((name, d) => slopes[d]! / (known?.[name]?.scale ?? 1));
  const published = UNSURE.reduce((sum, name, d) => sum - bySd[d]! * (known?.[name]?.shift ?? 0), level);
  const lasts = (name: (typeof UNSURE)[number]): number =>
    (LASTING as Readonly<Partial<Record<string, number>>>)[name] ?? 0;
  const spread = (share: (name: (typeof UNSURE)[number]) => number): number =>
    Math.sqrt(UNSURE.reduce((sum, name, d) => sum + bySd[d]! ** 2 * share(name), 0));
  const at_s = Math.max(SOONEST_s, (seen.melted_s ?? seen.held_s) - PRESSED.late_s);
  const by = (name: Lasting): number => bySd[UNSURE.indexOf(name)]! * Math.sqrt(LASTING[name]);
  return {
    level: published,
    by: { contact: by('contact'), tipOffset: by('tipOffset'), copper: by('copper') },
    ofJob: spread((name) => Math.max(0, SHARED[name] - lasts(name))),
    own: Math.hypot(
      spread((name) => 1 - SHARED[name]),
      PRESSED.spread_s * scale.perSecond(at_s),
    ),
    pace: scale.paceOf(at_s),
    molten: seen.melted_s !== null,
  };
}
