import { ALLOYS } from '../core/materials/alloys';
import { FAMILY_TRAITS } from '../core/packages/families';
import { doseCurve, firstReached_s, livesOf } from '../core/method/forecast';
import { neighbourProbe, padPlace } from '../core/method/neighbours';
import { PLAN } from '../core/method/settings';
import { celsius, kelvin, metres } from '../core/quantity/convert';
import { simulateJoint, type JointRun } from '../core/thermal/joint/simulate';
import { packageOf } from './package';
import { padNames, scenarioOf, type SimulateInput } from './planRequest';

/** The command line's answer to "what happens if": bench units, null where it never happened. */
export interface SimulateAnswer {
  readonly outcome: 'done' | 'not-converged';
  readonly pads: readonly {
    readonly pad: string;
    readonly solidus_s: number | null;
    readonly liquidus_s: number | null;
    readonly fullMelt_s: number | null;
    readonly peak_C: number;
    readonly aboveLiquidus_s: number;
    readonly padDose: number;
  }[];
  readonly part: { readonly peak_C: number; readonly limit_C: number; readonly maxRamp_K_s: number };
  readonly board: {
    readonly peakTop_C: number;
    readonly peakBottom_C: number;
    readonly laminateDose: number;
    /** Needs the board scale. */
    readonly warp_pct: null;
  };
  readonly neighbours: readonly {
    readonly ref: string;
    readonly body_C: number;
    readonly joint_C: number;
    readonly ok: boolean;
  }[];
  readonly energy: {
    readonly in_J: number;
    readonly stored_J: number;
    readonly lost_J: number;
    readonly relativeResidual: number;
  };
  readonly histories: Readonly<Record<string, readonly number[]>>;
}

export function simulate(input: SimulateInput): SimulateAnswer {
  const scenario = scenarioOf(input);
  const { site, load } = input;
  const placed = {
    x_m: metres(site.x_mm),
    y_m: metres(site.y_mm),
    rotation_rad: (site.rotation_deg * Math.PI) / 180,
    partSide: site.side,
    part: packageOf(site.package),
    alloy: site.alloy,
    connections: {},
  };
  const heated = padPlace(placed, load.pad);
  const others = padNames(site.package.pins).filter((pad) => pad !== load.pad);
  const otherProbes = others.map((pad) => {
    const at = padPlace(placed, pad);
    return { distance_m: Math.hypot(at.x_m - heated.x_m, at.y_m - heated.y_m), face: 'near' as const };
  });
  const neighbourProbes = input.neighbours.map((n) =>
    neighbourProbe({ site: placed }, load.pad, { ...n, x_m: metres(n.x_mm), y_m: metres(n.y_mm) }),
  );
  const run = simulateJoint(scenario, {
    duration_s: input.duration_s,
    probes: [...otherProbes, ...neighbourProbes],
  });
  const lives = livesOf(scenario);
  const partLimit_K = FAMILY_TRAITS[site.package.family].bodyLimit.value;
  const ironOnTop = site.side === 'bottom';
  const nearPeak_C = peak_C(run.land_K);
  const farPeak_C = peak_C(run.farLand_K);
  const alloy = ALLOYS[site.alloy];

  return {
    outcome: run.outcome === 'not-converged' ? 'not-converged' : 'done',
    pads: [
      {
        pad: load.pad,
        solidus_s: run.solidus_s,
        liquidus_s: run.liquidus_s,
        fullMelt_s: run.fullMelt_s,
        peak_C: nearPeak_C,
        aboveLiquidus_s: timeAbove_s(run.time_s, run.coldestSolder_K, alloy.liquidus.value),
        padDose: doseCurve(lives.pad, run.time_s, run.land_K).at(-1)!,
      },
      ...others.map((pad, i) => {
        const row = run.probes_K[i]!;
        return {
          pad,
          solidus_s: firstReached_s(run.time_s, row, alloy.solidus.value),
          liquidus_s: firstReached_s(run.time_s, row, alloy.liquidus.value),
          fullMelt_s: null,
          peak_C: peak_C(row),
          aboveLiquidus_s: timeAbove_s(run.time_s, row, alloy.liquidus.value),
          padDose: doseCurve(lives.pad, run.time_s, row).at(-1)!,
        };
      }),
    ],
    part: { peak_C: peak_C(run.body_K), limit_C: celsius(partLimit_K), maxRamp_K_s: maxRamp_K_s(run) },
    board: {
      peakTop_C: ironOnTop ? nearPeak_C : farPeak_C,
      peakBottom_C: ironOnTop ? farPeak_C : nearPeak_C,
      laminateDose: doseCurve(lives.laminate, run.time_s, run.laminate_K).at(-1)!,
      warp_pct: null,
    },
    neighbours: input.neighbours.map((n, i) => {
      const joint_C = peak_C(run.probes_K[others.length + i]!);
      const limit_C = celsius(ALLOYS[n.alloy].solidus.value - PLAN.neighbourMargin_K);
      return {
        ref: n.ref,
        body_C: joint_C,
        joint_C,
        ok: joint_C <= limit_C && kelvin(joint_C) <= PLAN.neighbourBody_K,
      };
    }),
    energy: run.energy,
    histories: {
      time_s: Array.from(run.time_s),
      [`pad:${load.pad}`]: inCelsius(run.land_K),
      ...Object.fromEntries(others.map((pad, i) => [`pad:${pad}`, inCelsius(run.probes_K[i]!)])),
      coldestSolder: inCelsius(run.coldestSolder_K),
      tip: inCelsius(run.tip_K),
      body: inCelsius(run.body_K),
    },
  };
}

const inCelsius = (row: Float64Array): number[] => Array.from(row, celsius);

const peak_C = (row: Float64Array): number => celsius(row.reduce((a, b) => Math.max(a, b), -Infinity));

function timeAbove_s(time_s: Float64Array, row: Float64Array, level_K: number): number {
  let sum = 0;
  for (let i = 1; i < time_s.length; i++) {
    const a = row[i - 1]! - level_K;
    const b = row[i]! - level_K;
    const share = a >= 0 && b >= 0 ? 1 : a < 0 && b < 0 ? 0 : Math.max(a, b) / Math.abs(b - a);
    sum += share * (time_s[i]! - time_s[i - 1]!);
  }
  return sum;
}

function maxRamp_K_s({ time_s, body_K }: JointRun): number {
  let worst = 0;
  for (let i = 1; i < time_s.length; i++) {
    worst = Math.max(worst, (body_K[i]! - body_K[i - 1]!) / (time_s[i]! - time_s[i - 1]!));
  }
  return worst;
}
