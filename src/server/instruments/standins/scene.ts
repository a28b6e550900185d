import { drawOf, type Deviations } from '~/core/thermal/joint/draws';
import { simulateJoint } from '~/core/thermal/joint/simulate';
import { boardTemperature_K } from '~/core/thermal/preheat';
import { celsius, kelvin } from '~/core/quantity/convert';
import { isSurface } from '~/core/packages/form';
import { fieldBoardOf } from '~/schema/exchange/si/board';
import { partOf } from '~/schema/exchange/si/part';
import { simulate } from '~/schema/exchange/simulate/simulate';
import {
  jointScenarioOf,
  simulateInput,
  type SimulateInput,
} from '~/schema/exchange/simulate/simulateRequest';

/** How places on the board go while a tool stands there; °C, and as they are at the end from then on. */
export interface Course {
  readonly time_s: readonly number[];
  readonly land_C: readonly number[];
  readonly body_C: readonly number[];
  readonly board_C: readonly number[];
  readonly tip_C: readonly number[];
}

/** No touch is followed longer. */
const TOUCH_s = 30;
const AIR_s = 240;
/** Coarse: a hand that moves a nozzle is answered at once. */
const GRID_mm = 3;
/** Where a thermocouple on the board beside a joint sits. */
const BESIDE_m = 8e-3;

/** What lies under the tools of a stand-in bench: a site of a board, with a truth that nobody else is told. */
export class Scene {
  constructor(
    private readonly given: SimulateInput,
    private readonly hidden: Deviations,
  ) {}

  static parse(raw: unknown, hidden: Deviations): Scene | null {
    const read = simulateInput.safeParse(raw);
    return read.success ? new Scene(read.data, hidden) : null;
  }

  get ambient_C(): number {
    return this.given.ambient_C;
  }

  get pads(): readonly string[] {
    const part = partOf(this.given.site.package);
    return isSurface(part)
      ? part.lands.map((l) => l.pad)
      : Array.from({ length: part.pins }, (_, i) => String(i + 1));
  }

  /** What the board comes to over a preheater that stands at this for long. */
  warmed_C(setpoint_C: number): number {
    const board = fieldBoardOf(this.given.board);
    const preheat = { kind: 'infrared', setpoint_K: kelvin(setpoint_C), soak_s: 1800 } as const;
    return celsius(boardTemperature_K(board, preheat, kelvin(this.given.ambient_C)));
  }

  /** An iron on one pad, by the joint's own model at the hidden truth; `touch` is what this very touch has of its own. */
  iron(pad: string, setpoint_C: number, preheat_C: number | null, touch: Deviations): Course {
    const load = { ...ironOf(this.given), setpoint_C, pad };
    const preheat =
      preheat_C === null ? null : ({ kind: 'infrared', setpoint_C: preheat_C, soak_s: 300 } as const);
    const input = { ...this.given, load, preheat, duration_s: TOUCH_s };
    const part = partOf(this.given.site.package);
    if (isSurface(part)) {
      const off_K = drawOf({ board: fieldBoardOf(this.given.board) }, touch).factors.tipOffset_K;
      return courseOf(
        simulate({ ...input, load: { ...load, setpoint_C: setpoint_C + off_K } }).histories,
        pad,
      );
    }
    const scenario = jointScenarioOf(input, load);
    const run = simulateJoint(scenario, {
      duration_s: TOUCH_s,
      factors: drawOf(scenario, touch).factors,
      probes: [{ distance_m: BESIDE_m, face: 'near' }],
    });
    const inC = (row: Float64Array): number[] => Array.from(row, celsius);
    return {
      time_s: Array.from(run.time_s),
      land_C: inC(run.land_K),
      body_C: inC(run.body_K),
      board_C: inC(run.probes_K[0]!),
      tip_C: inC(run.tip_K),
    };
  }

  /** Air on the part, by the board's own model; the truth is off by as much as the tip's would be. */
  air(air_C: number, flow_L_min: number, nozzle_mm: number, standoff_mm: number): Course {
    const off_K = drawOf({ board: fieldBoardOf(this.given.board) }, this.hidden).factors.tipOffset_K;
    const load = {
      kind: 'hot-air' as const,
      air_C: air_C + off_K,
      flow_L_min,
      nozzle_mm,
      standoff_mm,
      schedule: [],
    };
    return courseOf(
      simulate({ ...this.given, load, grid_mm: GRID_mm, duration_s: AIR_s }).histories,
      this.pads[0]!,
    );
  }
}

/** The iron that a scene came with, or an ordinary one. */
const ironOf = ({ load }: SimulateInput): Extract<SimulateInput['load'], { kind: 'iron' }> =>
  load.kind === 'iron'
    ? load
    : {
        kind: 'iron',
        setpoint_C: 350,
        power_W: 65,
        tip: { shape: 'chisel', width_mm: 2.4, construction: 'cartridge' },
        fluxed: true,
        freshSolder: true,
        pad: '1',
      };

function courseOf(histories: Readonly<Record<string, readonly number[]>>, pad: string): Course {
  const time_s = histories['time_s']!;
  const land_C =
    histories[`pad:${pad}`] ?? Object.entries(histories).find(([name]) => name.startsWith('pad:'))![1];
  const body_C = histories['body'] ?? land_C;
  return { time_s, land_C, body_C, board_C: histories['board'] ?? body_C, tip_C: histories['tip'] ?? land_C };
}

/** A course at a time, straight between its points. */
export function at(course: Course, row: keyof Omit<Course, 'time_s'>, time_s: number): number {
  const { time_s: t } = course;
  const values = course[row];
  let [low, high] = [0, t.length - 1];
  if (time_s >= t[high]!) return values[high]!;
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (t[middle]! <= time_s) low = middle;
    else high = middle;
  }
  const share = Math.max(0, (time_s - t[low]!) / (t[high]! - t[low]!));
  return values[low]! + share * (values[high]! - values[low]!);
}
