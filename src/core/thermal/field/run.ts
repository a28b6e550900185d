import { inOneGo } from '~/core/stepwise';
import type { EnergyAccount } from '../network/integrate';
import { attach, type Attachments } from './attachments';
import { Films } from './films';
import type { FieldMemory, Grid } from './loops';
import { fieldMesh, layersFor } from './mesh';
import { NOMINAL_FIELD, ramped_K, type FieldFactors, type FieldScenario, type Stage } from './scenario';
import { Picture, pictured_m, type PictureGrid } from './picture';
import type { Sources } from './bodies';
import { cutFor } from './cut';
import { FIELD } from './settings';
import { FieldSolver } from './solver';
import { coldHalfOf, meanOf, Watch, type BoardWatch, type BodyWatch, type PadWatch } from './watch';

export interface FieldOptions {
  /** Even cells of this size; left out, the board is cut finely under its jets. */
  readonly pitch_m?: number | undefined;
  /** Size of the cells under a jet; left out, as the settings have it. */
  readonly finest_m?: number | undefined;
  readonly layers?: number | undefined;
  /** Given, every step is this long; else steps follow the error estimate. */
  readonly step_s?: number | undefined;
  readonly tolerance_K?: number | undefined;
  readonly factors?: FieldFactors | undefined;
  /** Snapshots of both faces, spread evenly over the run. */
  readonly frames?: number | undefined;
  /** No melting, and films held as they stand at this temperature: everything is linear in the sources. */
  readonly linearAt_K?: number | undefined;
  /** Holds both sources at these temperatures while films stay as the stages have them: a unit response. */
  readonly sourcesAt_K?: { readonly air: number; readonly preheat: number } | undefined;
  /** Asked after each step; true ends the run there. */
  readonly stopWhen?: ((time_s: number, watch: Watch) => boolean) | undefined;
  /** Where its arrays lie; left out, in the compiled kernel's memory. */
  readonly memoryFor?: ((grid: Grid) => FieldMemory) | undefined;
}

interface Frame {
  readonly time_s: number;
  /** By cell of the run's picture, K. */
  readonly top_K: Float32Array;
  readonly bottom_K: Float32Array;
}

interface PadRun extends PadWatch {
  readonly ref: string;
  readonly pad: string;
  /** The colder half of its solder (of a linear run its mean), at the times of the run. */
  readonly history_K: Float64Array;
}

interface BodyRun extends BodyWatch {
  readonly ref: string;
  readonly limit_K: number;
  readonly rampLimit_K_s: number;
  readonly history_K: Float64Array;
}

/** A board-scale run: histories at the times in `time_s`, and what each place went through. */
export interface FieldRun {
  readonly outcome: 'done' | 'stopped' | 'not-converged';
  readonly time_s: Float64Array;
  readonly pads: readonly PadRun[];
  readonly bodies: readonly BodyRun[];
  readonly board: BoardWatch;
  readonly energy: EnergyAccount;
  readonly frames: readonly Frame[];
  /** What its frames are told on; null where none were asked for. */
  readonly picture: PictureGrid | null;
  /** Cells that were solved. */
  readonly cells: number;
  readonly steps: number;
}

export interface FieldProgress {
  readonly time_s: number;
  readonly duration_s: number;
}

/** Steps between two yields: some milliseconds of work on a 2 mm grid, and well below 200 on the largest. */
const YIELD_STEPS = 4;

/** A whole run in one go. */
export function simulateField(scenario: FieldScenario, options: FieldOptions = {}): FieldRun {
  return inOneGo(runField(scenario, options));
}

/**
 * Runs a board through its stages, yielding as it goes; a caller cancels by asking no further.
 * Throws on a mesh of more cells than the settings allow; a temperature that is not finite ends the
 * run as not converged.
 */
export function* runField(
  scenario: FieldScenario,
  options: FieldOptions = {},
): Generator<FieldProgress, FieldRun> {
  const factors = options.factors ?? NOMINAL_FIELD;
  const mesh = fieldMesh(
    scenario.board,
    options.pitch_m ?? cutFor(scenario, options.finest_m),
    options.layers ?? layersFor(scenario.board),
    factors,
    options.memoryFor,
  );
  if (mesh.columns * mesh.nz > FIELD.maxCells) {
    throw new Error(`the grid would have ${mesh.columns * mesh.nz} cells; ${FIELD.maxCells} are allowed`);
  }
  const duration_s = scenario.stages.reduce((sum, stage) => sum + stage.duration_s, 0);
  // A large board is long in the making, too.
  const begun: FieldProgress = { time_s: 0, duration_s };
  yield begun;
  const attached = attach(scenario.board, mesh, scenario.parts, factors);
  yield begun;
  const films = new Films(
    mesh,
    attached.bodies,
    scenario.parts,
    scenario.shields,
    scenario.ambient_K,
    factors,
  );
  const solver = new FieldSolver(mesh, attached, films, scenario.ambient_K, options.linearAt_K === undefined);
  yield begun;
  const watch = new Watch(solver, scenario.board, scenario.ambient_K);
  const linear = options.linearAt_K !== undefined;
  const picture = options.frames ? new Picture(mesh, options.pitch_m ?? pictured_m(scenario.board)) : null;
  const record = new History(
    attached,
    solver,
    duration_s,
    picture && { picture, count: options.frames! },
    // Which half of a pad is the colder one may change with the sources; its mean is their sum.
    linear ? meanOf : coldHalfOf,
  );
  const refresh =
    options.linearAt_K === undefined
      ? new Refresh(solver, films)
      : new Frozen(solver, films, options.linearAt_K);

  const lags_s = attached.bodies.filter((body) => !body.fused).map((body) => body.lag_s);
  const longest_s = Math.min(FIELD.maxStep_s, FIELD.lagsPerStep * Math.min(...lags_s, Infinity));

  let time_s = 0;
  let steps = 0;
  let outcome: FieldRun['outcome'] = 'done';
  record.add(0);
  run: for (const stage of scenario.stages) {
    films.begin(stage);
    refresh.now();
    yield { time_s, duration_s };
    let at_s = 0;
    let step_s = options.step_s ?? FIELD.firstStep_s;
    while (at_s < stage.duration_s - 1e-9) {
      const taken_s = Math.min(step_s, stage.duration_s - at_s);
      const share = (at_s + taken_s) / stage.duration_s;
      const error_K = solver.step(taken_s, sources(scenario, stage, share, factors, options.sourcesAt_K));
      at_s += taken_s;
      time_s += taken_s;
      steps++;
      if (!Number.isFinite(error_K)) {
        outcome = 'not-converged';
        break run;
      }
      // A unit response is asked for its histories alone: nothing of it melts, ages or bows.
      if (!linear) watch.follow(time_s, taken_s);
      record.add(time_s);
      if (options.stopWhen?.(time_s, watch)) {
        outcome = 'stopped';
        break run;
      }
      refresh.maybe();
      if (options.step_s === undefined) {
        step_s = Math.min(longest_s, nextStep_s(step_s, error_K, options.tolerance_K));
      }
      if (steps % YIELD_STEPS === 0) yield { time_s, duration_s };
    }
  }
  return {
    outcome,
    ...record.done(scenario, watch),
    board: watch.board,
    energy: account(solver),
    picture,
    cells: mesh.columns * mesh.nz,
    steps,
  };
}

/** Doubles or halves: each new length costs one factoring, so lengths are few. */
function nextStep_s(step_s: number, error_K: number, tolerance_K: number = FIELD.tolerance_K): number {
  if (error_K > tolerance_K) return Math.max(FIELD.minStep_s, step_s / 2);
  if (error_K < tolerance_K / 4) return Math.min(FIELD.maxStep_s, step_s * 2);
  return step_s;
}

/** Source temperature at each face; a face without one is given the ambient. */
function sources(
  scenario: FieldScenario,
  stage: Stage,
  share: number,
  factors: FieldFactors,
  held_K: FieldOptions['sourcesAt_K'],
): Sources {
  const at = { top: scenario.ambient_K, bottom: scenario.ambient_K };
  const { air, preheat } = stage;
  if (preheat) {
    at[preheat.side] = held_K?.preheat ?? ramped_K(preheat.setpoint_K, preheat.endSetpoint_K, share);
  }
  if (air) at[air.side] = held_K?.air ?? ramped_K(air.jet.air_K, air.endAir_K, share) + factors.airOffset_K;
  return { top_K: at.top, bottom_K: at.bottom };
}

/** Films follow the faces once these have moved far enough. */
class Refresh {
  private readonly seenTop_K: Float64Array;
  private readonly seenBottom_K: Float64Array;
  /** How far cells had travelled then. */
  private seenAt_K = 0;

  constructor(
    private readonly solver: FieldSolver,
    private readonly films: Films,
  ) {
    const { memory, columns } = solver.mesh;
    this.seenTop_K = memory.array(columns);
    this.seenBottom_K = memory.array(columns);
  }

  now(): void {
    const { solver } = this;
    this.films.follow(solver.top_K, solver.bottom_K, solver.bodies.skins_K);
    this.seenTop_K.set(solver.top_K);
    this.seenBottom_K.set(solver.bottom_K);
    this.seenAt_K = solver.travelled_K;
    solver.filmsChanged();
  }

  maybe(): void {
    const { top_K, bottom_K, mesh, travelled_K } = this.solver;
    // No cell has moved further than the fastest of each step would have.
    if (travelled_K - this.seenAt_K <= FIELD.filmRefresh_K) return;
    const { loops } = mesh.memory;
    const far =
      loops.moved(top_K, this.seenTop_K, FIELD.filmRefresh_K) ||
      loops.moved(bottom_K, this.seenBottom_K, FIELD.filmRefresh_K);
    if (far) this.now();
  }
}

/** Films stay as they are at one temperature. */
class Frozen {
  private readonly face_K: Float64Array;
  private readonly bodies_K: Float64Array;

  constructor(
    private readonly solver: FieldSolver,
    private readonly films: Films,
    at_K: number,
  ) {
    const { memory, columns } = solver.mesh;
    this.face_K = memory.array(columns).fill(at_K);
    this.bodies_K = solver.bodies.skins_K.map(() => at_K);
  }

  now(): void {
    this.films.follow(this.face_K, this.face_K, this.bodies_K);
    this.solver.filmsChanged();
  }

  maybe(): void {
    // Linear on purpose.
  }
}

function account(solver: FieldSolver): EnergyAccount {
  const { in_J, lost_J } = solver.energy;
  const stored_J = solver.stored_J();
  const scale = Math.max(Math.abs(in_J), Math.abs(stored_J), Math.abs(lost_J), 1e-30);
  return { in_J, lost_J, stored_J, relativeResidual: Math.abs(in_J - stored_J - lost_J) / scale };
}

/** Keeps histories and frames in buffers made before the run. */
class History {
  private readonly time_s: Float64Array;
  private readonly pads: Float64Array[];
  private readonly bodies: Float64Array[];
  private readonly frames: Frame[] = [];
  private rows = 0;
  private next_s = 0;

  constructor(
    private readonly attached: Attachments,
    private readonly solver: FieldSolver,
    private readonly duration_s: number,
    private readonly pictured: { readonly picture: Picture; readonly count: number } | null,
    private readonly padAt: typeof coldHalfOf,
  ) {
    const rows = FIELD.historyRows + 2;
    this.time_s = new Float64Array(rows);
    this.pads = attached.pads.map(() => new Float64Array(rows));
    this.bodies = attached.bodies.map(() => new Float64Array(rows));
  }

  add(time_s: number): void {
    const { solver, attached } = this;
    if (time_s < this.next_s && time_s < this.duration_s - 1e-9) return;
    this.next_s = time_s + this.duration_s / FIELD.historyRows;
    const row = this.rows++;
    this.time_s[row] = time_s;
    for (let p = 0; p < this.pads.length; p++) {
      this.pads[p]![row] = this.padAt(attached.spots, attached.pads[p]!.spots, solver.solder.temperature_K);
    }
    for (let b = 0; b < this.bodies.length; b++) this.bodies[b]![row] = solver.bodies.skins_K[b]!;
    if (!this.pictured) return;
    const { picture, count } = this.pictured;
    if (time_s < (this.frames.length * this.duration_s) / count - 1e-9) return;
    this.frames.push({ time_s, top_K: picture.read(solver.top_K), bottom_K: picture.read(solver.bottom_K) });
  }

  done(scenario: FieldScenario, watch: Watch): Pick<FieldRun, 'time_s' | 'pads' | 'bodies' | 'frames'> {
    const { attached, rows } = this;
    return {
      time_s: this.time_s.slice(0, rows),
      pads: attached.pads.map((pad, p) => ({
        ref: scenario.parts[pad.part]!.ref,
        pad: pad.pad,
        ...watch.pads[p]!,
        history_K: this.pads[p]!.slice(0, rows),
      })),
      bodies: attached.bodies.map((body, b) => ({
        ref: scenario.parts[body.part]!.ref,
        limit_K: body.limit_K,
        rampLimit_K_s: body.ramp_K_s,
        ...watch.bodies[b]!,
        history_K: this.bodies[b]!.slice(0, rows),
      })),
      frames: this.frames,
    };
  }
}
