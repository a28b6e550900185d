import type { AlloyId } from '~/core/materials/alloys';
import { celsius } from '~/core/quantity/convert';
import type { FieldRun } from '~/core/thermal/field/run';
import type { FieldScenario } from '~/core/thermal/field/scenario';
import { jetOutsideRange } from '~/core/thermal/surface/jet';
import type { MoistureInput } from '~/schema/values/moisture';
import { moistureAnswer } from '../si/moisture';
import { inCelsius } from './histories';
import { JET_OUTSIDE, type SimulateAnswer } from './simulateAnswer';
import { neighbourAnswer } from './simulateNeighbours';

/** What was asked about a board under air, beside its scenario. */
export interface FieldAsked {
  readonly ref: string;
  readonly moisture: MoistureInput | undefined;
  readonly neighbours: readonly { readonly ref: string; readonly alloy: AlloyId }[];
  /** Before the air; times in the answer count from it. */
  readonly soak_s: number;
}

/** A board's run in bench units; the site's own part is the scenario's first. */
export function fieldAnswer(asked: FieldAsked, scenario: FieldScenario, run: FieldRun): SimulateAnswer {
  const { ref, soak_s } = asked;
  const since = (at_s: number | null): number | null => (at_s === null ? null : at_s - soak_s);
  const body = run.bodies[0]!;
  const water = moistureAnswer(asked.moisture, scenario.parts[0]!.part, body.peak_K);
  const own = run.pads.filter((pad) => pad.ref === ref);
  return {
    outcome: run.outcome === 'not-converged' ? 'not-converged' : 'done',
    pads: own.map((pad) => ({
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
    neighbours: asked.neighbours.map((n) =>
      neighbourAnswer(
        { ...n, part: scenario.parts.find((p) => p.ref === n.ref)?.part },
        jointPeak_K(run, n.ref),
        run.bodies.find((b) => b.ref === n.ref)!.peak_K,
      ),
    ),
    energy: run.energy,
    bow: { hot_pct: 100 * run.board.bowHot, left_pct: 100 * run.board.bowLeft },
    notes: notesOf(scenario),
    histories: {
      time_s: Array.from(run.time_s, (t) => t - soak_s),
      ...Object.fromEntries(own.map((pad) => [`pad:${pad.pad}`, inCelsius(pad.history_K)])),
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
    if (air) for (const reason of jetOutsideRange(air.jet)) found.add(`${JET_OUTSIDE}: ${reason}.`);
  }
  return [...found];
}
