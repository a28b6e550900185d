import { steepestRise_K_s } from '~/core/thermal/ramp';
import { doseCurve } from '~/core/thermal/history';
import type { SurfacePackage } from '~/core/packages/surface';
import { celsius, kelvin, metres, radians } from '~/core/quantity/convert';
import { bondEndurance, laminateEndurance, touchedBondEndurance } from '~/core/thermal/dose';
import { simulateSurface, type SurfacePadRun } from '~/core/thermal/joint/surface';
import { ALLOYS } from '~/core/materials/alloys';
import { padNamesOf } from '~/core/packages/form';
import { padPlaces } from '~/core/packages/placement';
import { boardAbout } from '~/core/thermal/surroundings';
import { fieldBoardOf } from '../si/board';
import { hottest_K, inCelsius, peak_C, timeAbove_s } from './histories';
import { guestsAbout, neighbourAnswer, neighbourPart } from './simulateNeighbours';
import { moistureAnswer } from '../si/moisture';
import { connectionsOf } from '../si/connections';
import { preheatOf } from '../si/plan';
import type { SimulateAnswer } from './simulateAnswer';
import type { SimulateInput } from './simulateRequest';
import { tipOf } from '../si/tools';

/** Lands of a surface part under an iron on one, or tweezers on its two ends. */
export function simulateLands(
  input: SimulateInput,
  load: Extract<SimulateInput['load'], { kind: 'iron' | 'tweezers' }>,
  part: SurfacePackage,
): SimulateAnswer {
  const { site } = input;
  const pads = padNamesOf(part);
  const heated = load.kind === 'iron' ? [load.pad] : [pads[0]!, pads.at(-1)!];
  const at = {
    side: site.side,
    x_m: metres(site.x_mm),
    y_m: metres(site.y_mm),
    rotation_rad: radians(site.rotation_deg),
  };
  const places = padPlaces(at, part).filter((place) => heated.includes(place.pad));
  const middle = (pick: (place: (typeof places)[number]) => number): number =>
    places.reduce((sum, place) => sum + pick(place), 0) / places.length;
  const board = boardAbout(
    fieldBoardOf(input.board),
    middle((place) => place.x_m),
    middle((place) => place.y_m),
  );
  const perTip = places.map((place) => guestsAbout(input, place, site.side));
  const run = simulateSurface(
    {
      ambient_K: kelvin(input.ambient_C),
      board,
      part,
      partSide: site.side,
      alloy: site.alloy,
      heated,
      connections: Object.fromEntries(pads.map((pad) => [pad, connectionsOf(input, pad)])),
      iron: {
        setpoint_K: kelvin(load.setpoint_C),
        power_W: load.power_W,
        tip: tipOf(load.tip),
        fluxed: load.fluxed,
        freshSolder: load.freshSolder,
      },
      preheat: preheatOf(input.preheat, site.side),
      guests: input.neighbours.map((_, n) => ({ from: perTip.map((guests) => guests[n]!) })),
    },
    { duration_s: input.duration_s },
  );
  const hottest = run.pads.reduce((a, b) => (peak_C(b.land_K) > peak_C(a.land_K) ? b : a));
  const near_C = peak_C(hottest.land_K);
  const far_C = peak_C(hottest.farFace_K);
  const water = moistureAnswer(site.moisture, part, hottest_K(run.body_K));
  const onTop = site.side === 'top';
  const laminate = laminateEndurance(input.board.laminate);
  const liquidus_K = ALLOYS[site.alloy].liquidus.value;
  const padAnswer = (pad: SurfacePadRun): SimulateAnswer['pads'][number] => ({
    pad: pad.pad,
    solidus_s: pad.solidus_s,
    liquidus_s: pad.liquidus_s,
    fullMelt_s: pad.liquidus_s,
    peak_C: peak_C(pad.solder_K),
    aboveLiquidus_s: timeAbove_s(run.time_s, pad.solder_K, liquidus_K),
    padDose: doseCurve(
      pad.heated
        ? touchedBondEndurance(input.board.laminate, pad.area_m2)
        : bondEndurance(input.board.laminate),
      run.time_s,
      pad.land_K,
    ).at(-1)!,
  });
  return {
    outcome: run.outcome === 'not-converged' ? 'not-converged' : 'done',
    pads: run.pads.map(padAnswer),
    part: {
      peak_C: peak_C(run.body_K),
      limit_C: celsius(run.bodyLimit_K),
      maxRamp_K_s: steepestRise_K_s(run.time_s, run.body_K),
      ...(water && { moisture: water }),
    },
    board: {
      peakTop_C: onTop ? near_C : far_C,
      peakBottom_C: onTop ? far_C : near_C,
      laminateDose: doseCurve(laminate, run.time_s, mean(hottest.land_K, hottest.farFace_K)).at(-1)!,
      warp_pct: null,
    },
    neighbours: input.neighbours.map((n, i) =>
      neighbourAnswer(
        { ...n, part: neighbourPart(n) },
        hottest_K(run.guests[i]!.joint_K),
        hottest_K(run.guests[i]!.body_K),
      ),
    ),
    energy: run.energy,
    notes: [`Heated: ${heated.join(' and ')}.`, 'Pads warm each other through the part only.'],
    histories: {
      time_s: Array.from(run.time_s),
      ...Object.fromEntries(run.pads.map((pad) => [`pad:${pad.pad}`, inCelsius(pad.solder_K)])),
      tip: inCelsius(run.tip_K),
      body: inCelsius(run.body_K),
      ...Object.fromEntries(
        input.neighbours.map((n, i) => [`body:${n.ref}`, inCelsius(run.guests[i]!.body_K)]),
      ),
    },
  };
}

const mean = (a: Float64Array, b: Float64Array): Float64Array => a.map((value, i) => (value + b[i]!) / 2);
