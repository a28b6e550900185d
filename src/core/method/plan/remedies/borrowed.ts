import { cubicMetresPerSecond } from '~/core/quantity/convert';
import { isSurface, type PartPackage } from '~/core/packages/form';
import type { SolidTip } from '~/core/thermal/joint/scenario';
import type { AirStation, GunTool, IronTool, Preheater } from '../../bench';
import { GUN } from '../../ways/data';

/** What benches usually have and this one may lack, to say whether getting it would do (common practice). */

export const BORROWED_TIP: SolidTip = { shape: 'bevel', width_m: 5e-3, construction: 'cartridge' };

export const BORROWED_PREHEATER: Preheater = {
  id: 'borrowed',
  name: 'Warm-air preheater',
  kind: 'convective',
  setpointRange_K: [333.15, 473.15],
};

export const BORROWED_IRON: IronTool = {
  id: 'borrowed',
  name: 'Iron, 70 W',
  power_W: 70,
  setpointRange_K: [473.15, 723.15],
  tips: [
    { shape: 'chisel', width_m: 1.2e-3, construction: 'cartridge' },
    { shape: 'chisel', width_m: 2.4e-3, construction: 'cartridge' },
  ],
};

export const BORROWED_TWEEZERS: IronTool = {
  id: 'borrowed',
  name: 'Hot tweezers, 2 × 40 W',
  power_W: 80,
  setpointRange_K: [473.15, 673.15],
  tips: [{ shape: 'chisel', width_m: 2e-3, construction: 'cartridge' }],
};

/** A station whose nozzles take in parts of every size, and one that is made for this part. */
export function borrowedStation({ body }: PartPackage): AirStation {
  const rounds = [5, 8, 12, 18].map((diameter_mm) => ({
    shape: 'round' as const,
    diameter_m: diameter_mm / 1e3,
  }));
  const over_m = 2e-3;
  const own = {
    shape: 'rectangle' as const,
    width_m: body.length_m + over_m,
    height_m: body.width_m + over_m,
  };
  return {
    id: 'borrowed',
    name: 'Hot-air station',
    airRange_K: [373.15, 753.15],
    flowRange_m3_s: [cubicMetresPerSecond(10), cubicMetresPerSecond(120)],
    nozzles: [...rounds, own],
  };
}

/** A gun with a nozzle that goes over this part's leads; null where none would stand on its lands. */
export function borrowedGun(part: PartPackage): GunTool | null {
  if (isSurface(part)) return null;
  const inner_m = part.leadDiameter_m + GUN.room.value;
  const over_m = 1.2e-3;
  return inner_m >= part.landDiameter_m - 0.1e-3
    ? null
    : {
        id: 'borrowed',
        name: 'Desoldering gun, 110 W',
        power_W: 110,
        setpointRange_K: [573.15, 773.15],
        tips: [{ shape: 'hollow', inner_m, width_m: inner_m + over_m, construction: 'gun' }],
      };
}
