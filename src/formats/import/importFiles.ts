import Papa from 'papaparse';
import { columnsOf, readCentroid, type CentroidColumns } from '~/formats/placement/centroid';
import { readExcellon } from '~/formats/excellon/excellon';
import { readGerber, type Artwork, type ArtworkPad } from '~/formats/gerber/read';
import type { LineFault } from '~/formats/lineFault';
import { readNetlist } from '~/formats/netlist/netlist';
import { PROFILE } from './importProfile';
import { partsOf, type NetlistPart } from '~/formats/netlist/netlistParts';
import type { ImportGround, Collected } from './collected';
import type { ReadFile } from './collected';
import type { FileKind } from './collected';

export interface ImportFile {
  readonly name: string;
  readonly text: string;
}

/** What a person has settled about the files. */
export interface ImportChoices {
  /** From the files' origin to the board's lower left corner; null lays the files on the board. */
  readonly shift_mm: readonly [x: number, y: number] | null;
  /** Copper layer of each artwork file; 0 leaves it out. */
  readonly layers: Readonly<Record<string, number>>;
  /** What each column of a table holds, where a person has said so. */
  readonly columns: Readonly<Record<string, Partial<CentroidColumns>>>;
}

function kindOf({ text }: ImportFile): FileKind {
  const head = text.slice(0, 4000);
  if (/%FS|%MO(MM|IN)|^G04/m.test(head)) return 'artwork';
  if (/^\s*M48/m.test(head)) return 'drill';
  if (/^(P  |[30](17|27|67)\S)/m.test(head)) return 'netlist';
  return /[,;\t]/.test(head.split('\n')[0] ?? '') ? 'table' : 'unknown';
}

/** Reads one file into what the others have brought. */
export function readFile(
  file: ImportFile,
  { construction }: ImportGround,
  choices: ImportChoices,
  into: Collected,
): void {
  const kind = kindOf(file);
  const note = (
    count: number,
    faults: readonly LineFault[],
    more: Partial<Pick<ReadFile, 'layer' | 'table'>> = {},
  ): void =>
    void into.files.push({ name: file.name, kind, count, faults, layer: null, table: null, ...more });
  switch (kind) {
    case 'netlist': {
      const { points, faults } = readNetlist(file.text);
      into.parts.push(...partsOf(points));
      note(points.length, faults);
      return;
    }
    case 'artwork': {
      const artwork = readGerber(file.text);
      const layer =
        choices.layers[file.name] ?? layerOf(file.name, artwork, construction.copperLayers.length);
      into.artworks.push({ name: file.name, artwork, layer });
      note(artwork.operations, artwork.faults, { layer });
      return;
    }
    case 'drill': {
      const { holes, faults } = readExcellon(file.text);
      into.holes.push(...holes);
      note(holes.length, faults);
      return;
    }
    case 'table': {
      const table = Papa.parse<string[]>(file.text.trim(), { skipEmptyLines: true }).data;
      const heading = table[0] ?? [];
      const columns = { ...columnsOf(heading), ...choices.columns[file.name] };
      const rows = columns.ref < 0 ? [] : readCentroid(table, columns);
      into.rows.push(...rows);
      const why = 'no column is headed Ref, Reference or Designator; say which column holds the references';
      note(rows.length, columns.ref < 0 ? [{ line: 1, text: heading.join(',').slice(0, 80), why }] : [], {
        table: { heading, columns },
      });
      return;
    }
    case 'unknown':
      note(0, [
        {
          line: 1,
          text: file.text.slice(0, 80),
          why: 'is no netlist, artwork, drill file or table; save it in one of these formats',
        },
      ]);
  }
}

/** By what the file says of itself, else by its name; 0 where neither tells. */
function layerOf(name: string, artwork: Artwork, count: number): number {
  const [what, which, where] = artwork.function;
  if (what === 'Profile' || (what === undefined && /outline|profile|edge|\.gko$|\.gm1$/i.test(name)))
    return PROFILE;
  if (what === 'Copper' && which?.startsWith('L')) return Math.min(count, Number(which.slice(1)) || 0);
  if (what !== undefined && what !== 'Copper') return 0;
  if (where === 'Top' || /\.gtl$|top.*cu|cu.*top|front.*cu|f[._-]cu/i.test(name)) return 1;
  if (where === 'Bot' || /\.gbl$|bot.*cu|cu.*bot|back.*cu|b[._-]cu/i.test(name)) return count;
  const inner = /\.g(\d)l?$|in(?:ner)?[._-]?(\d)/i.exec(name);
  const number = Number(inner?.[1] ?? inner?.[2] ?? 0);
  return number > 0 && number + 1 < count ? number + 1 : 0;
}

/** Without a netlist, artwork that names its pins tells the parts. */
export function partsOfArtwork(artworks: Collected['artworks']): NetlistPart[] {
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
