import type { Construction } from '~/schema/values/construction';
import type { Exchange } from '~/formats/exchange/exchange';
import { relayed } from '~/core/stepwise';
import type { DrillHole } from '~/formats/excellon/excellon';
import type { CentroidRow } from '~/formats/placement/centroid';
import { joined } from '~/formats/placement/join';
import { partsOf, type NetlistPart } from '~/formats/netlist/netlistParts';
import { AS_WRITTEN, type Reading } from '~/formats/reading';
import { partsOfArtwork } from './artworkParts';
import type { Collected, CollectedArtwork, ReadFile, Source } from './collected';
import type { ImportChoices } from './choices';
import { readingFile, type ImportFile, type ReadContent } from './importFiles';
import type { ImportProgress } from './importProgress';
import { PROFILE } from './shows';
import { layersOf } from './layerNames';
import { speltInWords } from './spelt';

/** What was read of each file, by its name: a choice about one of them leaves the others as they are. */
export type Remembered = Map<
  string,
  { readonly text: string; readonly asked: string; readonly read: ReadContent }
>;

/** All files read, one by one, and what they hold between them. */
export function* collect(
  files: readonly ImportFile[],
  construction: Construction,
  choices: ImportChoices,
  remembered: Remembered = new Map(),
): Generator<ImportProgress, { readonly read: Collected; readonly sources: readonly Source[] }> {
  const wanted = files.filter((file) => !choices.without.includes(file.name));
  const contents: { readonly file: ImportFile; readonly reading: Reading; readonly read: ReadContent }[] = [];
  for (const [i, file] of wanted.entries()) {
    const reading = choices.readings[file.name] ?? AS_WRITTEN;
    const step = (share: number): ImportProgress => ({
      doing: `reading ${file.name}`,
      done: i + share,
      of: wanted.length + 1,
    });
    yield step(0);
    const asked = JSON.stringify([reading, choices.columns[file.name] ?? {}]);
    const before = remembered.get(file.name);
    const known = before?.text === file.text && before.asked === asked ? before.read : null;
    const read = known ?? (yield* relayed(readingFile(file, choices.columns[file.name], reading), step));
    remembered.set(file.name, { text: file.text, asked, read });
    contents.push({ file, reading, read });
  }
  const sources = contents.flatMap(({ file, reading, read }): Source[] =>
    read.content
      ? [{ ...file, reading, columns: choices.columns[file.name] ?? {}, content: read.content }]
      : [],
  );
  const artworks = artworksOf(sources, construction, choices);
  const layerOf = new Map(artworks.map(({ name, layer }) => [name, layer]));
  const held = heldIn(sources);
  return {
    sources,
    read: {
      ...held,
      artworks,
      parts: held.parts.length > 0 ? held.parts : partsOfArtwork(artworks),
      files: contents.map(({ file, reading, read: { kind, content, count, faults } }): ReadFile => ({
        name: file.name,
        kind,
        count,
        faults,
        layer: layerOf.get(file.name) ?? null,
        table:
          content?.kind === 'table'
            ? { heading: content.placement.heading, columns: content.placement.columns }
            : null,
        spelt: content && speltInWords(content),
        otherwise: reading !== AS_WRITTEN,
      })),
    },
  };
}

function artworksOf(
  sources: readonly Source[],
  construction: Construction,
  choices: ImportChoices,
): CollectedArtwork[] {
  const drawn = sources.flatMap(({ name, content }) =>
    content.kind === 'artwork' ? [{ name, artwork: content.artwork }] : [],
  );
  const guesses = layersOf(drawn, construction.copperLayers.length);
  const exchanged = sources.flatMap(({ name, content }) =>
    content.kind === 'exchange' ? artworksIn(name, content.exchange, construction.copperLayers.length) : [],
  );
  return [
    ...exchanged,
    ...drawn.map((one, i) => ({
      ...one,
      ...guesses[i]!,
      layer: choices.layers[one.name] ?? guesses[i]!.layer,
    })),
  ];
}

/** A board exchange's copper from the top down, and its edge. Inner layers beyond the board's own are not used. */
function artworksIn(name: string, { layers, edge }: Exchange, count: number): CollectedArtwork[] {
  const last = layers.length - 1;
  const copper = layers.map((one, i): CollectedArtwork => ({
    name: `${name}: ${one.name}`,
    artwork: one.artwork,
    shows: 'copper',
    layer: i === 0 ? 1 : i === last ? count : i + 1 < count ? i + 1 : 0,
  }));
  return edge ? [...copper, { name: `${name}: edge`, artwork: edge, shows: 'edge', layer: PROFILE }] : copper;
}

function heldIn(sources: readonly Source[]): Pick<Collected, 'parts' | 'rows' | 'holes'> {
  const parts: NetlistPart[] = [];
  const rows: CentroidRow[] = [];
  const holes: DrillHole[] = [];
  // One by one: a list of a hundred thousand is no argument list.
  for (const { content } of sources) {
    switch (content.kind) {
      case 'netlist':
        for (const part of partsOf(content.netlist.points)) parts.push(part);
        break;
      case 'drill':
        for (const hole of content.drilling.holes) holes.push(hole);
        break;
      case 'table':
        for (const row of content.placement.rows) rows.push(row);
        break;
      case 'exchange': {
        const { exchange } = content;
        for (const part of partsOf(exchange.points)) parts.push(part);
        for (const row of exchange.rows) rows.push(row);
        for (const hole of exchange.holes) holes.push(hole);
        break;
      }
      case 'artwork':
    }
  }
  return { parts, rows: joined(rows), holes };
}
