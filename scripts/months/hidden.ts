import { heatDraws } from '~/core/method/hand/heatDraws';
import { deviationsOf, lineOf, SHARED, type Line } from '~/core/learning/worlds';
import { LASTING } from '~/core/learning/lasting';
import { normalQuantile } from '~/core/statistics/normal';
import { UNSURE } from '~/core/thermal/joint/draws';
import { inOneGo } from '~/core/stepwise';
import { serially } from '~/core/method/plan/pieces/solve';
import type { HalfGiven } from '~/core/method/halfGiven';
import type { JobPlan } from '~/schema/records/jobs/jobPlan';

type Random = () => number;
const normal = (random: Random): number => normalQuantile(Math.min(1 - 1e-9, Math.max(1e-9, random())));

/** What a touch of a plan comes to over the draws behind its bands; null where they teach nothing. */
export type Lines = ReadonlyMap<string, Line>;

/** The model's own draws of each phase that is done by hand, as lines over what is uncertain. */
export function linesOf(given: HalfGiven): Lines {
  const { setting } = given;
  if (setting.kind !== 'hand') return new Map();
  const phase = inOneGo(serially(heatDraws({ ...given, setting })));
  const z = deviationsOf(phase);
  return new Map(
    phase.touches.flatMap(({ touches, melts_s }) => {
      const line = lineOf(z, melts_s);
      return line ? touches.map((touch) => [touch, line] as const) : [];
    }),
  );
}

/**
 * A bench as it really is, which no plan is told: each tip and each board a little off what is published, as far as the model
 * itself calls uncertain (as the stand-ins' hidden bench).
 */
export class HiddenBench {
  private readonly lasting = new Map<string, number>();

  constructor(private readonly random: Random) {}

  /** What is shared by the touches of one job: what lasts of its tip and board, and the job's own. */
  job(tip: string, board: string): (name: (typeof UNSURE)[number]) => number {
    const own = UNSURE.map(() => normal(this.random));
    return (name) => {
      const lasts = (LASTING as Readonly<Partial<Record<string, number>>>)[name] ?? 0;
      const of = `${name === 'copper' ? board : tip} ${name}`;
      const kept = this.lasting.get(of) ?? normal(this.random);
      this.lasting.set(of, kept);
      return (
        Math.sqrt(lasts) * kept + Math.sqrt(Math.max(0, SHARED[name] - lasts)) * own[UNSURE.indexOf(name)]!
      );
    };
  }

  /** When a touch melts; `slower_sd`: so many standard deviations of its contact worse than new. */
  melt_s(line: Line, shared: (name: (typeof UNSURE)[number]) => number, slower_sd: number): number {
    const contact = line.slopes[UNSURE.indexOf('contact')]!;
    // A pace falls with a melt's time: what lowers it is slower.
    const pace = UNSURE.reduce(
      (sum, name, d) =>
        sum + line.slopes[d]! * (shared(name) + Math.sqrt(1 - SHARED[name]) * normal(this.random)),
      line.level - Math.abs(contact) * slower_sd,
    );
    return line.scale.meltOf_s(pace);
  }

  /** The same where only the plan's band is known, as under air. */
  within(pin: JobPlan['phases'][number]['pins'][number]): number {
    const { p10, p50, p90 } = pin.melt_s;
    const spread = p10 && p90 ? Math.log(p90 / p10) / 2.563 : 0.2;
    return (p50 ?? pin.stop_s / 2) * Math.exp(spread * normal(this.random));
  }
}
