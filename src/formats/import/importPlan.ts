import { metres, millimetres } from '~/core/quantity/convert';
import type { BoardProfile } from '~/schema/values/boardProfile';
import type { PaintedLayer } from './copper';
import { edgeIn, extentOf, profileOf } from './importProfile';
import { partsOfArtwork, readFile, type ImportChoices, type ImportFile } from './importFiles';
import type { ReadFile } from './collected';
import type { Collected, ImportGround } from './collected';
import { coverageOf, paintLayer, shiftOntoBoard, type PlannedLayer } from './importLayers';
import type { ImportProgress } from './importProgress';
import { planSites, type LeftOut, type PlannedSite } from './importSites';

/** What an import would make, what stands in its way, and what was not understood. */
export interface ImportPreview {
  readonly files: readonly ReadFile[];
  readonly sites: readonly PlannedSite[];
  readonly leftOut: readonly LeftOut[];
  readonly layers: readonly PlannedLayer[];
  readonly shift_mm: readonly [number, number];
  readonly nets: number;
  /** The board's edge and its holes, where files draw them. */
  readonly profile: BoardProfile | null;
  /** Size of the edge that was drawn, mm, to be held against what is told of the board. */
  readonly edge_mm: readonly [length: number, width: number] | null;
}

/** Plans an import step by step; a caller stops it by asking no further. Nothing is written. */
export function* planImport(
  files: readonly ImportFile[],
  ground: ImportGround,
  choices: ImportChoices,
): Generator<ImportProgress, ImportPreview> {
  const read: Collected = { files: [], parts: [], artworks: [], rows: [], holes: [] };
  for (const [i, file] of files.entries()) {
    yield { doing: `reading ${file.name}`, done: i, of: files.length + 1 };
    readFile(file, ground, choices, read);
  }
  yield { doing: 'laying the files on the board', done: files.length, of: files.length + 1 };
  if (read.parts.length === 0) read.parts = partsOfArtwork(read.artworks);
  const edge = edgeIn(read);
  const shift_m = choices.shift_mm
    ? ([metres(choices.shift_mm[0]), metres(choices.shift_mm[1])] as const)
    : shiftOntoBoard(read, ground.construction, edge);
  const painted: PaintedLayer[] = [];
  const layers: PlannedLayer[] = [];
  for (const { name, artwork, layer } of read.artworks) {
    if (layer <= 0) continue;
    yield { doing: `painting ${name}`, done: files.length, of: files.length + 1 };
    const made = paintLayer(artwork, ground.construction, shift_m);
    painted.push({ layer, ...made });
    layers.push({ layer, file: name, ...coverageOf(made.image, made.frame, ground.construction) });
  }
  const size = edge && extentOf(edge);
  const { sites, leftOut } = yield* planSites(read, ground, shift_m, painted);
  return {
    files: read.files,
    sites,
    leftOut,
    layers,
    shift_mm: [millimetres(shift_m[0]), millimetres(shift_m[1])],
    nets: new Set(sites.flatMap((s) => s.site.pads.map((pad) => pad.net)).filter(Boolean)).size,
    profile: profileOf(read, edge, shift_m),
    edge_mm: size && [tenth(millimetres(size.length_m)), tenth(millimetres(size.width_m))],
  };
}

const tenth = (value: number): number => Math.round(value * 10) / 10;
