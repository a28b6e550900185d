import { steepestRise_K_s } from '~/core/thermal/ramp';
import { ALLOYS } from '~/core/materials/alloys';
import { FAMILY_TRAITS } from '~/core/packages/families';
import { bodyLimit_K, padNamesOf } from '~/core/packages/form';
import type { ThroughHolePackage } from '~/core/packages/throughHole';
import { livesOf } from '~/core/method/limits/forecast';
import { doseCurve, firstReached_s } from '~/core/thermal/history';
import { padPlace } from '~/core/method/hand/holeTouch';
import { celsius, metres, radians } from '~/core/quantity/convert';
import { suctionAt } from '~/core/thermal/joint/gun';
import { simulateJoint, type JointRun } from '~/core/thermal/joint/simulate';
import { hottest_K, inCelsius, peak_C, timeAbove_s } from './histories';
import { guestsAbout, neighbourAnswer, neighbourPart } from './simulateNeighbours';
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
  const ironOnTop = site.side === 'bottom';
  const placed = {
    x_m: metres(site.x_mm),
    y_m: metres(site.y_mm),
    rotation_rad: radians(site.rotation_deg),
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
  const guests = guestsAbout(input, heated, ironOnTop ? 'top' : 'bottom');
  const run = simulateJoint(scenario, {
    duration_s: input.duration_s,
    probes: [...otherProbes, ...guests],
    guests,
  });
  const lives = livesOf(scenario);
  const { softens } = FAMILY_TRAITS[part.family];
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
      limit_C: celsius(bodyLimit_K(part, site.alloy)),
      maxRamp_K_s: steepestRise_K_s(run.time_s, run.body_K),
      ...(run.plastic_K && softens
        ? { plasticPeak_C: peak_C(run.plastic_K), plasticLimit_C: celsius(softens.value) }
        : {}),
    },
    board: {
      peakTop_C: ironOnTop ? nearPeak_C : farPeak_C,
      peakBottom_C: ironOnTop ? farPeak_C : nearPeak_C,
      laminateDose: doseCurve(lives.laminate, run.time_s, run.laminate_K).at(-1)!,
      warp_pct: null,
    },
    neighbours: input.neighbours.map((n, i) =>
      neighbourAnswer(
        { ...n, part: neighbourPart(n) },
        hottest_K(run.probes_K[others.length + i]!),
        hottest_K(run.guests_K[i]!),
      ),
    ),
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
      ...(run.plastic_K ? { plastic: inCelsius(run.plastic_K) } : {}),
      ...Object.fromEntries(input.neighbours.map((n, i) => [`body:${n.ref}`, inCelsius(run.guests_K[i]!)])),
    },
  };
}

function suctionAnswer(run: JointRun, trigger_s: number, liquidus_K: number): SimulateAnswer['suction'] {
  const { clears, coldest_K, where, room_K } = suctionAt(run, trigger_s, liquidus_K);
  return { clears, coldest_C: celsius(coldest_K), where, room_K };
}
