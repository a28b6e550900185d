import type { PlacedPad } from '~/core/electrical/checklist';
import type { Between } from '~/core/electrical/judgement';
import { isSurface, landShapes } from '~/core/packages/form';
import { onBoard } from '~/core/packages/placement';
import { metres, radians } from '~/core/quantity/convert';
import { resistanceOf_Ohm } from '~/core/quantity/resistance';
import type { ConnectionRecord } from '~/schema/values/connection';
import type { AnyPackageInput } from '~/schema/values/package';
import { connectionOf } from './connections';
import { partOf } from './part';

/** A site as far as its pads' places on the board go. */
export interface StandingSite {
  readonly id: string;
  readonly ref: string;
  readonly value: string;
  readonly side: 'top' | 'bottom';
  readonly x_mm: number;
  readonly y_mm: number;
  readonly rotation_deg: number;
  readonly package: AnyPackageInput;
  readonly pads: readonly {
    readonly id: string;
    readonly name: string;
    readonly net: string;
    readonly connections: readonly ConnectionRecord[];
  }[];
}

/** Every pad of a board where it lies, seen from the top. `copperLayers` counts the board's layers. */
export function placedPadsOf(sites: readonly StandingSite[], copperLayers: number): PlacedPad[] {
  return sites.flatMap((site) => {
    const part = partOf(site.package);
    const rotation_rad = radians(site.rotation_deg);
    const at = { side: site.side, x_m: metres(site.x_mm), y_m: metres(site.y_mm), rotation_rad };
    const [cos, sin] = [Math.abs(Math.cos(rotation_rad)), Math.abs(Math.sin(rotation_rad))];
    const solderLayer = site.side === 'top' ? copperLayers : 1;
    const faces = isSurface(part) ? [site.side] : (['top', 'bottom'] as const);
    const shapes = new Map(landShapes(part).map((shape) => [shape.pad, shape]));
    return site.pads.flatMap((pad): PlacedPad[] => {
      const shape = shapes.get(pad.name);
      if (!shape) return [];
      return [
        {
          id: pad.id,
          siteId: site.id,
          name: pad.name,
          net: pad.net,
          ...onBoard(at, shape.x_m, shape.y_m),
          width_m: shape.width_m * cos + shape.height_m * sin,
          height_m: shape.width_m * sin + shape.height_m * cos,
          faces,
          connections: pad.connections.map((c) => connectionOf(c, solderLayer)),
        },
      ];
    });
  });
}

/** Parts whose two pads lie on just these two nets; what they are can explain a reading between them. */
export function partsBetween(sites: readonly StandingSite[], a: string, b: string): Between[] {
  if (a === '' || b === '' || a === b) return [];
  return sites.flatMap((site) => {
    if (site.pads.length !== 2) return [];
    const nets = site.pads.map((pad) => pad.net);
    if (!nets.includes(a) || !nets.includes(b)) return [];
    // A capacitor does not conduct: it explains no steady reading.
    if (/^C\d/i.test(site.ref)) return [];
    const value = /^R\d/i.test(site.ref)
      ? resistanceOf_Ohm(/^\S+(\s*[kMm]?(Ω|ohm))?/.exec(site.value)?.[0] ?? '')
      : null;
    return [{ ref: site.ref, value_Ohm: value !== null && Number.isFinite(value) ? value : null }];
  });
}
