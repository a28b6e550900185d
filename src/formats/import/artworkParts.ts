import type { NetlistPart } from '~/formats/netlist/netlistParts';
import type { ArtworkPad } from '~/formats/gerber/artwork';
import type { CollectedArtwork } from './collected';

/** Without a netlist, artwork that names its pins tells the parts. */
export function partsOfArtwork(artworks: readonly CollectedArtwork[]): NetlistPart[] {
  const byRef = new Map<string, { side: 'top' | 'bottom'; pads: ArtworkPad[] }>();
  for (const { artwork, layer } of artworks) {
    for (const pad of artwork.pads) {
      const known = byRef.get(pad.ref) ?? { side: layer > 1 ? 'bottom' : 'top', pads: [] };
      known.pads.push(pad);
      byRef.set(pad.ref, known);
    }
  }
  return [...byRef].map(([ref, { side, pads }]) => ({
    ref,
    side,
    lands: pads.map((pad) => ({
      pad: pad.pin,
      x_m: side === 'bottom' ? -pad.x_m : pad.x_m,
      y_m: pad.y_m,
      width_m: pad.width_m,
      height_m: pad.height_m,
      hole_m: null,
    })),
    nets: new Map(pads.map((pad) => [pad.pin, pad.net])),
  }));
}
