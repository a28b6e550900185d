import { cubicMetresPerSecond, foilThickness_m, kelvin } from '~/core/quantity/convert';
import { ALLOY_IDS } from '~/core/materials/alloys';
import type { Bench } from '~/core/method/bench';
import { GOALS } from '~/core/method/goals';
import type { PlanRequest, PlanSite } from '~/core/method/request';
import { FAMILY_IDS, TWO_ROWS, type FamilyId } from '~/core/packages/families';
import { isSurface, padNamesOf, type PartPackage } from '~/core/packages/form';
import { socketFor } from '~/core/packages/socket';
import { surfacePackage, type SurfaceSpec } from '~/core/packages/outlines';
import { SURFACE_FAMILY_IDS, type SurfaceFamilyId } from '~/core/packages/surfaceFamilies';
import type { Connection } from '~/core/thermal/joint/scenario';
import type { Board } from '~/core/thermal/stackup';
import {
  CAPACITOR,
  FOUR_LAYER,
  GUN,
  IRON,
  planRequest,
  STATION,
  TWEEZERS,
  TWO_LAYER,
} from '../support/samples';

/** What a job may be of: each factor with its levels, small parts so that hundreds of plans fit in minutes. */

const PINS: Partial<Record<FamilyId, number>> = {
  dip: 8,
  dipSocket: 8,
  header: 4,
  jack: 5,
  transformer: 4,
  switch: 4,
  relay: 5,
  display: 8,
  to220: 3,
  to92: 3,
  dsub: 9,
};
const SPECS: Partial<Record<SurfaceFamilyId, Omit<SurfaceSpec, 'family'>>> = {
  qfp: { pins: 32, pitch_m: 0.8e-3 },
  bga: { rows: 5, columns: 5, pitch_m: 1e-3 },
  qfn: { pins: 16 },
  tsop: { pins: 24 },
  plcc: { pins: 20 },
  connector: { pins: 8, rows: 1 },
};

const throughHole = (family: FamilyId): PartPackage => {
  const pins = PINS[family] ?? 2;
  const pitch_m = pins > 2 ? 2.54e-3 : family === 'axial' ? 10e-3 : 5e-3;
  const rows = TWO_ROWS.has(family) ? pins / 2 : pins;
  const can = family === 'radial';
  return {
    ...CAPACITOR,
    family,
    pins,
    pitch_m,
    leadDiameter_m: pins > 2 ? 0.6e-3 : CAPACITOR.leadDiameter_m,
    body: can
      ? CAPACITOR.body
      : {
          shape: 'block',
          length_m: TWO_ROWS.has(family) ? 6.4e-3 : rows * pitch_m,
          width_m: TWO_ROWS.has(family) ? rows * pitch_m : 7e-3,
          height_m: 6e-3,
        },
  };
};

const PARTS: readonly PartPackage[] = [
  ...FAMILY_IDS.map(throughHole),
  ...SURFACE_FAMILY_IDS.map((family) => surfacePackage({ family, ...SPECS[family] })),
];

const HEAVY: Board = {
  ...FOUR_LAYER,
  thickness_m: 2.4e-3,
  laminate: 'fr4-high-tg',
  copper: [0.4, 0.9, 0.9, 0.9, 0.9, 0.4].map((coverage) => ({ thickness_m: foilThickness_m(2), coverage })),
};
const SINGLE: Board = {
  ...TWO_LAYER,
  laminate: 'paper-phenolic',
  copper: [{ thickness_m: foilThickness_m(1), coverage: 0.3 }],
};

const PREHEATER = {
  id: 'pre',
  name: 'Preheater',
  kind: 'convective',
  setpointRange_K: [kelvin(60), kelvin(200)],
} as const;
const INFRARED = {
  id: 'ir',
  name: 'Infrared',
  kind: 'infrared',
  setpointRange_K: [kelvin(100), kelvin(350)],
} as const;
const WEAK_AIR = {
  ...STATION,
  id: 'weak',
  airRange_K: [kelvin(100), kelvin(350)],
  flowRange_m3_s: [cubicMetresPerSecond(5), cubicMetresPerSecond(25)],
} as const;
const NOTHING: Omit<Bench, 'supplies'> = { irons: [], guns: [], tweezers: [], stations: [], preheaters: [] };
const BENCHES: readonly Omit<Bench, 'supplies'>[] = [
  { ...NOTHING, irons: [IRON] },
  { ...NOTHING, irons: [IRON], preheaters: [PREHEATER] },
  { ...NOTHING, irons: [IRON], guns: [GUN], tweezers: [TWEEZERS] },
  { ...NOTHING, stations: [STATION] },
  { ...NOTHING, stations: [WEAK_AIR], preheaters: [INFRARED] },
  { irons: [IRON], guns: [GUN], tweezers: [TWEEZERS], stations: [STATION], preheaters: [PREHEATER] },
];

type OnSite = (site: PlanSite) => Partial<PlanSite>;
const first = ({ part }: PlanSite): string => padNamesOf(part)[0]!;
const second = ({ part }: PlanSite): string => padNamesOf(part)[1]!;
const STATES: readonly OnSite[] = [
  () => ({}),
  (site) => ({ padStates: { [first(site)]: 'lifted' } }),
  (site) => ({ padStates: { [second(site)]: 'torn' } }),
  (site) => ({ padStates: { [first(site)]: 'bridged', [second(site)]: 'bridged' } }),
  (site) => ({ padStates: { [first(site)]: 'dull' } }),
  () => ({ undressed: true }),
  () => ({ lowMeltLeft: true }),
  (site) => ({ clinched: !isSurface(site.part) }),
];

/** What the last pin meets; the others are on tracks. */
const COPPERS: readonly ((layers: number) => Connection)[] = [
  () => ({ kind: 'track', width_m: 0.4e-3, count: 1, layers: [1] }),
  (layers) => ({
    kind: 'thermal-relief',
    spokes: 4,
    spokeWidth_m: 0.3e-3,
    spokeLength_m: 0.3e-3,
    layers: [Math.min(2, layers)],
  }),
  (layers) => ({ kind: 'solid-plane', layers: [Math.min(2, layers)] }),
];

export const FACTORS = {
  part: PARTS,
  goal: GOALS,
  alloy: ALLOY_IDS,
  board: [SINGLE, TWO_LAYER, FOUR_LAYER, HEAVY],
  bench: BENCHES,
  state: STATES,
  copper: COPPERS,
} as const;

/** A job from a row of the covering set; a part without a socket is fitted itself. */
export function requestOf(row: Readonly<Record<keyof typeof FACTORS, number>>): PlanRequest {
  const part = PARTS[row.part]!;
  const wanted = GOALS[row.goal]!;
  const goal = wanted === 'fit-socket' && !socketFor(part) ? 'fit' : wanted;
  const board = FACTORS.board[row.board]!;
  const names = padNamesOf(part);
  const last = COPPERS[row.copper]!(board.copper.length);
  const track = COPPERS[0]!(1);
  const base = planRequest({});
  const site: PlanSite = {
    ...base.site,
    part,
    alloy: ALLOY_IDS[row.alloy]!,
    connections: Object.fromEntries(names.map((pad, i) => [pad, [i === names.length - 1 ? last : track]])),
  };
  return { ...base, board, ...BENCHES[row.bench]!, goal, site: { ...site, ...STATES[row.state]!(site) } };
}
