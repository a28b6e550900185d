import type { CollectedArtwork } from '../collected';

/** Copper that the files draw and the board does not get, in sentences: each file of it is named. */
export function unusedCopper(artworks: readonly CollectedArtwork[], count: number): string[] {
  const copper = artworks.filter(({ shows }) => shows === 'copper');
  const idle = copper.filter(({ layer }) => layer === 0).map(({ name }) => name);
  const found: string[] = [];
  if (idle.length > 0) {
    const told = `this board is told to have ${count} copper ${count === 1 ? 'layer' : 'layers'}`;
    found.push(
      `${listed(idle)} ${idle.length === 1 ? 'shows' : 'show'} copper and ${idle.length === 1 ? 'is' : 'are'} not used: say which layer ${idle.length === 1 ? 'it is' : 'they are'}, or that it is none${copper.length > count ? `; ${told} and the files draw ${copper.length}` : ''}.`,
    );
  }
  const byLayer = new Map<number, string[]>();
  for (const { name, layer } of artworks)
    if (layer > 0) byLayer.set(layer, [...(byLayer.get(layer) ?? []), name]);
  for (const [layer, names] of byLayer)
    if (names.length > 1)
      found.push(
        `${listed(names)} are all taken for layer ${layer}; the last one is painted over the others.`,
      );
  return found;
}

const listed = (names: readonly string[]): string =>
  names.length <= 1 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)!}`;
