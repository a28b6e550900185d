import { ALLOYS } from '~/core/materials/alloys';
import { PLAN } from '~/core/method/settings';
import { celsius, kelvin, metres } from '~/core/quantity/convert';
import { padNamesOf, type PartPackage } from '~/core/packages/form';
import { firstReached_s } from '~/core/thermal/history';
import { runField, type FieldProgress, type FieldRun } from '~/core/thermal/field/run';
import type { AirLoad, FieldPart, FieldScenario, Stage } from '~/core/thermal/field/scenario';
import { jetOutsideRange, type Nozzle } from '~/core/thermal/surface/jet';
import { fieldBoardOf } from '../si/board';
import { inCelsius } from './histories';
import { moistureAnswer } from '../si/moisture';
import { partOf } from '../si/part';
import { connectionsOf } from '../si/connections';
import { neighbourAnswer, neighbourPart } from './simulateNeighbours';
import type { SimulateAnswer } from './simulateAnswer';
import type { SimulateInput } from './simulateRequest';

export type HotAirLoad = Extract<SimulateInput['load'], { kind: 'hot-air' }>;

/** A board under hot air; times count from the air, so a soak before it is negative. */
export function simulateFieldAnswer(input: SimulateInput, load: HotAirLoad): SimulateAnswer {
  const steps = solveField(input, load, 0);
  let next = steps.next();
  while (!next.done) next = steps.next();
  return next.value.answer;
}

/** Temperatures of both faces at one time, °C by column, row by row from y = 0. */
export interface FieldFrame {
  readonly time_s: number;
  readonly top_C: Float32Array;
  readonly bottom_C: Float32Array;
}

/** What a run answers and what a picture of it needs. */
export interface FieldPicture {
  readonly answer: SimulateAnswer;
  readonly frames: readonly FieldFrame[];
  readonly nx: number;
  readonly ny: number;
  /** 1 where a column lies on the board. */
  readonly inside: Uint8Array;
  /** From the last pad molten and settled to the first limit met; null while some pad stays solid. */
  readonly lift: LiftWindow | null;
}

export interface LiftWindow {
  readonly from_s: number;
  /** Null: no limit is met while the run lasts. */
  readonly to_s: number | null;
  readonly because: string;
}

/** The same step by step, with `frames` snapshots for a picture. */
export function* solveField(
  input: SimulateInput,
  load: HotAirLoad,
  frames: number,
): Generator<FieldProgress, FieldPicture> {
  const scenario = fieldScenarioOf(input, load);
  const soak_s = input.preheat?.soak_s ?? 0;
  const run = yield* runField(scenario, { pitch_m: metres(input.grid_mm), frames });
  const inCelsius32 = (row: Float32Array): Float32Array => row.map(celsius);
  return {
    answer: answerOf(input, scenario, run, soak_s),
    frames: run.frames.map((frame) => ({
      time_s: frame.time_s - soak_s,
      top_C: inCelsius32(frame.top_K),
      bottom_C: inCelsius32(frame.bottom_K),
    })),
    nx: run.mesh.nx,
    ny: run.mesh.ny,
    inside: run.mesh.inside,
    lift: liftOf(input, run, soak_s),
  };
}

function liftOf(input: SimulateInput, run: FieldRun, soak_s: number): LiftWindow | null {
  const melts = run.pads.filter((pad) => pad.ref === input.site.ref).map((pad) => pad.fullMelt_s);
  if (melts.some((melt) => melt === null)) return null;
  const from_s = Math.max(...(melts as number[])) + PLAN.settle_s - soak_s;
  let first = { at_s: Infinity, because: '' };
  const { liquidus } = ALLOYS[input.site.alloy];
  for (const pad of run.pads.filter((p) => p.ref === input.site.ref)) {
    const at_s = setsAgain_s(run.time_s, pad.history_K, pad.fullMelt_s!, liquidus.value);
    if (at_s !== null && at_s < first.at_s) first = { at_s, because: `pad ${pad.pad} sets again` };
  }
  run.bodies.forEach((body, b) => {
    const own = b === 0;
    const limit_K = own ? body.limit_K : PLAN.neighbourBody_K;
    const at_s = firstReached_s(run.time_s, body.history_K, limit_K);
    if (at_s !== null && at_s < first.at_s) {
      first = {
        at_s,
        because: `${body.ref} reaches ${own ? 'its limit of ' : ''}${Math.round(celsius(limit_K))} °C`,
      };
    }
  });
  const to_s = first.at_s - soak_s;
  return Number.isFinite(to_s)
    ? { from_s, to_s, because: first.because }
    : { from_s, to_s: null, because: 'no limit is met while the run lasts' };
}

/** When a molten pad falls back under liquidus, or null if it stays molten to the end. */
function setsAgain_s(
  time_s: Float64Array,
  history_K: Float64Array,
  molten_s: number,
  liquidus_K: number,
): number | null {
  for (let i = 1; i < time_s.length; i++) {
    if (time_s[i]! > molten_s && history_K[i - 1]! >= liquidus_K && history_K[i]! < liquidus_K) {
      const share = (history_K[i - 1]! - liquidus_K) / (history_K[i - 1]! - history_K[i]!);
      return time_s[i - 1]! + share * (time_s[i]! - time_s[i - 1]!);
    }
  }
  return null;
}

function answerOf(
  input: SimulateInput,
  scenario: FieldScenario,
  run: FieldRun,
  soak_s: number,
): SimulateAnswer {
  const { ref } = input.site;
  const since = (at_s: number | null): number | null => (at_s === null ? null : at_s - soak_s);
  const body = run.bodies[0]!;
  const water = moistureAnswer(input.site.moisture, scenario.parts[0]!.part, body.peak_K);
  return {
    outcome: run.outcome === 'not-converged' ? 'not-converged' : 'done',
    pads: run.pads
      .filter((pad) => pad.ref === ref)
      .map((pad) => ({
        pad: pad.pad,
        solidus_s: since(pad.solidus_s),
        liquidus_s: since(pad.liquidus_s),
        fullMelt_s: since(pad.fullMelt_s),
        peak_C: celsius(pad.peak_K),
        aboveLiquidus_s: pad.aboveLiquidus_s,
        padDose: pad.dose,
      })),
    part: {
      peak_C: celsius(body.peak_K),
      limit_C: celsius(body.limit_K),
      maxRamp_K_s: body.maxRamp_K_s,
      rampLimit_K_s: body.rampLimit_K_s,
      ...(water && { moisture: water }),
    },
    board: {
      peakTop_C: celsius(run.board.peakTop_K),
      peakBottom_C: celsius(run.board.peakBottom_K),
      laminateDose: run.board.laminateDose,
      warp_pct: 100 * Math.max(run.board.bowHot, run.board.bowLeft),
    },
    neighbours: input.neighbours.map((n, i) =>
      neighbourAnswer(n, jointPeak_K(run, n.ref), run.bodies[i + 1]!.peak_K),
    ),
    energy: run.energy,
    bow: { hot_pct: 100 * run.board.bowHot, left_pct: 100 * run.board.bowLeft },
    notes: notesOf(scenario),
    histories: {
      time_s: Array.from(run.time_s, (t) => t - soak_s),
      ...Object.fromEntries(
        run.pads.filter((pad) => pad.ref === ref).map((pad) => [`pad:${pad.pad}`, inCelsius(pad.history_K)]),
      ),
      body: inCelsius(body.history_K),
      ...Object.fromEntries(run.bodies.slice(1).map((b) => [`body:${b.ref}`, inCelsius(b.history_K)])),
    },
  };
}

/** Hottest of a part's joints. */
const jointPeak_K = (run: FieldRun, ref: string): number =>
  Math.max(...run.pads.filter((pad) => pad.ref === ref).map((pad) => pad.peak_K));

function notesOf(scenario: FieldScenario): string[] {
  const found = new Set<string>();
  for (const { air } of scenario.stages) {
    if (air)
      for (const reason of jetOutsideRange(air.jet)) found.add(`Jet outside its correlation: ${reason}.`);
  }
  return [...found];
}

export function fieldScenarioOf(input: SimulateInput, load: HotAirLoad): FieldScenario {
  const { site } = input;
  const main = fieldPart(site, partOf(site.package), (pad) => connectionsOf(input, pad));
  const neighbours = input.neighbours.map((n) => fieldPart(n, neighbourPart(n), () => []));
  return {
    ambient_K: kelvin(input.ambient_C),
    board: fieldBoardOf(input.board),
    parts: [main, ...neighbours],
    shields: input.shields.map((s) => ({
      kind: s.kind,
      side: s.side,
      from_m: [metres(s.x_mm - s.width_mm / 2), metres(s.y_mm - s.height_mm / 2)] as const,
      to_m: [metres(s.x_mm + s.width_mm / 2), metres(s.y_mm + s.height_mm / 2)] as const,
    })),
    stages: stagesOf(input, load),
  };
}

interface Placed {
  readonly ref: string;
  readonly side: 'top' | 'bottom';
  readonly x_mm: number;
  readonly y_mm: number;
  readonly rotation_deg: number;
  readonly alloy: FieldPart['alloy'];
}

function fieldPart(
  at: Placed,
  part: PartPackage,
  connected: (pad: string) => FieldPart['connections'][string],
): FieldPart {
  return {
    ref: at.ref,
    side: at.side,
    x_m: metres(at.x_mm),
    y_m: metres(at.y_mm),
    rotation_rad: (at.rotation_deg * Math.PI) / 180,
    alloy: at.alloy,
    part,
    connections: Object.fromEntries(padNamesOf(part).map((pad) => [pad, connected(pad)])),
  };
}

/** The soak, then a stage for each stretch between two entries of the schedule. */
function stagesOf(input: SimulateInput, load: HotAirLoad): Stage[] {
  const away = input.site.side === 'top' ? 'bottom' : 'top';
  const preheat =
    input.preheat &&
    ({
      kind: input.preheat.kind,
      setpoint_K: kelvin(input.preheat.setpoint_C),
      side: input.preheat.side ?? away,
    } as const);
  const stages: Stage[] = [];
  if (preheat && input.preheat!.soak_s > 0) {
    stages.push({ name: 'soak', duration_s: input.preheat!.soak_s, air: null, preheat });
  }
  let now = { air_C: load.air_C, flow_L_min: load.flow_L_min, standoff_mm: load.standoff_mm, off: false };
  let warm = preheat;
  const entries = [{ at_s: 0 }, ...load.schedule.filter((entry) => entry.at_s < input.duration_s)];
  entries.forEach((entry: HotAirLoad['schedule'][number], i) => {
    const until_s = entries[i + 1]?.at_s ?? input.duration_s;
    now = {
      air_C: entry.air_C ?? now.air_C,
      flow_L_min: entry.flow_L_min ?? now.flow_L_min,
      standoff_mm: entry.standoff_mm ?? now.standoff_mm,
      off: entry.off ?? (entry.air_C === undefined ? now.off : false),
    };
    if (warm && entry.preheat_C !== undefined) warm = { ...warm, setpoint_K: kelvin(entry.preheat_C) };
    if (until_s <= entry.at_s) return;
    stages.push({
      name: now.off ? 'cooling' : 'hot air',
      duration_s: until_s - entry.at_s,
      air: now.off ? null : airLoad(input, load, now),
      // One source warms a face at a time: the nozzle takes the place of warm air over the part.
      preheat: now.off || warm?.side !== input.site.side ? warm : null,
    });
  });
  return stages;
}

function airLoad(
  input: SimulateInput,
  load: HotAirLoad,
  now: { air_C: number; flow_L_min: number; standoff_mm: number },
): AirLoad {
  const nozzle: Nozzle =
    load.nozzle_mm !== undefined
      ? { shape: 'round', diameter_m: metres(load.nozzle_mm) }
      : {
          shape: 'rectangle',
          width_m: metres(load.nozzleWidth_mm!),
          height_m: metres(load.nozzleHeight_mm!),
        };
  return {
    jet: {
      nozzle,
      air_K: kelvin(now.air_C),
      flow_m3_s: now.flow_L_min / 60_000,
      standoff_m: metres(now.standoff_mm),
    },
    x_m: metres(input.site.x_mm),
    y_m: metres(input.site.y_mm),
    side: input.site.side,
  };
}
