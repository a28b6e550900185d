import { describe, expect, it } from 'vitest';
import { inOneGo } from '~/core/stepwise';
import { freshDatabase, withCapacitor } from '../../../tests/support/database';
import { UNSETTLED } from '~/formats/import/choices';
import { planImport } from '~/formats/import/importPlan';
import { readNetlist } from '~/formats/netlist/netlist';
import { readPlacement } from '~/formats/placement/centroid';
import { newBoardEntry } from '~/schema/records/board/boardEntry';
import { newFinding } from '~/schema/records/site/finding';
import { enterOnBoard } from '~/server/boards/boardEntry';
import { DEMO_BOARDS } from '~/server/demo/boards';
import { NotFound } from '~/server/store/errors';
import { addFinding } from '~/server/store/repositories/findings';
import { netlistOf } from '~/formats/netlist/write';
import { placementCsv } from '~/formats/placement/write';
import { boardFile, BOARD_FILES } from './boardFiles';
import { calendarOf } from './calendar';

const linesOf = (text: string): string[] => text.trim().split(/\r?\n/);

describe('what is written of a board', () => {
  it('is every list there is, under the board’s own name, and no other file', () => {
    const db = freshDatabase();
    const { boardId } = withCapacitor(db);
    for (const name of Object.keys(BOARD_FILES)) {
      const made = boardFile(db, boardId, name);
      expect(made.name).toMatch(/^Test-board/);
      expect(made.body.length).toBeGreaterThan(10);
    }
    expect(() => boardFile(db, boardId, '../passwd')).toThrow(NotFound);
    expect(() => boardFile(db, boardId, 'constructor')).toThrow(NotFound);
  });

  it('no cell of a list is a formula to a spreadsheet', () => {
    const db = freshDatabase();
    const site = withCapacitor(db);
    const note = '=HYPERLINK("http://x","y")';
    addFinding(
      db,
      newFinding.parse({ padId: site.pads[0]!.id, state: 'lifted', foundAs: 'as-received', note, by: 'MK' }),
      1000,
    );
    for (const name of ['findings.csv', 'stage.csv']) {
      const { body } = boardFile(db, site.boardId, name);
      expect(body).toContain('HYPERLINK');
      expect(body).not.toMatch(/(^|,|")=HYPERLINK/m);
    }
  });

  it('what is wrong is a list for a microscope’s stage: where on the board, and as it is seen from its side', () => {
    const db = freshDatabase();
    const site = withCapacitor(db);
    addFinding(
      db,
      newFinding.parse({ padId: site.pads[1]!.id, state: 'torn', foundAs: 'done-here', by: 'MK' }),
      1000,
    );
    addFinding(
      db,
      newFinding.parse({ padId: site.pads[0]!.id, state: 'sound', foundAs: 'done-here', by: 'MK' }),
      1001,
    );
    const [heading, ...rows] = linesOf(boardFile(db, site.boardId, 'stage.csv').body);
    expect(heading).toBe('Ref,Side,PosX(mm),PosY(mm),SeenX(mm),Finding,Note');
    expect(rows).toHaveLength(1);
    // Pin two of a radial part lies half its pitch to the right of the part's middle.
    const x_mm = site.x_mm + 2.5 * Math.cos((site.rotation_deg * Math.PI) / 180);
    expect(rows[0]).toContain(`${site.ref}.2,top,${Number(x_mm.toFixed(3))}`);
    // The application reads its own list as places.
    expect(readPlacement(boardFile(db, site.boardId, 'stage.csv').body).columns.x).toBe(2);
  });

  it('a report tells what is left and what was found, and no note breaks its tables', () => {
    const db = freshDatabase();
    const site = withCapacitor(db);
    addFinding(
      db,
      newFinding.parse({
        padId: site.pads[0]!.id,
        state: 'lifted',
        foundAs: 'as-received',
        note: 'a | b\n# c',
        by: 'MK',
      }),
      1000,
    );
    const { body } = boardFile(db, site.boardId, 'report.md');
    expect(body).toMatch(/^# Test board\n/);
    expect(body).toContain('## Findings that hold');
    expect(body).toContain('Lifted, still attached');
    expect(body).toContain('a \\| b \\# c');
    expect(body).toContain('## Left to do');
  });
});

describe('placement and netlist as they are read', () => {
  it.each(DEMO_BOARDS.filter(({ sites }) => sites.length >= 3).map((demo) => [demo.id, demo] as const))(
    'of %s come back as the same parts at the same places',
    (_, { board, sites }) => {
      const { construction } = board;
      const files = [
        { name: 'b.ipc', text: netlistOf(board.name, sites) },
        { name: 'b.csv', text: placementCsv(sites) },
      ];
      const read = inOneGo(planImport(files, { construction, taken: [], alloy: 'sn60pb40' }, UNSETTLED));
      expect(read.doubts).toEqual([]);
      expect(read.files.flatMap(({ faults }) => faults)).toEqual([]);
      for (const site of sites) {
        const back = read.sites.find((planned) => planned.site.ref === site.ref);
        expect(back, site.ref).toBeDefined();
        expect(Math.hypot(back!.site.x_mm - site.x_mm, back!.site.y_mm - site.y_mm)).toBeLessThan(0.02);
        expect(back!.site.value).toBe(site.value);
        expect(new Set(back!.site.pads.map(({ net }) => net))).toEqual(
          new Set(site.pads.map(({ net }) => net)),
        );
      }
    },
  );

  it('a net of a long name comes back whole, by its alias', () => {
    const [site] = DEMO_BOARDS[0]!.sites;
    const net = 'A_NET_OF_A_VERY_LONG_NAME_INDEED';
    const long = { ...site!, pads: site!.pads.map((pad) => ({ ...pad, net })) };
    const { points, faults } = readNetlist(netlistOf('Long', [long]));
    expect(faults).toEqual([]);
    expect(new Set(points.map((point) => point.net))).toEqual(new Set([net]));
  });
});

describe('the calendar', () => {
  it('has what comes back and when, each under an address that stays the same', () => {
    const db = freshDatabase();
    const { boardId } = withCapacitor(db);
    const due_ms = Date.UTC(2027, 0, 15, 9);
    enterOnBoard(
      db,
      boardId,
      newBoardEntry.parse({
        clientId: 'entry-parked',
        by: 'MK',
        body: { kind: 'parked', awaits: 'part', what: 'a new capacitor', due_ms },
      }),
      Date.UTC(2027, 0, 2),
    );
    const text = calendarOf(db);
    expect(text).toMatch(/^BEGIN:VCALENDAR\r\nVERSION:2\.0/);
    expect(text).toContain('DTSTART:20270115T090000Z');
    expect(text).toContain('SUMMARY:Back to work: Test board');
    const uids = (calendar: string): string[] => calendar.match(/^UID:.*$/gm) ?? [];
    expect(uids(text)).toHaveLength(1);
    expect(uids(calendarOf(db))).toEqual(uids(text));
    // Lines are folded at 75 octets (RFC 5545 §3.1).
    for (const line of text.split('\r\n')) expect(Buffer.byteLength(line)).toBeLessThanOrEqual(75);
  });
});
