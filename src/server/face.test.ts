import { describe, expect, it } from 'vitest';
import { boardChange } from '~/schema/records/board/board';
import { newFaceFinding } from '~/schema/records/board/faceFinding';
import { InputError } from '~/schema/values/faults';
import { newLibraryPackage } from '~/schema/records/parts/libraryPackage';
import { padChanges } from '~/schema/records/site/padChange';
import { newSite, siteChange } from '~/schema/records/site/site';
import { newSiteGroup } from '~/schema/records/board/siteGroup';
import { freshDatabase, withBoard, withCapacitor } from '../../tests/support/database';
import { changeTold } from '~/server/boards/boardChanges';
import { changeCopper, correctSite } from '~/server/boards/placement';
import { addBoard, getBoard } from '~/server/store/repositories/boards';
import { addFaceFinding, faceFindingsOf } from '~/server/store/repositories/faceFindings';
import { addToLibrary, libraryOf, removeFromLibrary } from '~/server/store/repositories/library';
import { addSiteGroup, removeSiteGroup, siteGroupsOf } from '~/server/store/repositories/siteGroups';
import { addFinding } from '~/server/store/repositories/findings';
import { addSite, changePads, getSite, removeSite, sitesOf } from '~/server/store/repositories/sites';

const via = (changes: object = {}) => ({
  side: 'top',
  kind: 'via',
  points: [{ x_mm: 10, y_mm: 10 }],
  state: 'open',
  foundAs: 'as-received',
  by: 'MK',
  ...changes,
});

describe('findings on a face', () => {
  it('are appended, followed, and never changed', () => {
    const db = freshDatabase();
    const { id } = withBoard(db);
    const first = addFaceFinding(db, id, newFaceFinding.parse(via()), 1);
    const next = newFaceFinding.parse(via({ state: 'repaired', followsId: first.id, foundAs: 'done-here' }));
    addFaceFinding(db, id, next, 2);
    expect(faceFindingsOf(db, id).map((f) => [f.state, f.followsId])).toEqual([
      ['open', null],
      ['repaired', first.id],
    ]);
    expect(() => db.$client.exec("UPDATE face_findings SET state = 'sound'")).toThrow(/append-only/);
    expect(() => db.$client.exec('DELETE FROM face_findings')).toThrow(/append-only/);
  });

  it('lie on the board, and follow findings of their own board only', () => {
    const db = freshDatabase();
    const board = withBoard(db);
    const far = newFaceFinding.parse(via({ points: [{ x_mm: 999, y_mm: 10 }] }));
    expect(() => addFaceFinding(db, board.id, far, 1)).toThrow(/off the board; keep it within/);
    const other = addBoard(db, { ...board, name: 'Other' }, 1, 'brd-2');
    const elsewhere = addFaceFinding(db, other.id, newFaceFinding.parse(via()), 1);
    const strange = newFaceFinding.parse(via({ followsId: elsewhere.id }));
    expect(() => addFaceFinding(db, board.id, strange, 1)).toThrow(/no finding on this board/);
  });

  it.each([
    [{ kind: 'area', state: 'corroded' }, /has 1; area takes 3 to 200/],
    [{ kind: 'track', state: 'cut' }, /has 1; track takes 2 to 200/],
    [
      {
        points: [
          { x_mm: 1, y_mm: 1 },
          { x_mm: 2, y_mm: 2 },
        ],
      },
      /a via has one/,
    ],
    [{ state: 'delaminated' }, /"Blistered or delaminated" is not said of a via/],
    [{ points: [{ x_mm: -1, y_mm: 1 }] }, /give a number from 0/],
    [{ state: 'eaten' }, /give one of sound, corroded/],
  ])('%j is refused', (changes, message) => {
    const result = newFaceFinding.safeParse(via(changes));
    expect(result.error?.issues.map((issue) => issue.message).join(' ')).toMatch(message);
  });
});

describe('copper of a site’s pads', () => {
  const change = (revision: number, layers: number[]) =>
    padChanges.parse({
      revision,
      pads: [{ id: 'site-1-2', net: 'AGND', connections: [{ kind: 'solid-plane', layers }] }],
    });

  it('is changed against the revision it was read at, and raises it', () => {
    const db = freshDatabase();
    withCapacitor(db);
    const changed = changeCopper(db, 'site-1', change(1, [2]));
    expect(changed.revision).toBe(2);
    expect(changed.pads[1]).toMatchObject({
      net: 'AGND',
      connections: [{ kind: 'solid-plane', layers: [2] }],
    });
    expect(changed.pads[0]).toMatchObject({ net: 'OUT' });
    expect(() => changeCopper(db, 'site-1', change(1, [2]))).toThrow(/changed on another screen/);
  });

  it('names no layer that the board has not, and no pad of another site', () => {
    const db = freshDatabase();
    withCapacitor(db);
    expect(() => changeCopper(db, 'site-1', change(1, [9]))).toThrow(/names layer 9; the board has layers/);
    const strange = padChanges.parse({ revision: 1, pads: [{ id: 'site-9-1', net: '', connections: [] }] });
    expect(() => changeCopper(db, 'site-1', strange)).toThrow(/pad/);
    expect(getSite(db, 'site-1').revision).toBe(1);
  });
});

describe('a site that was placed wrongly', () => {
  const told = (db: ReturnType<typeof freshDatabase>, changes: object = {}) => {
    const { id: _id, boardId: _boardId, pads: _pads, ...site } = getSite(db, 'site-1');
    return siteChange.parse({ ...site, ...changes });
  };

  it('is corrected against its revision; its pads, nets and findings stay', () => {
    const db = freshDatabase();
    withCapacitor(db);
    const change = told(db, { ref: 'C70', x_mm: 20, rotation_deg: 90, value: '10 µF' });
    const changed = correctSite(db, 'site-1', change);
    expect(changed).toMatchObject({ ref: 'C70', x_mm: 20, rotation_deg: 90, revision: 2 });
    expect(changed.pads.map((p) => p.net)).toEqual(['OUT', 'GND']);
    expect(() => correctSite(db, 'site-1', change)).toThrow(/changed on another screen/);
  });

  it('stays on the board, with a reference of its own and the pads it has', () => {
    const db = freshDatabase();
    const { boardId, package: part } = withCapacitor(db);
    const pads = getSite(db, 'site-1').pads.map(({ name, net, connections }) => ({ name, net, connections }));
    const other = { ref: 'C8', side: 'top', x_mm: 10, y_mm: 10, alloy: 'sn60pb40', package: part, pads };
    addSite(db, boardId, newSite.parse(other), 'site-2');
    expect(() => correctSite(db, 'site-1', told(db, { ref: 'C8' }))).toThrow(/a site C8 already/);
    expect(() => correctSite(db, 'site-1', told(db, { x_mm: 900 }))).toThrow(/off the board/);
    const chip = { family: 'soic', pins: 8 };
    expect(() => correctSite(db, 'site-1', told(db, { package: chip }))).toThrow(
      /has other pads than C7 was placed with/,
    );
  });

  it('is taken off again, but never once the record holds anything of it', () => {
    const db = freshDatabase();
    const { boardId } = withCapacitor(db);
    addFinding(
      db,
      {
        padId: 'site-1-1',
        state: 'dull',
        otherPadId: null,
        foundAs: 'as-received',
        jobId: null,
        takesBackId: null,
        note: '',
        by: 'MK',
      },
      1,
    );
    expect(() => removeSite(db, 'site-1', 1)).toThrow(/which the record keeps; it stays/);
    const fresh = freshDatabase();
    withCapacitor(fresh);
    expect(() => removeSite(fresh, 'site-1', 2)).toThrow(/changed on another screen/);
    removeSite(fresh, 'site-1', 1);
    expect(sitesOf(fresh, boardId)).toEqual([]);
  });
});

describe('sites read again', () => {
  it('are those of now: what a transaction took back was never there', () => {
    const db = freshDatabase();
    const { boardId, id, pads } = withCapacitor(db);
    const netOf = () => sitesOf(db, boardId)[0]!.pads[0]!.net;
    const change = (net: string, revision: number) =>
      changePads(db, id, { revision, pads: [{ id: pads[0]!.id, net, connections: pads[0]!.connections }] });
    expect(netOf()).toBe('OUT');
    expect(() =>
      db.transaction(() => {
        change('LOST', 1);
        expect(netOf()).toBe('LOST');
        throw new Error('no');
      }),
    ).toThrow('no');
    expect(netOf()).toBe('OUT');
    change('KEPT', 1);
    expect(netOf()).toBe('KEPT');
    expect(sitesOf(db, boardId)[0]).toBe(sitesOf(db, boardId)[0]);
  });
});

describe('what is told of a board', () => {
  it('is changed against its revision; what lies on it must still fit', () => {
    const db = freshDatabase();
    const { boardId } = withCapacitor(db);
    const { construction, ...board } = getBoard(db, boardId);
    const told = { name: board.name, owner: board.owner, fault: 'other', revision: board.revision };
    const narrow = boardChange.parse({ ...told, construction: { ...construction, length_mm: 40 } });
    expect(() => changeTold(db, boardId, narrow)).toThrow(/is 40 mm, but C7 lies at 80 mm/);
    const thin = boardChange.parse({
      ...told,
      construction: { ...construction, copperLayers: construction.copperLayers.slice(0, 1) },
    });
    expect(() => changeTold(db, boardId, thin)).toThrow(InputError);
    const changed = changeTold(
      db,
      boardId,
      boardChange.parse({ ...told, construction, fixtures: 'two screws' }),
    );
    expect(changed).toMatchObject({ fault: 'other', fixtures: 'two screws', revision: board.revision + 1 });
    expect(changed.waitingFor).toBe(board.waitingFor);
    expect(() => changeTold(db, boardId, boardChange.parse({ ...told, construction }))).toThrow(
      /nothing of yours was written/,
    );
  });
});

describe('groups of sites', () => {
  it('have a name of their own on a board, and sites of that board', () => {
    const db = freshDatabase();
    const { boardId, id } = withCapacitor(db);
    const bank = newSiteGroup.parse({ name: 'Bank', siteIds: [id] });
    const made = addSiteGroup(db, boardId, bank);
    expect(siteGroupsOf(db, boardId)).toEqual([made]);
    expect(() => addSiteGroup(db, boardId, bank)).toThrow(/a group “Bank” already/);
    const strange = newSiteGroup.parse({ name: 'Odd', siteIds: ['site-x'] });
    expect(() => addSiteGroup(db, boardId, strange)).toThrow(/no site of this board/);
    removeSiteGroup(db, boardId, made.id);
    expect(siteGroupsOf(db, boardId)).toEqual([]);
    expect(() => removeSiteGroup(db, boardId, made.id)).toThrow(/group/);
    expect(getSite(db, id).ref).toBe('C7');
  });

  it('take no site twice and are not empty', () => {
    expect(newSiteGroup.safeParse({ name: 'A', siteIds: ['x', 'x'] }).success).toBe(false);
    expect(newSiteGroup.safeParse({ name: 'A', siteIds: [] }).success).toBe(false);
  });
});

describe('the library of outlines', () => {
  it('keeps each under a name of its own, and gives it up without touching sites', () => {
    const db = freshDatabase();
    const given = newLibraryPackage.parse({
      name: 'Tall eight',
      package: { family: 'soic', pins: 8, bodyHeight_mm: 2.65 },
      by: 'MK',
    });
    const kept = addToLibrary(db, given, 1);
    expect(libraryOf(db)).toEqual([kept]);
    expect(() => addToLibrary(db, given, 2)).toThrow(/has “Tall eight” already/);
    removeFromLibrary(db, kept.id);
    expect(libraryOf(db)).toEqual([]);
  });

  it('takes no outline that could not be built', () => {
    const odd = { name: 'Odd', by: 'MK', package: { family: 'qfp', pins: 43 } };
    expect(newLibraryPackage.safeParse(odd).success).toBe(false);
  });
});
