import { isSurface } from '~/core/packages/form';
import { padPlaces } from '~/core/packages/placement';
import { surfacePackage } from '~/core/packages/outlines';
import type { SurfacePackage } from '~/core/packages/surface';
import type { MeltingRange } from '~/core/solder/mixture';
import { doseRate_1_s, temperatureOf_K, touchedBondEndurance, type Life } from '~/core/thermal/dose';
import { SWEEP } from '../ways/data';
import { PLAN } from '../settings';
import { guestOf, LEAST_GUEST_DISTANCE_m } from '~/core/thermal/joint/guests';
import { knownOf } from '~/core/learning/lasting';
import { nominalOf } from '~/core/thermal/joint/draws';
import { meltingOf } from '~/core/thermal/joint/scenario';
import { readAs } from '~/core/thermal/network/prepared';
import {
  preparedSurface,
  simulateSurface,
  type SurfaceRun,
  type SurfaceScenario,
} from '~/core/thermal/joint/surface';
import {
  boardUnder,
  likeness,
  setpointAt_K,
  type HandSetting,
  type Neighbour,
  type PlanRequest,
} from '../request';
import { ironOf } from './holeTouch';
import { TOGETHER } from '~/core/record/runState';
import type { Touch, TouchRun } from './touch';

/** How tips stand on the lands: on one, on each of them at once, or drawn over all in turn. */
export type Stance = 'one' | 'each' | 'swept';

/** Beyond this a tip warms nothing. */
const REACH_m = 25e-3;

/** A tip, or two, on lands of a surface part. Throws for a part with holes. */
export function landTouch(
  request: PlanRequest,
  setting: HandSetting,
  pads: readonly string[],
  stance: Stance,
  {
    longest_s,
    ...extra
  }: {
    readonly added_m3?: number;
    readonly melting?: MeltingRange | undefined;
    readonly longest_s?: number;
  } = {},
): Touch {
  const { site } = request;
  const { part } = site;
  if (!isSurface(part)) throw new Error(`${part.family} stands on no lands`);
  const name = stance === 'one' ? pads[0]! : TOGETHER;
  const known = knownOf(request.learnt, setting);
  const scenario: SurfaceScenario = {
    ambient_K: request.ambient_K,
    board: boardUnder(request, pads),
    part,
    partSide: site.partSide,
    alloy: site.alloy,
    heated: pads,
    swept: stance === 'swept',
    connections: site.connections,
    iron: ironOf(setting, name),
    preheat: setting.preheat && { ...setting.preheat, fromWorkFace: false },
    ...extra,
  };
  const lands = part.lands.filter((land) => pads.includes(land.pad));
  const smallest_m2 = Math.min(...lands.map((land) => land.width_m * land.height_m));
  return {
    name,
    pads,
    likeness: JSON.stringify([
      pads.map((pad) => likeness(request, pad)),
      lands.map((land) => (land.width_m * land.height_m).toExponential(4)),
      setpointAt_K(setting, name),
    ]),
    board: scenario.board,
    laminate: request.board.laminate,
    known,
    land_m2: smallest_m2,
    longest_s: longest_s ?? longestOf_s(stance, extra.melting !== undefined),
    liquidus_K: meltingOf(scenario).liquidus_K,
    prepare: (options) => {
      const factors = options.factors ?? nominalOf({ board: scenario.board, known });
      return readAs(preparedSurface(scenario, { ...options, factors }), (whole) => {
        const run = touchRunOf(whole);
        if (stance !== 'swept') return run;
        const life = touchedBondEndurance(request.board.laminate, smallest_m2);
        return { ...run, land_K: underSweep(run, 1 / pads.length, life) };
      });
    },
    peaksNear: (neighbours, duration_s) => peaksNear(request, scenario, pads, neighbours, duration_s),
  };
}

function longestOf_s(stance: Stance, lowMelt: boolean): number {
  if (stance !== 'swept') return PLAN.longestDwell_s;
  return lowMelt ? PLAN.longestLowMelt_s : PLAN.longestSweep_s;
}

/** Lands that are heated taken together: the hottest land, the coldest solder, the last to melt. */
function touchRunOf(run: SurfaceRun): TouchRun {
  const worked = run.pads.filter((pad) => pad.heated);
  const never = worked.filter((pad) => pad.liquidus_s === null);
  const last = never.length
    ? never.reduce((a, b) => (b.solder_K.at(-1)! < a.solder_K.at(-1)! ? b : a))
    : worked.reduce((a, b) => (b.liquidus_s! > a.liquidus_s! ? b : a));
  const land_K = highest(worked.map((pad) => pad.land_K));
  return {
    outcome: run.outcome,
    time_s: run.time_s,
    tip_K: run.tip_K,
    land_K,
    laminate_K: highest(worked.map((pad) => pad.land_K.map((t, i) => (t + pad.farFace_K[i]!) / 2))),
    coldestSolder_K: lowest(worked.map((pad) => pad.solder_K)),
    body_K: run.body_K,
    plastic_K: null,
    fullMelt_s: never.length ? null : last.liquidus_s,
    lastToMelt: `pad ${last.pad}`,
  };
}

/**
 * A land under a swept tip is hotter while the tip passes over it than the mean over its rounds. Its bond spends by
 * what it really goes through, so the mean is replaced by the steady temperature that would spend as much: the
 * tip's share of the time at `SWEEP.excess` of the way up to the tip, the rest at the mean.
 */
function underSweep(run: TouchRun, share: number, life: Life): Float64Array {
  return run.land_K.map((mean_K, i) => {
    const under_K = mean_K + SWEEP.excess.value * Math.max(0, run.tip_K[i]! - mean_K);
    const rate = share * doseRate_1_s(life, under_K) + (1 - share) * doseRate_1_s(life, mean_K);
    return temperatureOf_K(life, rate, [mean_K, Math.max(mean_K, under_K)]);
  });
}

function highest(rows: readonly Float64Array[]): Float64Array {
  const most = Float64Array.from(rows[0]!);
  for (const row of rows) {
    for (let i = 0; i < most.length; i++) if (row[i]! > most[i]!) most[i] = row[i]!;
  }
  return most;
}

/** Every neighbour as a guest of each heated land; far ones stay as they are. */
function peaksNear(
  request: PlanRequest,
  scenario: SurfaceScenario,
  pads: readonly string[],
  neighbours: readonly Neighbour[],
  duration_s: number,
): number[] {
  const { site } = request;
  const places = padPlaces({ ...site, side: site.partSide }, site.part).filter((p) => pads.includes(p.pad));
  const from = (n: Neighbour): number[] =>
    places.map((p) => Math.max(LEAST_GUEST_DISTANCE_m, Math.hypot(n.x_m - p.x_m, n.y_m - p.y_m)));
  const near = neighbours.filter((n) => Math.min(...from(n)) < REACH_m);
  if (near.length === 0) return neighbours.map(() => request.ambient_K);
  // One tip on one land at a time stands for a sweep: it is what a neighbour feels of it at its hottest.
  const heated = scenario.swept ? [pads[0]!] : pads;
  const run = simulateSurface(
    {
      ...scenario,
      swept: false,
      heated,
      guests: near.map((n) => ({
        from: from(n)
          .slice(0, heated.length)
          .map((distance_m) =>
            guestOf(n.part ?? COMMON_CHIP, n.alloy, request.board.thickness_m, {
              distance_m: scenario.swept ? Math.min(...from(n)) : distance_m,
              face: n.side === site.partSide ? 'near' : 'far',
            }),
          ),
      })),
    },
    { duration_s: Math.max(duration_s, 0.1) },
  );
  const peaks = new Map(
    near.map((n, i) => [n.ref, run.guests[i]!.joint_K.reduce((a, b) => Math.max(a, b), request.ambient_K)]),
  );
  return neighbours.map((n) => peaks.get(n.ref) ?? request.ambient_K);
}

/** What a neighbour is taken for where only its place is known. */
export const COMMON_CHIP: SurfacePackage = surfacePackage({ family: 'chip', code: '0603' });

/** The coldest of several histories at each time. */
function lowest(rows: readonly Float64Array[]): Float64Array {
  const least = Float64Array.from(rows[0]!);
  for (const row of rows) {
    for (let i = 0; i < least.length; i++) if (row[i]! < least[i]!) least[i] = row[i]!;
  }
  return least;
}
