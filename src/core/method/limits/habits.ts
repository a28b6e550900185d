import { ALLOYS } from '~/core/materials/alloys';
import { landShapes, pitchOf_m, type PartPackage } from '~/core/packages/form';
import type { HandSetting, PhaseRequest } from '../request';
import { HABITS } from '../ways/data';

/**
 * What a practised hand would not set while anything else will do. The heat model has no objection to any of it: a joint
 * that melts at 240 °C is not yet wetted, and a tip that reaches over two pins bridges them.
 */
export type Habit = 'too-cold-to-wet' | 'too-hot' | 'tip-too-wide' | 'tip-too-fine';

/** Widths of tip that a heat is done with, m. */
export interface TipRange {
  readonly least_m: number;
  readonly most_m: number;
}

/** Coldest a tip is set to make or part a joint of that alloy, K: over its liquidus by what wetting takes. */
export const wetting_K = ({ site }: Pick<PhaseRequest, 'site'>): number =>
  ALLOYS[site.alloy].liquidus.value + HABITS.overLiquidus.value;

/** Which habits a setting goes against. */
export function against(
  request: Pick<PhaseRequest, 'site'>,
  { tip, setpoint_K, perPad_K }: HandSetting,
  range: TipRange | null,
): Habit[] {
  const coldest_K = Math.min(setpoint_K, ...Object.values(perPad_K ?? {}));
  const hottest_K = Math.max(setpoint_K, ...Object.values(perPad_K ?? {}));
  const habits: Habit[] = coldest_K < wetting_K(request) - 1e-6 ? ['too-cold-to-wet'] : [];
  if (hottest_K > Math.max(HABITS.hottest.value, wetting_K(request)) + 1e-6) habits.push('too-hot');
  if (range && tip.shape !== 'hollow') {
    if (tip.width_m > range.most_m + 1e-9) habits.push('tip-too-wide');
    if (tip.width_m < range.least_m - 1e-9) habits.push('tip-too-fine');
  }
  return habits;
}

/** A tip for one land at a time: about as wide as the land is, and on fine pitch no wider than the pitch. */
export function tipForOne(part: PartPackage): TipRange {
  const shapes = landShapes(part);
  const apart_m = shapes.length >= FEWEST_IN_A_ROW ? pitchOf_m(part) : Infinity;
  const most_m =
    HABITS.widestOverLand.value * Math.max(...shapes.map((s) => Math.max(s.width_m, s.height_m)));
  return {
    least_m: HABITS.finestOverLand.value * Math.min(...shapes.map((s) => Math.min(s.width_m, s.height_m))),
    most_m: apart_m < HABITS.finePitch.value ? Math.min(most_m, apart_m) : most_m,
  };
}

/** A tip that is drawn along a row, or over all joints: it has to bridge from pin to pin. */
export const tipForStroke = (part: PartPackage): TipRange => ({ least_m: pitchOf_m(part), most_m: Infinity });

/** Fewer lands make no row that a tip could bridge where it should not. */
const FEWEST_IN_A_ROW = 4;
