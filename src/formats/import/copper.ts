import { copperClassAt, trackWidthAt, type PadOnCopper } from '~/core/artwork/copperAt';
import type { Frame } from '~/core/artwork/paint';
import { millimetres } from '~/core/quantity/convert';
import { usualRelief, type ConnectionRecord } from '~/schema/values/connection';
import type { Construction } from '~/schema/values/construction';
import { planeOfNet, trackLayer, usualTrack } from '~/schema/presets/usualCopper';

/** A layer's picture, where an import brought one. */
export interface PaintedLayer {
  readonly layer: number;
  readonly image: Uint8Array;
  readonly frame: Frame;
}

export interface PadToJoin {
  readonly net: string;
  readonly holed: boolean;
  readonly side: 'top' | 'bottom';
  readonly place: PadOnCopper;
}

/**
 * How a pad meets copper: from the pictures of the layers that have one, and by the net's name elsewhere,
 * ground on the first plane and supplies on the second.
 */
export function connectionsFor(
  pad: PadToJoin,
  construction: Construction,
  painted: readonly PaintedLayer[],
): ConnectionRecord[] {
  const count = construction.copperLayers.length;
  const own = pad.side === 'top' ? 1 : count;
  const seen = painted.filter((p) => pad.holed || p.layer === own);
  const found: ConnectionRecord[] = [];
  const reliefs: number[] = [];
  const solids: number[] = [];
  for (const { layer, image, frame } of seen) {
    const kind = copperClassAt(image, frame, pad.place);
    if (kind === 'track') {
      const width_mm = Math.round(100 * millimetres(trackWidthAt(image, frame, pad.place))) / 100;
      found.push({ kind, width_mm: Math.min(20, Math.max(0.05, width_mm)), count: 1, layers: [layer] });
    }
    if (kind === 'thermal-relief') reliefs.push(layer);
    if (kind === 'solid-plane') solids.push(layer);
  }
  const plane = planeOfNet(pad.net, construction);
  if (plane !== null && !seen.some((p) => p.layer === plane)) reliefs.push(plane);
  if (reliefs.length > 0) found.push(usualRelief(reliefs));
  if (solids.length > 0) found.push({ kind: 'solid-plane', layers: solids });
  const unseen = !seen.some((p) => p.layer === trackLayer(pad, count));
  if (unseen && pad.net !== '' && (found.length === 0 || !pad.holed)) {
    found.push(usualTrack(pad, count));
  }
  return found.length > 0 ? found : [{ kind: 'isolated' }];
}
