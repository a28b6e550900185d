import { PAD_STATES } from '~/core/record/padStates';
import { standingFindings } from '~/core/record/standingFindings';
import { csv, footprintOf, placementCsv } from '~/formats/placement/write';
import { netlistOf, padsOf } from '~/formats/netlist/write';
import type { BoardSheet } from '~/schema/sheets/boardSheet';
import { boardMarkdown } from '~/schema/words/boardMarkdown';
import { GOAL_WORDS } from '~/schema/words/words';
import type { Goal } from '~/core/method/goals';
import { boardSheet } from '~/server/boards/boardSheet';
import type { Db } from '~/server/store/db';
import { NotFound } from '~/server/store/errors';

interface BoardFile {
  readonly type: string;
  /** What follows the board's name. */
  readonly end: string;
  readonly make: (sheet: BoardSheet) => string;
}

const CSV = 'text/csv; charset=utf-8';

/** What is written of a board beside its bundle, by its name in the address. */
export const BOARD_FILES: Readonly<Record<string, BoardFile>> = {
  'sites.csv': { type: CSV, end: '-sites.csv', make: sitesCsv },
  'findings.csv': { type: CSV, end: '-findings.csv', make: findingsCsv },
  'runs.csv': { type: CSV, end: '-runs.csv', make: runsCsv },
  'stage.csv': { type: CSV, end: '-stage.csv', make: stageCsv },
  'places.csv': { type: CSV, end: '-places.csv', make: ({ sites }) => placementCsv(sites) },
  'netlist.ipc': {
    type: 'text/plain; charset=utf-8',
    end: '.ipc',
    make: ({ board, sites }) => netlistOf(board.name, sites),
  },
  'report.md': { type: 'text/markdown; charset=utf-8', end: '-report.md', make: boardMarkdown },
};

/** One of these files, under the board's own name. */
export function boardFile(
  db: Db,
  boardId: string,
  name: string,
): { readonly type: string; readonly name: string; readonly body: string } {
  const file = Object.hasOwn(BOARD_FILES, name) ? BOARD_FILES[name] : undefined;
  if (!file) throw new NotFound('file', name);
  const sheet = boardSheet(db, boardId);
  const called = sheet.board.name.replace(/[^A-Za-z0-9]+/g, '-').replace(/^-|-$/g, '') || 'board';
  return { type: file.type, name: `${called}${file.end}`, body: file.make(sheet) };
}

const utc = (at_ms: number): string => new Date(at_ms).toISOString();

function sitesCsv({ sites, standing }: BoardSheet): string {
  return csv(
    [
      'ref',
      'value',
      'family',
      'footprint',
      'side',
      'x_mm',
      'y_mm',
      'rotation_deg',
      'alloy',
      'pads',
      'nets',
      'there',
    ],
    sites.map((site) => [
      site.ref,
      site.value,
      site.package.family,
      footprintOf(site.package),
      site.side,
      site.x_mm,
      site.y_mm,
      site.rotation_deg,
      site.alloy,
      site.pads.length,
      [...new Set(site.pads.map(({ net }) => net).filter(Boolean))].join(' '),
      standing.occupancies[site.id]?.kind ?? '',
    ]),
  );
}

/** All that was found, taken back or not, in the order in which it was written. */
function findingsCsv({ sites, findings }: BoardSheet): string {
  const named = padNames(sites);
  const holds = new Set(standingFindings(findings).map(({ id }) => id));
  return csv(
    ['id', 'ref', 'pad', 'state', 'to', 'found', 'holds', 'by', 'at', 'note'],
    findings.map((f) => {
      const [ref = '', pad = ''] = named.get(f.padId) ?? [];
      return [
        f.id,
        ref,
        pad,
        PAD_STATES[f.state].name,
        f.otherPadId ? (named.get(f.otherPadId) ?? []).join('.') : '',
        f.foundAs,
        holds.has(f.id) ? 'yes' : 'no',
        f.by,
        utc(f.at_ms),
        f.note,
      ];
    }),
  );
}

/** Every entry of every job; what it measured and decided stands in its own words as JSON. */
function runsCsv({ jobs }: BoardSheet): string {
  return csv(
    ['job', 'ref', 'goal', 'outcome', 'seq', 'at', 'by', 'entry', 'step', 'details'],
    jobs.flatMap((job) =>
      job.events.map((event) => {
        const {
          kind,
          at_ms,
          by,
          seq,
          clientId: _,
          ...details
        } = event as typeof event & Record<string, unknown>;
        const step = 'stepId' in details ? String(details['stepId']) : '';
        return [
          job.id,
          job.siteRef,
          GOAL_WORDS[job.goal as Goal],
          job.outcome ?? '',
          seq,
          utc(at_ms),
          by,
          kind,
          job.steps[step] ?? step,
          JSON.stringify(details),
        ];
      }),
    ),
  );
}

/**
 * What is wrong, as a list that a microscope's stage is driven by: one line a pad, places in millimetres from the board's lower left
 * corner seen from the top, and for a board that lies on its top the place as it is seen from below.
 */
function stageCsv({ board, sites, findings }: BoardSheet): string {
  const newest = new Map(standingFindings(findings).map((f) => [f.padId, f]));
  const ids = new Map(sites.map((site) => [site.ref, new Map(site.pads.map((pad) => [pad.name, pad.id]))]));
  const { length_mm } = board.construction;
  return csv(
    ['Ref', 'Side', 'PosX(mm)', 'PosY(mm)', 'SeenX(mm)', 'Finding', 'Note'],
    padsOf(sites).flatMap(({ ref, pad, side, x_mm, y_mm, site }) => {
      const found = newest.get(ids.get(site.ref)?.get(pad) ?? '');
      if (!found || !PAD_STATES[found.state].defect) return [];
      const round = (value: number): number => Math.round(1000 * value) / 1000;
      return [
        [
          `${ref}.${pad}`,
          side,
          round(x_mm),
          round(y_mm),
          round(side === 'top' ? x_mm : length_mm - x_mm),
          PAD_STATES[found.state].name,
          found.note,
        ],
      ];
    }),
  );
}

const padNames = (sites: BoardSheet['sites']): ReadonlyMap<string, readonly [ref: string, pad: string]> =>
  new Map(sites.flatMap((site) => site.pads.map((pad) => [pad.id, [site.ref, pad.name] as const] as const)));
