import { inOneGo } from '~/core/stepwise';
import { valueAt } from '../history';
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

/** Temperatures of every place under a pair of source temperatures, K; written into `rows` where they are given. */
export function superpose(
  responses: UnitResponses,
  air_K: number,
  preheat_K: number,
  rows: readonly Float64Array[] = rowsFor(responses),
): readonly Float64Array[] {
  const { ambient_K, air, preheat } = responses;
  const airExcess_K = air_K - ambient_K;
  const preheatExcess_K = preheat_K - ambient_K;
  for (let place = 0; place < rows.length; place++) {
    const [ofAir, ofPreheat, row] = [air[place]!, preheat[place]!, rows[place]!];
    for (let i = 0; i < row.length; i++)
      row[i] = ambient_K + airExcess_K * ofAir[i]! + preheatExcess_K * ofPreheat[i]!;
  }
  return rows;
}

/** Room for one sum: many pairs are read one after another in the same. */
export const rowsFor = ({ air }: UnitResponses): Float64Array[] =>
  air.map((row) => new Float64Array(row.length));
