import { isSurface, landShapes } from '~/core/packages/form';
import type {
  AirLoad,
  FieldPart,
  FieldScenario,
  PreheatLoad,
  Shield,
  Stage,
} from '~/core/thermal/field/scenario';
import { halvesOf_m } from '~/core/thermal/surface/jet';
import { matesOf, type AirSetting, type Neighbour, type PlanRequest } from '../request';
import { AIR } from '../settings';
import { COMMON_CHIP } from '../hand/landTouch';

/** What happens after the air: every stretch with its preheater's set temperatures. */
export interface CoolStage {
  readonly duration_s: number;
  /** The preheater's setting at its start and end, K; null: off. */
  readonly preheat_K: readonly [number, number] | null;
  /** Air stays on from so much farther off, so that the body does not fall too fast, m. */
  readonly airFrom_m?: number;
}

/** When the air comes on, s from the start of a scenario of this setting. */
export const airFrom_s = (setting: AirSetting): number => setting.preheat?.soak_s ?? 0;

/** A site under hot air for `air_s`, soak before it and cooling after; the site's part comes first. */
export function airScenario(
  request: PlanRequest,
  setting: AirSetting,
  air_s: number,
  cooling: readonly CoolStage[] = [],
): FieldScenario {
  const { site } = request;
  const preheat: PreheatLoad | null = setting.preheat && {
    kind: setting.preheat.kind,
    setpoint_K: setting.preheat.setpoint_K,
    side: site.partSide === 'top' ? 'bottom' : 'top',
  };
  const aim = aimOf(request);
  const load = (standoff_m: number): AirLoad => ({
    jet: {
      nozzle: setting.nozzle,
      air_K: setting.air_K + (setting.station.offset_K ?? 0),
      flow_m3_s: setting.flow_m3_s,
      standoff_m,
    },
    ...aim,
    side: site.partSide,
  });
  const near_s = air_s - setting.approach_s;
  const mates = request.neighbours.filter((n) => n.comesToo && n.part);
  const others = request.neighbours.filter((n) => !(n.comesToo && n.part));
  const stages: (Stage | null)[] = [
    setting.preheat && { name: 'soak', duration_s: setting.preheat.soak_s, air: null, preheat },
    setting.approach_s > 0
      ? {
          name: 'warm from farther off',
          duration_s: Math.min(air_s, setting.approach_s),
          air: load(AIR.approachStandoff_m),
          preheat,
        }
      : null,
    near_s > 0 ? { name: 'hot air', duration_s: near_s, air: load(setting.standoff_m), preheat } : null,
    ...cooling.map(({ duration_s, preheat_K, airFrom_m }) => ({
      name: 'cooling',
      duration_s,
      air: airFrom_m === undefined ? null : load(airFrom_m),
      preheat:
        preheat && preheat_K ? { ...preheat, setpoint_K: preheat_K[0], endSetpoint_K: preheat_K[1] } : null,
    })),
  ];
  return {
    ambient_K: request.ambient_K,
    board: request.board,
    // Those that share the heat come next to the site's own part: a run is followed by its first parts.
    parts: [sitePart(request), ...mates.map(neighbourPart), ...others.map(neighbourPart)],
    shields: setting.shielded ? foilAround(request, setting) : [],
    stages: stages.filter((stage) => stage !== null),
  };
}

function sitePart({ site }: PlanRequest): FieldPart {
  return { ...site, side: site.partSide };
}

const neighbourPart = (n: Neighbour): FieldPart => ({
  ...n,
  part: n.part ?? COMMON_CHIP,
  connections: n.connections ?? {},
});

/** Rectangle on the board that all parts of a job take up with their lands: [left, low, right, high], m. */
export function groundOf(request: PlanRequest): readonly [number, number, number, number] {
  const boxes = matesOf(request).map((mate) => {
    const shapes = landShapes(mate.part);
    const { body } = mate.part;
    const x = Math.max(body.length_m / 2, ...shapes.map((s) => Math.abs(s.x_m) + s.width_m / 2));
    const y = Math.max(body.width_m / 2, ...shapes.map((s) => Math.abs(s.y_m) + s.height_m / 2));
    const cos = Math.abs(Math.cos(mate.rotation_rad));
    const sin = Math.abs(Math.sin(mate.rotation_rad));
    const [halfX, halfY] = [x * cos + y * sin, x * sin + y * cos];
    return [mate.x_m - halfX, mate.y_m - halfY, mate.x_m + halfX, mate.y_m + halfY] as const;
  });
  return [
    Math.min(...boxes.map((b) => b[0])),
    Math.min(...boxes.map((b) => b[1])),
    Math.max(...boxes.map((b) => b[2])),
    Math.max(...boxes.map((b) => b[3])),
  ];
}

/** The middle of what the air has to cover. */
export function aimOf(request: PlanRequest): { x_m: number; y_m: number } {
  const [left, low, right, high] = groundOf(request);
  return { x_m: (left + right) / 2, y_m: (low + high) / 2 };
}

/** Four strips of foil that leave the nozzle's opening free. */
function foilAround(request: PlanRequest, setting: AirSetting): Shield[] {
  const { site, board } = request;
  const { x_m, y_m } = aimOf(request);
  const [halfX, halfY] = halvesOf_m(setting.nozzle).map((half) => half + AIR.foilGap_m) as [number, number];
  const left = Math.max(0, x_m - halfX);
  const right = Math.min(board.length_m, x_m + halfX);
  const low = Math.max(0, y_m - halfY);
  const high = Math.min(board.width_m, y_m + halfY);
  const strips = [
    [0, 0, left, board.width_m],
    [right, 0, board.length_m, board.width_m],
    [left, 0, right, low],
    [left, high, right, board.width_m],
  ] as const;
  return strips
    .filter(([x0, y0, x1, y1]) => x1 - x0 > 0.5e-3 && y1 - y0 > 0.5e-3)
    .map(([x0, y0, x1, y1]) => ({
      kind: 'foil',
      side: site.partSide,
      from_m: [x0, y0],
      to_m: [x1, y1],
    }));
}

/** Whether surface parts stand on the board: their bow limit is the narrower one. */
export const surfaceMounted = (request: PlanRequest): boolean =>
  isSurface(request.site.part) || request.neighbours.some((n) => n.part === null || isSurface(n.part));
