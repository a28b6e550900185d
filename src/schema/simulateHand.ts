import { ALLOYS } from '../core/materials/alloys';
import { FAMILY_TRAITS } from '../core/packages/families';
import { padNamesOf } from '../core/packages/form';
import type { ThroughHolePackage } from '../core/packages/throughHole';
import { doseCurve, firstReached_s, livesOf } from '../core/method/forecast';
import { neighbourProbe, padPlace } from '../core/method/neighbours';
import { PLAN } from '../core/method/settings';
import { celsius, kelvin, metres } from '../core/quantity/convert';
import { suctionAt } from '../core/thermal/joint/gun';
import { simulateJoint, type JointRun } from '../core/thermal/joint/simulate';
import { inCelsius, maxRamp_K_s, peak_C, timeAbove_s } from './histories';
import type { SimulateAnswer } from './simulateAnswer';
import { jointScenarioOf, type SimulateInput } from './simulateRequest';

/** One pin of a through-hole part under an iron or a gun. */
export function simulateHand(
  input: SimulateInput,
  load: Extract<SimulateInput['load'], { kind: 'iron' | 'gun' }>,
  part: ThroughHolePackage,
): SimulateAnswer {
  const scenario = jointScenarioOf(input, load);
  const { site } = input;
  const placed = {
    x_m: metres(site.x_mm),
    y_m: metres(site.y_mm),
    rotation_rad: (site.rotation_deg * Math.PI) / 180,
    partSide: site.side,
    part,
    alloy: site.alloy,
    connections: {},
  };
  const heated = padPlace(placed, load.pad);
  const others = padNamesOf(part).filter((pad) => pad !== load.pad);
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
  const partLimit_K = FAMILY_TRAITS[part.family].bodyLimit.value;
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
    part: {
      peak_C: peak_C(run.body_K),
      limit_C: celsius(partLimit_K),
      maxRamp_K_s: maxRamp_K_s(run.time_s, run.body_K),
    },
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
    ...(load.kind === 'gun' ? { suction: suctionAnswer(run, load.triggerAt_s, alloy.liquidus.value) } : {}),
    notes: [],
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

function suctionAnswer(run: JointRun, trigger_s: number, liquidus_K: number): SimulateAnswer['suction'] {
  const { clears, coldest_K, where, room_K } = suctionAt(run, trigger_s, liquidus_K);
  return { clears, coldest_C: celsius(coldest_K), where, room_K };
}
