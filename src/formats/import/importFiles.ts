import { readingExcellon } from '~/formats/excellon/excellon';
import { readingExchange } from '~/formats/exchange/ipc2581';
import { readingGerber } from '~/formats/gerber/read';
import { lineFault, type LineFault } from '~/formats/lineFault';
import { readingNetlist } from '~/formats/netlist/netlist';
import { readPlacement } from '~/formats/placement/centroid';
import type { CentroidColumns } from '~/formats/placement/columns';
import { AS_WRITTEN, type Reading } from '~/formats/reading';
import type { Content, FileKind } from './collected';
import { kindOf } from './importKinds';

export interface ImportFile {
  readonly name: string;
  readonly text: string;
  /** What had to be done for it to be text; null where nothing. */
  readonly note?: string | null;
}

/** A file's content, how much of it there is, and what was not understood. */
export interface ReadContent {
  readonly kind: Exclude<FileKind, 'archive'>;
  readonly content: Content | null;
  readonly count: number;
  readonly faults: readonly LineFault[];
}

/** Reads one file by what stands in it. Yields the share that is read; a caller stops it by asking no further. */
export function* readingFile(
  file: ImportFile,
  columns: Partial<CentroidColumns> = {},
  reading: Reading = AS_WRITTEN,
): Generator<number, ReadContent> {
  const kind = kindOf(file.text);
  const noted = file.note ? [lineFault(1, '', file.note)] : [];
  switch (kind) {
    case 'netlist': {
      const netlist = yield* readingNetlist(file.text, reading);
      return {
        kind,
        content: { kind, netlist },
        count: netlist.points.length,
        faults: [...noted, ...netlist.faults],
      };
    }
    case 'artwork': {
      const artwork = yield* readingGerber(file.text, reading);
      return {
        kind,
        content: { kind, artwork },
        count: artwork.operations,
        faults: [...noted, ...artwork.faults],
      };
    }
    case 'drill': {
      const drilling = yield* readingExcellon(file.text, reading);
      return {
        kind,
        content: { kind, drilling },
        count: drilling.holes.length,
        faults: [...noted, ...drilling.faults],
      };
    }
    case 'table': {
      const placement = readPlacement(file.text, columns, reading);
      return {
        kind,
        content: { kind, placement },
        count: placement.rows.length,
        faults: [...noted, ...placement.faults],
      };
    }
    case 'exchange': {
      const exchange = yield* readingExchange(file.text);
      return {
        kind,
        content: { kind, exchange },
        count: exchange.count,
        faults: [...noted, ...exchange.faults],
      };
    }
    case 'unknown': {
      const why =
        'is no netlist, artwork, drill file, board exchange or table; save it in one of these formats';
      return {
        kind: 'unknown',
        content: null,
        count: 0,
        faults: [...noted, lineFault(1, printable(file.text), why)],
      };
    }
  }
}

/** A file's beginning as it can be shown. */
const printable = (text: string): string => text.slice(0, 80).replace(/\p{Cc}|\ufffd/gu, '·');
