import { metres, millimetres } from '~/core/quantity/convert';
import { relayed } from '~/core/stepwise';
import type { BoardProfile } from '~/schema/values/boardProfile';
import type { PaintedLayer } from './copper';
import { edgeIn, extentOf, profileOf } from './importProfile';
import { collect, type Remembered } from './collect';
import { doubtsOf, type Doubt } from './checks/doubts';
import { unusedCopper } from './checks/unused';
import type { ImportChoices } from './choices';
import type { ImportFile } from './importFiles';
import type { ImportGround, ReadFile } from './collected';
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
  /** Files that do not fit the others, with the readings that would. */
  readonly doubts: readonly Doubt[];
  /** What stands out of the files' copper: layers that lie unused, and what to do. */
  readonly unused: readonly string[];
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
  remembered: Remembered = new Map(),
): Generator<ImportProgress, ImportPreview> {
  const { read, sources } = yield* collect(files, ground.construction, choices, remembered);
  const laying: ImportProgress = {
    doing: 'holding the files against each other',
    done: files.length,
    of: files.length + 1,
  };
  yield laying;
  const doubts = yield* relayed(doubtsOf(sources, read.artworks, ground.construction), () => laying);
  const edge = edgeIn(read);
  const shift_m = choices.shift_mm
    ? ([metres(choices.shift_mm[0]), metres(choices.shift_mm[1])] as const)
    : shiftOntoBoard(read, ground.construction, edge);
  const painted: PaintedLayer[] = [];
  const layers: PlannedLayer[] = [];
  for (const { name, artwork, layer } of read.artworks) {
    if (layer <= 0) continue;
    const made = yield* relayed(
      paintLayer(artwork, ground.construction, shift_m),
      (share): ImportProgress => ({
        doing: `painting ${name}`,
        done: files.length + share,
        of: files.length + 1,
      }),
    );
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
    doubts,
    unused: unusedCopper(read.artworks, ground.construction.copperLayers.length),
    nets: new Set(sites.flatMap((s) => s.site.pads.map((pad) => pad.net)).filter(Boolean)).size,
    profile: profileOf(read, edge, shift_m),
    edge_mm: size && [tenth(millimetres(size.length_m)), tenth(millimetres(size.width_m))],
  };
}

const tenth = (value: number): number => Math.round(value * 10) / 10;
