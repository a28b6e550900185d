import { connectionAt, REACH_m, type CopperConnection } from '~/core/artwork/connectionAt';
import type { Land } from '~/core/artwork/landShape';
import type { Frame } from '~/core/artwork/paint';
import { millimetres } from '~/core/quantity/convert';
import { layersOf } from '~/schema/exchange/si/connections';
import { usualRelief, type ConnectionRecord } from '~/schema/values/connection';
import type { Construction } from '~/schema/values/construction';
import { planeOfNet, trackLayer, usualTrack } from '~/schema/presets/usualCopper';
import type { LandsOnBoard } from './landsOnBoard';

/** A layer's picture, where an import brought one. */
export interface PaintedLayer {
  readonly layer: number;
  readonly image: Uint8Array;
  readonly frame: Frame;
}

export interface PadToJoin {
  readonly net: string;
  readonly side: 'top' | 'bottom';
  readonly land: Land;
  /** Null for a surface pad. */
  readonly hole_m: number | null;
}

/**
 * How a pad meets copper: from the pictures of the layers that have one, and by the net's name elsewhere,
 * ground on the first plane and supplies on the second.
 */
export function connectionsFor(
  pad: PadToJoin,
  construction: Construction,
  painted: readonly PaintedLayer[],
  lands: LandsOnBoard,
): ConnectionRecord[] {
  const count = construction.copperLayers.length;
  const stand = { holed: pad.hole_m !== null, side: pad.side };
  const own = pad.side === 'top' ? 1 : count;
  const seen = painted.filter((p) => stand.holed || p.layer === own);
  const near = seen.length > 0 ? lands.near(pad.land, REACH_m) : [];
  const found = together(
    seen.map(({ layer, image, frame }) => {
      const others = near.filter(({ face }) => face === null || layer === (face === 'top' ? 1 : count));
      return recordOf(connectionAt(image, frame, { ...pad.land, hole_m: pad.hole_m, others }), layer);
    }),
  );
  const plane = planeOfNet(pad.net, construction);
  if (plane !== null && !seen.some((p) => p.layer === plane)) found.push(usualRelief([plane]));
  const unseen = !seen.some((p) => p.layer === trackLayer(stand, count));
  if (unseen && pad.net !== '' && (found.length === 0 || !stand.holed)) found.push(usualTrack(stand, count));
  return found.length > 0 ? found : [{ kind: 'isolated' }];
}

const twentieth = (value: number): number => Math.round(20 * value) / 20;
/** As the record takes it, to the pixel it was read at. */
const within = (most_mm: number, value_m: number): number =>
  Math.min(most_mm, Math.max(0.05, twentieth(millimetres(value_m))));

function recordOf(seen: CopperConnection, layer: number): ConnectionRecord {
  const layers = [layer];
  switch (seen.kind) {
    case 'isolated':
      return { kind: 'isolated' };
    case 'track':
      return {
        kind: 'track',
        width_mm: within(20, seen.width_m),
        count: Math.min(12, seen.count),
        layers,
      };
    case 'thermal-relief':
      return {
        kind: 'thermal-relief',
        spokes: Math.min(12, seen.spokes),
        spokeWidth_mm: within(5, seen.spokeWidth_m),
        spokeLength_mm: within(5, seen.spokeLength_m),
        layers,
        pourShare: twentieth(seen.pourShare),
      };
    case 'solid-plane':
      return { kind: 'solid-plane', layers, pourShare: twentieth(seen.pourShare) };
  }
}

/** Layers that a pad meets alike are told once; a layer that it does not meet is not told. */
function together(list: readonly ConnectionRecord[]): ConnectionRecord[] {
  const byKind = new Map<string, ConnectionRecord>();
  for (const one of list) {
    if (one.kind === 'isolated') continue;
    const key = JSON.stringify({ ...one, layers: [] });
    const before = byKind.get(key);
    byKind.set(key, before ? { ...one, layers: [...layersOf(before), ...layersOf(one)] } : one);
  }
  return [...byKind.values()];
}
