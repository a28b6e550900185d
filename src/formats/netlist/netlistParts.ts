import type { SeenLand } from '~/core/packages/recognise/seen';
import { radians } from '~/core/quantity/convert';
import type { NetlistPoint } from './netlist';

/** One part of a netlist: its lands seen from its own side, and the net of each. */
export interface NetlistPart {
  readonly ref: string;
  readonly side: 'top' | 'bottom';
  /** Places on the board turned over for a part below, so that pin one is where its own side shows it. */
  readonly lands: readonly SeenLand[];
  readonly nets: ReadonlyMap<string, string>;
}

/**
 * Points gathered by part. A part with surface lands on another layer than the first is below; one with holes
 * alone is taken to be on top, the file does not say. Of several points on one pin the largest stands for it.
 */
export function partsOf(points: readonly NetlistPoint[]): NetlistPart[] {
  const byRef = new Map<string, NetlistPoint[]>();
  for (const point of points) {
    if (point.via || point.ref === '' || point.pin === '') continue;
    const known = byRef.get(point.ref);
    if (known) known.push(point);
    else byRef.set(point.ref, [point]);
  }
  return [...byRef].map(([ref, mine]) => {
    const below = mine.some((point) => point.hole === null && point.access > 1);
    const pins = new Map<string, NetlistPoint>();
    for (const point of mine) {
      const known = pins.get(point.pin);
      if (!known || point.width_m * point.height_m > known.width_m * known.height_m)
        pins.set(point.pin, point);
    }
    const lands = [...pins.values()].map((point): SeenLand => ({
      pad: point.pin,
      x_m: below ? -point.x_m : point.x_m,
      y_m: point.y_m,
      width_m: point.width_m,
      height_m: point.height_m,
      hole_m: point.hole?.diameter_m ?? null,
      turn_rad: radians(below ? -point.rotation_deg : point.rotation_deg),
    }));
    return {
      ref,
      side: below ? 'bottom' : 'top',
      lands,
      nets: new Map([...pins].map(([pin, point]) => [pin, point.net])),
    };
  });
}
