import { useState } from 'react';
import type { Frame, LandLayout } from './layout';

/** Pads nearer to each other than this on the screen cannot be told apart at an arm's length, px. */
const APART_px = 12;
const ZOOMS = [1, 2, 4, 8];

/** The least zoom at which neighbouring pads of a fine pack stand apart, for a drawing of that size. */
export function zoomAtHand({ fine, pitch, halfWidth, halfHeight }: LandLayout, frame: Frame): number {
  if (!fine) return 1;
  const px = pitch * Math.min(frame.width / (2 * halfWidth), frame.height / (2 * halfHeight));
  return ZOOMS.find((zoom) => px * zoom >= APART_px) ?? ZOOMS.at(-1)!;
}

/** How closely the lands are looked at: as was asked for by hand, else as the work at hand needs. */
export function useZoom(
  layout: LandLayout,
  atHand: boolean,
  size: Frame | null,
): [number, (zoom: number) => void] {
  const [chosen, setZoom] = useState<number | null>(null);
  return [chosen ?? (atHand && size ? zoomAtHand(layout, size) : 1), setZoom];
}
