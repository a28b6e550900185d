import { DRYING } from '~/core/materials/drying';
import { vapourDiffusivity_m2_s, type LiquidId } from '~/core/materials/solvents';
import { gas_mol_m3, liquid_mol_m3, shareInRoom, shareOver, stefanDrive, type DryingAir } from './vapour';

/** A gap beneath a body, filled by a liquid. */
export interface WetGap extends DryingAir {
  readonly liquid: LiquidId;
  readonly length_m: number;
  readonly width_m: number;
  readonly gap_m: number;
  /** What body and board stand at while it dries. */
  readonly board_K: number;
}

/** Wider gaps than this let go of what is blotted and blown; narrower ones hold it. */
export const HOLDS_m: number = DRYING.holds.value;

/** Terms of the series: the next one is under a thousandth. */
const TERMS = 6;

/**
 * How far the middle of a rectangle lies from its edges, as diffusion sees it, m²: the greatest value of u with ∇²u = −1
 * and 0 on the rim (Timoshenko & Goodier, Theory of Elasticity, art. 109). Between long edges 2a apart a²/2, in a disc R²/4.
 */
export function reach_m2(length_m: number, width_m: number): number {
  const half_m = Math.min(length_m, width_m) / 2;
  const ratio = Math.max(length_m, width_m) / (2 * half_m);
  let sum = 0;
  for (let k = 0; k < TERMS; k++) {
    const n = 2 * k + 1;
    sum += ((-1) ** k / n ** 3) * (1 / Math.cosh((n * Math.PI * ratio) / 2));
  }
  return half_m ** 2 * (0.5 - (16 / Math.PI ** 3) * sum);
}

/**
 * How long a liquid that fills the gap beneath a body takes to leave it, s: the wet front draws back from all edges and
 * what leaves diffuses along the dry gap to the rim (Stefan's tube lying down; exact for a long body, t = ρ a² / 2Dc ln…, and
 * for a round one). 0 where the gap holds none, null where the air is too moist or the liquid would boil. The gap's
 * height falls out: twice as high holds twice as much and lets twice as much by. Liquid that creeps along leads to the rim
 * goes sooner, so this is the long end.
 */
export function dryUnder_s(wet: WetGap): number | null {
  if (wet.gap_m > HOLDS_m) return 0;
  const over = shareOver(wet.liquid, wet.board_K);
  if (over === null) return null;
  const drive = stefanDrive(over, shareInRoom(wet.liquid, wet));
  if (drive <= 0) return null;
  const along_mol_ms = gas_mol_m3(wet.board_K) * vapourDiffusivity_m2_s(wet.liquid, wet.board_K) * drive;
  return (liquid_mol_m3(wet.liquid) * reach_m2(wet.length_m, wet.width_m)) / along_mol_ms;
}
