import { describe, expect, it } from 'vitest';
import { freshDatabase, withBoard, withCapacitor } from '../../../tests/support/database';
import { newFinding } from '~/schema/records/site/finding';
import { MOST_SITES, newImport, type NewImport } from '~/schema/records/board/boardImport';
import { InputError, parseInput } from '~/schema/values/faults';
import { planRequestOf } from '~/schema/exchange/si/plan';
import { copperMapsOf } from './copperMaps';
import { acceptImport, importOf, takeBackImport } from './imports';
import { restate } from './restate';
import { Conflict, NotFound } from '~/server/store/errors';
import { getBoard } from '~/server/store/repositories/boards';
import { addFinding } from '~/server/store/repositories/findings';
import { artworkCells, artworksOf, importsOf, undoImport } from '~/server/store/repositories/imports';
import { changePads, getSite, sitesOf } from '~/server/store/repositories/sites';
import { airSheet } from '~/server/plans/airSheet';

const chip = (ref: string, x_mm = 20) => ({
  ref,
  value: '4k7',
  side: 'top',
  x_mm,
  y_mm: 20,
  rotation_deg: 0,
  alloy: 'sn60pb40',
  package: { family: 'chip', code: '0805' },
  pads: ['1', '2'].map((name) => ({
    name,
    net: `N${name}`,
    connections: [{ kind: 'track', width_mm: 0.3 }],
  })),
});

/** Four by four cells, the right half covered. */
const HALF = {
  file: 'top.gbr',
  coverage: 0.5,
  map: {
    layer: 1,
    nx: 4,
    ny: 4,
    cells: Buffer.from(Array.from({ length: 16 }, (_, i) => (i % 4 < 2 ? 0 : 255))).toString('base64'),
  },
};

const given = (changes: object = {}): NewImport =>
  parseInput(newImport, {
    by: 'MK',
    files: [{ name: 'x.ipc', kind: 'netlist', count: 4 }],
    sites: [chip('R1'), chip('R2', 30)],
    copper: [HALF],
    ...changes,
  });

describe('an accepted import', () => {
  it('writes its sites, their pads and its copper', () => {
    const db = freshDatabase();
    const { id } = withBoard(db);
    const record = acceptImport(db, id, given(), 1000);
    expect(sitesOf(db, id).map((s) => [s.ref, s.pads.length])).toEqual([
      ['R1', 2],
      ['R2', 2],
    ]);
    expect(importsOf(db, id)).toEqual([record]);
    const [line] = artworksOf(db, id);
    expect(line).toMatchObject({ layer: 1, nx: 4, ny: 4, coverage: 0.5 });
    expect(artworkCells(db, id, line!.id)).toHaveLength(16);
  });

  it('is known from then on as it would be read back', () => {
    const db = freshDatabase();
    const { id } = withBoard(db);
    const { siteIds } = acceptImport(db, id, given(), 1000);
    // One by one they are read from what was written.
    expect(sitesOf(db, id)).toEqual(siteIds.map((site) => getSite(db, site)));
  });

  it('is written whole or not at all', () => {
    const db = freshDatabase();
    const { id } = withBoard(db);
    const twice = given({ sites: [chip('R1'), chip('R2'), chip('R1', 40)] });
    expect(() => acceptImport(db, id, twice, 1000)).toThrow(/R1 already/);
    expect(sitesOf(db, id)).toEqual([]);
    expect(importsOf(db, id)).toEqual([]);
    expect(artworksOf(db, id)).toEqual([]);
  });

  it('is refused by name: off the board, wrong pads, a layer there is none of, nothing at all', () => {
    const db = freshDatabase();
    const { id } = withBoard(db);
    const refusal = (changes: object): string => {
      try {
        acceptImport(db, id, given(changes), 1000);
      } catch (error) {
        return (error as InputError).faults.map((f) => `${f.path} ${f.message}`).join('; ');
      }
      return 'taken';
    };
    expect(refusal({ sites: [chip('R1'), chip('R2', 999)] })).toMatch(/\$\.sites\[1\]\.x_mm .*off the board/);
    expect(refusal({ sites: [{ ...chip('R1'), pads: chip('R1').pads.slice(1) }] })).toMatch(
      /\$\.sites\[0\]\.pads/,
    );
    expect(refusal({ copper: [{ ...HALF, map: { ...HALF.map, layer: 9 } }] })).toMatch(
      /is 9; the board has layers/,
    );
    expect(refusal({ sites: [], copper: [] })).toMatch(/nothing to import/);
    expect(() => given({ copper: [{ ...HALF, map: { ...HALF.map, nx: 5 } }] })).toThrow(/one byte for each/);
    expect(sitesOf(db, id)).toEqual([]);
  });

  it('warms in the heat model by the copper that it brought', () => {
    const db = freshDatabase();
    const { id } = withBoard(db);
    acceptImport(db, id, given(), 1000);
    const [site] = sitesOf(db, id);
    const { input } = airSheet(db, site!.id);
    expect(copperMapsOf(db, id)).toEqual(input.board.copperMaps);
    const { maps } = planRequestOf(input).board;
    expect(maps![0]).toMatchObject({ nx: 2, ny: 2 });
    expect(Array.from(maps![0]!.share)).toEqual([0, 1, 0, 1]);
    expect(maps![1]).toBeNull();
  });
});

describe('undoing an import', () => {
  // Rule broken: findings of files, undo did not put back the board's next action.
  it('puts back all that came of it, what the board waits for and its next action included', () => {
    const db = freshDatabase();
    const { id } = withBoard(db);
    restate(db, id);
    const before = getBoard(db, id);
    const record = acceptImport(db, id, given(), 1000);
    takeBackImport(db, id, record.id, 2000, 0);
    expect(getBoard(db, id)).toEqual(before);
  });

  it('takes sites and copper away and stays in the record', () => {
    const db = freshDatabase();
    const { id } = withBoard(db);
    const record = acceptImport(db, id, given(), 1000);
    expect(undoImport(db, id, record.id, 2000).undoneAt_ms).toBe(2000);
    expect(sitesOf(db, id)).toEqual([]);
    expect(artworksOf(db, id)).toEqual([]);
    expect(importsOf(db, id)[0]).toMatchObject({ undoneAt_ms: 2000, siteIds: record.siteIds });
    expect(() => undoImport(db, id, record.id, 3000)).toThrow(Conflict);
    acceptImport(db, id, given(), 4000);
    expect(sitesOf(db, id)).toHaveLength(2);
  });

  it('is refused once a site has a history, naming it; another board’s import is not found', () => {
    const db = freshDatabase();
    const { id } = withBoard(db);
    const record = acceptImport(db, id, given(), 1000);
    const [site] = sitesOf(db, id);
    addFinding(
      db,
      parseInput(newFinding, { padId: site!.pads[0]!.id, state: 'dull', foundAs: 'as-received', by: 'MK' }),
      1500,
    );
    expect(() => undoImport(db, id, record.id, 2000)).toThrow(/R1 has a job, a finding or a reading/);
    expect(sitesOf(db, id)).toHaveLength(2);
    expect(() => undoImport(db, 'brd-other', record.id, 2000)).toThrow(NotFound);
  });

  it('does not drop what was corrected by hand without a word (findings B5)', () => {
    const db = freshDatabase();
    const { id } = withBoard(db);
    const record = acceptImport(db, id, given(), 1000);
    const site = sitesOf(db, id).find(({ ref }) => ref === 'R1')!;
    const [pad] = site.pads;
    changePads(db, site.id, {
      revision: 1,
      pads: [{ id: pad!.id, net: 'RESET', connections: pad!.connections }],
    });
    expect(() => undoImport(db, id, record.id, 2000)).toThrow(/^R1 was corrected by hand since/);
    expect(sitesOf(db, id)).toHaveLength(2);
    expect(undoImport(db, id, record.id, 3000, 1).undoneAt_ms).toBe(3000);
  });

  it('is refused where a bridge found on another site names one of its pads', () => {
    const db = freshDatabase();
    const capacitor = withCapacitor(db);
    const id = capacitor.boardId;
    const record = acceptImport(db, id, given(), 1000);
    const imported = sitesOf(db, id).find((site) => site.ref === 'R2')!;
    const bridge = {
      padId: capacitor.pads[0]!.id,
      otherPadId: imported.pads[0]!.id,
      state: 'bridged',
      foundAs: 'done-here',
      by: 'MK',
    };
    addFinding(db, parseInput(newFinding, bridge), 1500);
    expect(() => undoImport(db, id, record.id, 2000)).toThrow(/R2 has a job, a finding or a reading/);
    expect(sitesOf(db, id)).toHaveLength(3);
  });
});

describe('a large import', () => {
  it('is read a slice at a time, and tells where in the whole a fault stands', async () => {
    const [site] = given().sites;
    const sites = Array.from({ length: 3000 }, (_, i) => ({ ...site!, ref: `R${i + 1}` }));
    let turns = 0;
    const others = setInterval(() => (turns += 1));
    const read = await importOf({ ...given(), sites });
    clearInterval(others);
    expect(read.sites).toHaveLength(3000);
    expect(turns).toBeGreaterThan(2);
    const wrong = sites.map((one, i) => (i === 1234 ? { ...one, x_mm: 'far' } : one));
    await expect(importOf({ ...given(), sites: wrong })).rejects.toMatchObject({
      faults: [{ path: '$.sites[1234].x_mm' }],
    });
    await expect(importOf({ ...given(), sites: Array(MOST_SITES + 1).fill(site) })).rejects.toThrow(
      /in parts/,
    );
  });

  it('has each reference once, by whatever letters', () => {
    const db = freshDatabase();
    const { id } = withBoard(db);
    const [site] = given().sites;
    const twice = { ...given(), sites: [site!, { ...site!, ref: site!.ref.toLowerCase() }] };
    expect(() => acceptImport(db, id, twice, 1)).toThrow(/a site r1 already/);
    expect(sitesOf(db, id)).toEqual([]);
  });
});
