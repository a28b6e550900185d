import { inOneGo } from '~/core/stepwise';
import { firstReached, valueAt, type TimePlace } from '../history';
import { runField, type FieldOptions, type FieldProgress, type FieldRun } from './run';
import type { FieldScenario } from './scenario';

/** Rise above ambient per kelvin of each source's excess, at the times in `time_s`; one row per place. */
export interface UnitResponses {
  readonly ambient_K: number;
  readonly time_s: Float64Array;
  readonly places: readonly { readonly ref: string; readonly pad: string | null }[];
  readonly air: readonly Float64Array[];
  readonly preheat: readonly Float64Array[];
}

/** Excess that the unit runs are made with; large against rounding, small against nothing: they are linear. */
const EXCESS_K = 100;

type UnitOptions = Pick<FieldOptions, 'finest_m' | 'pitch_m' | 'layers' | 'step_s' | 'factors'>;

/** Unit responses in one go. */
export const unitResponses = (
  scenario: FieldScenario,
  filmsAt_K: number,
  options: UnitOptions = {},
): UnitResponses => inOneGo(respond(scenario, filmsAt_K, options));

/**
 * Two linear runs of one schedule, one for each source, yielding as they go. With airflow, stand-off, shields and timing as
 * they are, any pair of source temperatures is then a sum of the two. Linearity is broken by radiation
 * and natural convection (held as they stand at `filmsAt_K`) and by melting (left out): what is chosen
 * from a superposition has to be verified with one full run.
 */
export function* respond(
  scenario: FieldScenario,
  filmsAt_K: number,
  options: UnitOptions = {},
): Generator<FieldProgress, UnitResponses> {
  const { ambient_K, stages } = scenario;
  const run = (of: FieldScenario, air: number, preheat: number): Generator<FieldProgress, FieldRun> =>
    runField(of, {
      ...options,
      step_s: options.step_s ?? 1,
      linearAt_K: filmsAt_K,
      sourcesAt_K: { air: ambient_K + air, preheat: ambient_K + preheat },
    });
  const warmed = stages.some((stage) => stage.preheat !== null);
  const preheat = warmed ? yield* run(scenario, 0, EXCESS_K) : null;
  // Before it comes on the air warms nothing, however long the soak: its rise is nought to the last bit.
  const blown = preheat
    ? Math.max(
        0,
        stages.findIndex((stage) => stage.air !== null),
      )
    : 0;
  const before_s = stages.slice(0, blown).reduce((sum, { duration_s }) => sum + duration_s, 0);
  const air = yield* run({ ...scenario, stages: stages.slice(blown) }, EXCESS_K, 0);
  const times = preheat?.time_s ?? air.time_s;
  const rises = (of: FieldRun, from_s: number): Float64Array[] =>
    [...of.pads, ...of.bodies].map(({ history_K }) =>
      times.map((time_s) => (valueAt(of.time_s, history_K, time_s - from_s) - ambient_K) / EXCESS_K),
    );
  return {
    ambient_K,
    time_s: times,
    places: [
      ...air.pads.map(({ ref, pad }) => ({ ref, pad })),
      ...air.bodies.map(({ ref }) => ({ ref, pad: null })),
    ],
    air: rises(air, before_s),
    preheat: preheat ? rises(preheat, 0) : rises(air, 0).map((row) => row.fill(0)),
  };
}

/**
 * Temperatures of every place under one pair of source temperatures, summed where they are asked for: of most places a search
 * wants a moment or two of a whole schedule.
 */
export class Superposition {
  private readonly ambient_K: number;
  private readonly airExcess_K: number;
  private readonly preheatExcess_K: number;

  constructor(
    private readonly responses: UnitResponses,
    air_K: number,
    preheat_K: number,
  ) {
    this.ambient_K = responses.ambient_K;
    this.airExcess_K = air_K - this.ambient_K;
    this.preheatExcess_K = preheat_K - this.ambient_K;
  }

  /** A place, by its number among the responses', at one of their times, K. */
  at_K(place: number, row: number): number {
    const { air, preheat } = this.responses;
    return (
      this.ambient_K + this.airExcess_K * air[place]![row]! + this.preheatExcess_K * preheat[place]![row]!
    );
  }

  /** Between two of the responses' times, K. */
  within_K(place: number, { row, share }: TimePlace): number {
    const before_K = this.at_K(place, row - 1);
    return before_K + share * (this.at_K(place, row) - before_K);
  }

  /** At all of the responses' times, K. */
  history_K(place: number): Float64Array {
    const history_K = new Float64Array(this.responses.time_s.length);
    for (let row = 0; row < history_K.length; row++) history_K[row] = this.at_K(place, row);
    return history_K;
  }

  /** First time a place reaches a level, s, and by which row; null if it never does. */
  firstReached(place: number, level_K: number): ReturnType<typeof firstReached> {
    return firstReached(this.responses.time_s, (row) => this.at_K(place, row), level_K);
  }
}
