import { normalCdf, normalQuantile } from '~/core/statistics/normal';
import { uniformStream } from '~/core/statistics/random';
import { SOONEST_s, type Scale } from './scale';
import { deviationsOf, worldsOf, type PhaseDraws, type TouchDraws, type TouchWorlds } from './worlds';

/** What was seen of one touch: it melted, or had not by the time the heat went off. */
export interface Seen {
  readonly touch: string;
  readonly melted_s: number | null;
  readonly held_s: number;
}

/** From a joint going liquid until the key is down, s: a quarter of a second is what a hand needs to react (common practice). */
export const PRESSED = { late_s: 0.25, spread_s: 0.15 } as const;

/** With fewer benches than this share of all still likely, they are drawn anew about those that are. */
const LEAST_EFFECTIVE = 0.15;
/** Liu and West's kernel: drawn anew they keep mean and spread, each moved by this share of the spread (2001, a = 0.95). */
const SHRINK = 0.95;
/** Never gathered closer than this share of what was known before: the line is no truth. */
const LEAST_SPREAD = 0.15;

/** A difference beyond any doubt, in standard deviations. */
const FAR = 30;

/** What the benches would make of one touch. */
interface ExpectedPaces {
  readonly draws: TouchDraws;
  readonly scale: Scale;
  readonly own: number;
  readonly pace: Float64Array;
}

interface KnownTouch {
  readonly draws: TouchDraws;
  readonly worlds: TouchWorlds;
}

/**
 * The benches that may be this one, each as likely as what was seen of it makes it. Drawn with the plan; each melt that is
 * logged, and each that was not seen in time, weighs them anew (importance weights, the likelihood normal about each
 * bench's own pace, by what a touch differs from the next and by the hand on the key). Where hardly any is left
 * they are drawn anew about those that are.
 */
export class LikelyBenches {
  private readonly known = new Map<string, KnownTouch>();
  private readonly paces = new Map<TouchDraws, Float64Array>();
  private z: number[][];
  private lnWeights: Float64Array;
  private readonly next: () => number;
  /** How often they were drawn anew. */
  renewed = 0;

  constructor(phase: PhaseDraws) {
    this.z = deviationsOf(phase);
    this.lnWeights = new Float64Array(phase.draws);
    this.next = uniformStream(phase.seed ^ 0x5eed);
    for (const draws of phase.touches) {
      const worlds = worldsOf(this.z, draws.melts_s, phase.known);
      if (!worlds) continue;
      this.paces.set(draws, worlds.pace);
      for (const touch of draws.touches) this.known.set(touch, { draws, worlds });
    }
  }

  /** Weighs every bench by one more thing that was seen; of a touch that nothing is known of nothing is learnt. */
  see({ touch, melted_s, held_s }: Seen): void {
    const known = this.known.get(touch);
    if (!known) return;
    const pace = this.paces.get(known.draws)!;
    const { scale, own } = known.worlds;
    const seen_s = Math.max(SOONEST_s, (melted_s ?? held_s) - PRESSED.late_s);
    const spread = Math.hypot(own, PRESSED.spread_s * scale.perSecond(seen_s));
    for (let i = 0; i < pace.length; i++) {
      // Never is far from any melt, and all that speaks for it has the same weight.
      const off = Math.min(FAR, (scale.paceOf(seen_s) - pace[i]!) / spread);
      this.lnWeights[i]! += melted_s === null ? Math.log(Math.max(1e-300, normalCdf(off))) : -(off ** 2) / 2;
    }
    if (this.effective < LEAST_EFFECTIVE * pace.length) this.renew();
  }

  /** So many benches equally likely would tell as much (Kish). */
  get effective(): number {
    const w = this.weights();
    return 1 / w.reduce((sum, x) => sum + x * x, 0);
  }

  /** How likely each bench is; all together one. */
  weights(): Float64Array {
    const most = this.lnWeights.reduce((a, b) => Math.max(a, b), -Infinity);
    const w = this.lnWeights.map((x) => Math.exp(x - most));
    const sum = w.reduce((a, b) => a + b, 0);
    return w.map((x) => x / sum);
  }

  /** What a touch is now expected to come to; null where its draws taught nothing. */
  of(touch: string): ExpectedPaces | null {
    const known = this.known.get(touch);
    if (!known) return null;
    const { draws, worlds } = known;
    return { draws, scale: worlds.scale, own: worlds.own, pace: this.paces.get(draws)! };
  }

  /** Draws the benches anew about those that are likely, all as likely then. */
  private renew(): void {
    this.renewed++;
    const w = this.weights();
    const [count, dimensions] = [this.z.length, this.z[0]!.length];
    const mean = Array.from({ length: dimensions }, (_, d) =>
      this.z.reduce((s, z, i) => s + w[i]! * z[d]!, 0),
    );
    const spread = mean.map((m, d) =>
      Math.max(LEAST_SPREAD, Math.sqrt(this.z.reduce((s, z, i) => s + w[i]! * (z[d]! - m) ** 2, 0))),
    );
    const parents = systematic(w, count, this.next());
    const moved = parents.map((parent) =>
      this.z[parent]!.map(
        (z, d) =>
          SHRINK * z +
          (1 - SHRINK) * mean[d]! +
          Math.sqrt(1 - SHRINK ** 2) *
            spread[d]! *
            normalQuantile(Math.min(1 - 1e-9, Math.max(1e-9, this.next()))),
      ),
    );
    for (const [draws, pace] of this.paces) {
      const { slopes } = this.known.get(draws.touches[0]!)!.worlds;
      this.paces.set(
        draws,
        Float64Array.from(parents, (parent, i) =>
          slopes.reduce((p, slope, d) => p + slope * (moved[i]![d]! - this.z[parent]![d]!), pace[parent]!),
        ),
      );
    }
    this.parents = parents.map((parent) => this.parents?.[parent] ?? parent);
    this.z = moved;
    this.lnWeights = new Float64Array(count);
  }

  /** Which draw of the plan each bench descends from: its limits are that one's. */
  private parents: number[] | null = null;

  limitsOf({ limits_s }: TouchDraws): readonly number[] {
    return this.parents ? this.parents.map((parent) => limits_s[parent]!) : limits_s;
  }
}

/** Places drawn in proportion to weights, evenly spaced from one random start (Kitagawa 1996). */
function systematic(w: Float64Array, count: number, start: number): number[] {
  const out: number[] = [];
  let [sum, i] = [w[0]!, 0];
  for (let k = 0; k < count; k++) {
    const at = (k + start) / count;
    while (sum < at && i < w.length - 1) sum += w[++i]!;
    out.push(i);
  }
  return out;
}
