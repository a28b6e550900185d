import { isGround, isSupply } from '~/core/electrical/netNames';
import { usualRelief, type ConnectionRecord } from '~/schema/values/connection';
import { supplyPlane, type Construction } from '~/schema/values/construction';

/** Tracks are taken to be this wide where nothing shows them (assumed). */
const USUAL_TRACK_mm = 0.3;

/** Where a pad stands, as far as its copper goes. */
export interface PadStand {
  readonly holed: boolean;
  /** Face of its part. */
  readonly side: 'top' | 'bottom';
}

/** The face a pad's own track lies on: its part's for a surface pad, the solder side's for a hole. */
export function trackLayer({ holed, side }: PadStand, layers: number): number {
  const onTop = holed ? side === 'bottom' : side === 'top';
  return onTop ? 1 : layers;
}

export const usualTrack = (
  stand: PadStand,
  layers: number,
  width_mm: number = USUAL_TRACK_mm,
): ConnectionRecord => ({ kind: 'track', width_mm, count: 1, layers: [trackLayer(stand, layers)] });

/** The plane that a net lies on by its name: ground on the first, other supplies on the second; null for signals. */
export const planeOfNet = (net: string, construction: Pick<Construction, 'copperLayers'>): number | null =>
  isSupply(net) ? supplyPlane(construction, isGround(net)) : null;

/** How a pad of a net usually meets copper: supplies to their plane, a surface pad by its track and a via, signals by a track. */
export function usualConnections(
  net: string,
  stand: PadStand,
  construction: Pick<Construction, 'copperLayers'>,
  trackWidth_mm: number = USUAL_TRACK_mm,
): ConnectionRecord[] {
  const plane = planeOfNet(net, construction);
  const track = usualTrack(stand, construction.copperLayers.length, trackWidth_mm);
  if (plane === null) return [track];
  return stand.holed ? [usualRelief([plane])] : [track, usualRelief([plane])];
}
