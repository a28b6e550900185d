import { relayed } from '~/core/stepwise';
import { COPPER } from '~/core/materials/copper';
import { LAMINATES } from '~/core/materials/laminates';
import { scatter } from '~/core/materials/property';
import { SURFACE } from '~/core/materials/surfaces';
import { TIP_CONTACT } from '~/core/materials/tips';
import { normalQuantile } from '~/core/statistics/normal';
import { spreadOf, type Spread } from '~/core/statistics/percentile';
import { latinHypercube } from '~/core/statistics/random';
import { jetOutsideRange } from '../surface/jet';
import { UNCERTAIN } from '../joint/settings';
import { runField, type FieldOptions, type FieldRun } from './run';
import type { FieldFactors, FieldScenario } from './scenario';

/** What is known of a board-scale run when its uncertain inputs are drawn many times. */
export interface FieldBand {
  readonly draws: number;
  /** Last pad of the first part to melt through. */
  readonly lastMelt_s: Spread;
  readonly bodyPeak_K: Spread;
  readonly laminateDose: Spread;
  readonly bow: Spread;
  /** Share of draws in which some pad of the first part stays solid. */
  readonly chanceSolid: number;
  /** Share of draws in which the first part passes its own limit. */
  readonly chanceOverLimit: number;
}

const DIMENSIONS = 6;

/** Seeded Latin-hypercube draws of what is uncertain about a board under hot air, in log-normal scatter. */
export function fieldDraws(scenario: FieldScenario, count: number, seed: number): FieldFactors[] {
  const laminate = LAMINATES[scenario.board.laminate];
  const beyond = scenario.stages.some(({ air }) => air && jetOutsideRange(air.jet).length > 0);
  const film = beyond ? SURFACE.jetFilmBeyond : SURFACE.jetFilm;
  return latinHypercube(count, DIMENSIONS, seed).map((point) => {
    const z = (dimension: number): number => normalQuantile(point[dimension]!);
    return {
      copper: Math.exp(Math.hypot(UNCERTAIN.copperSpread, COPPER.conductivity.uncertainty) * z(0)),
      laminate: scatter(laminate.conductivityThrough, z(1)),
      jet: scatter(film, z(2)),
      stillAir: scatter(SURFACE.stillAirFilm, z(3)),
      preheat: scatter(SURFACE.warmAirFilm, z(4)),
      // A station's air is set and checked about as well as a tip is; its sensor sits before the nozzle.
      airOffset_K: 2 * TIP_CONTACT.calibrationSpread.value * z(5),
    };
  });
}

/**
 * Streams the band of the first part: one value after each draw, the last one complete; null while a
 * draw is being solved, so that a caller may stop in the middle of one.
 */
export function* fieldBand(
  scenario: FieldScenario,
  { draws, seed, ...options }: FieldOptions & { draws: number; seed: number },
): Generator<FieldBand | null, FieldBand> {
  const seen: Seen[] = [];
  for (const factors of fieldDraws(scenario, draws, seed)) {
    const run = yield* relayed(runField(scenario, { ...options, factors }), () => null);
    seen.push(look(run, scenario.parts[0]?.ref ?? ''));
    if (seen.length < draws) yield summarise(seen);
  }
  return summarise(seen);
}

interface Seen {
  readonly lastMelt_s: number;
  readonly body_K: number;
  readonly overLimit: boolean;
  readonly dose: number;
  readonly bow: number;
}

function look(run: FieldRun, ref: string): Seen {
  const body = run.bodies[0];
  return {
    lastMelt_s: Math.max(...run.pads.filter((p) => p.ref === ref).map((p) => p.fullMelt_s ?? Infinity)),
    body_K: body?.peak_K ?? 0,
    overLimit: body !== undefined && body.peak_K > body.limit_K,
    dose: run.board.laminateDose,
    bow: Math.max(run.board.bowHot, run.board.bowLeft),
  };
}

function summarise(seen: readonly Seen[]): FieldBand {
  const spread = (of: (s: Seen) => number): Spread => spreadOf(seen.map(of));
  const share = (of: (s: Seen) => boolean): number => seen.filter(of).length / seen.length;
  return {
    draws: seen.length,
    lastMelt_s: spread((s) => s.lastMelt_s),
    bodyPeak_K: spread((s) => s.body_K),
    laminateDose: spread((s) => s.dose),
    bow: spread((s) => s.bow),
    chanceSolid: share((s) => !Number.isFinite(s.lastMelt_s)),
    chanceOverLimit: share((s) => s.overLimit),
  };
}
