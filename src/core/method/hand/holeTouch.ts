import { LEAST_GUEST_DISTANCE_m } from '~/core/thermal/joint/guests';
import { padPlaces } from '~/core/packages/placement';
import { isSurface } from '~/core/packages/form';
import type { ThroughHolePackage } from '~/core/packages/throughHole';
import type { MeltingRange } from '~/core/solder/mixture';
import { knownOf } from '~/core/learning/lasting';
import { nominalOf } from '~/core/thermal/joint/draws';
import { JOINT } from '~/core/thermal/joint/settings';
import { meltingOf, type JointScenario } from '~/core/thermal/joint/scenario';
import { preparedJoint, simulateJoint, type Probe } from '~/core/thermal/joint/simulate';
import {
  boardUnder,
  likeness,
  setpointAt_K,
  type HandSetting,
  type Neighbour,
  type PlanRequest,
  type PlanSite,
} from '../request';
import { PLAN } from '../settings';
import type { Touch } from './touch';

/** What was done to a pin before it is heated. */
export interface Done {
  readonly melting?: MeltingRange | undefined;
  /** Cut off at the body. */
  readonly stub?: boolean | undefined;
}

/** One pin of a through-hole part under an iron or a gun. Throws for a surface part. */
export function scenarioFor(
  request: PlanRequest,
  setting: HandSetting,
  pad: string,
  { melting, stub }: Done = {},
): JointScenario {
  const { site } = request;
  return {
    ambient_K: request.ambient_K,
    board: boardUnder(request, [pad]),
    part: throughHole(site),
    partSide: site.partSide,
    face: 'solder-side',
    alloy: site.alloy,
    pad,
    connections: site.connections[pad] ?? [],
    iron: ironOf(setting, pad),
    preheat: setting.preheat,
    melting,
    stub,
  };
}

/** What the model heats with: the tip's real temperature, not the one shown. */
export const ironOf = (setting: HandSetting, touch: string): JointScenario['iron'] => ({
  setpoint_K: setpointAt_K(setting, touch) + (setting.tool.offset_K ?? 0),
  power_W: setting.tool.power_W,
  tip: setting.tip,
  fluxed: setting.fluxed,
  freshSolder: setting.freshSolder,
  wear: setting.tool.wear,
});

/**
 * A tip on one pin. A gun's suction chills the barrel at once, so all of it must be over liquidus by a margin
 * as it starts (common practice; `JOINT.suctionMargin_K`).
 */
export function holeTouch(request: PlanRequest, setting: HandSetting, pad: string, done: Done = {}): Touch {
  const scenario = scenarioFor(request, setting, pad, done);
  const { part } = scenario;
  const known = knownOf(request.learnt, setting);
  const meltMargin_K = setting.tip.shape === 'hollow' ? JOINT.suctionMargin_K : 0;
  return {
    name: pad,
    pads: [pad],
    likeness: `${likeness(request, pad)} ${setpointAt_K(setting, pad)}`,
    board: scenario.board,
    laminate: request.board.laminate,
    known,
    land_m2: (Math.PI / 4) * (part.landDiameter_m ** 2 - part.holeDiameter_m ** 2),
    longest_s: PLAN.longestDwell_s,
    liquidus_K: meltingOf(scenario).liquidus_K + meltMargin_K,
    prepare: (options) =>
      preparedJoint(scenario, {
        ...options,
        factors: options.factors ?? nominalOf({ board: scenario.board, known }),
        meltMargin_K,
      }),
    peaksNear: (neighbours, duration_s) => {
      if (neighbours.length === 0) return [];
      const probes = neighbours.map((n) => neighbourProbe(request, pad, n));
      const { probes_K } = simulateJoint(scenario, { duration_s: Math.max(duration_s, 0.1), probes });
      return probes_K.map((row) => row.reduce((a, b) => Math.max(a, b), 0));
    },
  };
}

export function throughHole({ part }: Pick<PlanSite, 'part'>): ThroughHolePackage {
  if (isSurface(part)) throw new Error(`${part.family} has no holes`);
  return part;
}

/** Where a pad of the site lies on the board, seen from the top. */
export function padPlace(
  site: Pick<PlanSite, 'part' | 'partSide' | 'x_m' | 'y_m' | 'rotation_rad'>,
  pad: string,
): { x_m: number; y_m: number } {
  const at = padPlaces({ ...site, side: site.partSide }, site.part).find((p) => p.pad === pad);
  if (!at) throw new Error(`pad ${pad} is not one of the part's`);
  return at;
}

/** The board's face at a neighbour, seen from one pad of the site. */
function neighbourProbe(
  request: { readonly site: Parameters<typeof padPlace>[0] },
  pad: string,
  neighbour: Pick<Neighbour, 'x_m' | 'y_m' | 'side'>,
): Probe {
  const at = padPlace(request.site, pad);
  // The iron works on the face opposite the part.
  return {
    distance_m: Math.max(Math.hypot(neighbour.x_m - at.x_m, neighbour.y_m - at.y_m), LEAST_GUEST_DISTANCE_m),
    face: neighbour.side === request.site.partSide ? 'far' : 'near',
  };
}
