import { beforeAll, describe, expect, it } from 'vitest';
import { MIGRATIONS } from '../../../tests/support/database';
import { DIMENSION_IDS } from '~/core/outcomes/dimensions';
import { addressWith } from '~/schema/exchange/outcomes/address';
import { outcomesQuery } from '~/schema/exchange/outcomes/outcomesQuery';
import { USUAL } from '~/schema/exchange/outcomes/usual';
import { seedMonths } from '~/server/demo/months';
import { openDatabase, type Db } from '~/server/store/db';
import { getBoard, changeBoard } from '~/server/store/repositories/boards';
import { newBoard } from '~/schema/records/board/board';
import { asked, onlookerOf } from './asked';
import { allFacts } from './facts';
import { listedCsv } from './listed';
import { seenBy, sheetOf } from './sheet';

const lead = onlookerOf({ initials: 'HL', role: 'lead' }, '');
const technician = onlookerOf({ initials: 'MK', role: 'technician' }, 'RT');
const url = (search: string): URL => new URL(`http://bench/outcomes${search}`);

let db: Db;
beforeAll(() => {
  db = openDatabase(':memory:', MIGRATIONS);
  seedMonths(db, 'samples/months.json.gz', Date.UTC(2026, 10, 30));
}, 60_000);

describe('what an address asks for', () => {
  it('is there again in the address that is made of it, and what is usual is left out', () => {
    const query = asked(url('?view=time&harm=bridged&from=2026-04&method=gun'), lead);
    expect(addressWith(query, {})).toBe('/outcomes?view=time&harm=bridged&from=2026-04&method=gun');
    expect(addressWith(asked(url(''), lead), {})).toBe('/outcomes');
    expect(outcomesQuery.parse({})).toMatchObject(USUAL);
  });

  it('is as usual where it is named wrongly, and the rest stands', () => {
    const query = asked(url('?view=nothing&from=13-2026&harm=torn&stranger=1'), lead);
    expect(query).toMatchObject({ view: 'rates', harm: 'torn' });
    expect(query.from).toBeUndefined();
  });
});

describe('who did what', () => {
  it('is told to a lead: sorted by people, narrowed to one, named in the table', () => {
    expect(asked(url('?sort=by&by=AO'), lead)).toMatchObject({ sort: 'by', by: 'AO' });
    const sheet = sheetOf(db, asked(url(''), lead), lead);
    expect(sheet.choices.by!.length).toBeGreaterThan(1);
    expect(listedCsv(db, asked(url('?by=AO'), lead), lead.tellsWho)).toContain(',AO,');
  });

  it('is told to nobody else but of their own: whatever the address says', () => {
    expect(asked(url('?sort=by&by=AO'), technician)).toMatchObject({ sort: 'method', by: undefined });
    expect(asked(url('?by=MK'), technician).by).toBe('MK');
    const sheet = seenBy(sheetOf(db, asked(url(''), technician), technician), technician);
    expect(sheet.choices.by!.map(({ key }) => key)).toEqual(['MK']);
    expect(listedCsv(db, asked(url(''), technician), technician.tellsWho)).not.toMatch(/,(AO|RT|HL|MK),/);
  });

  it('is no change that is named to them', () => {
    const query = asked(url('?view=time&harm=bridged'), technician);
    const { view } = sheetOf(db, query, technician);
    expect(view.is === 'time' && view.signal!.changes.map(({ factor }) => factor)).not.toContain('by');
  });
});

it('what a board is told to be anew moves its jobs, and no others', () => {
  const before = allFacts(db);
  const { boardId } = before.at(-1)!;
  const {
    id: _,
    waitingFor: __,
    nextAction: ___,
    outcome: ____,
    createdAt_ms: _____,
    ...board
  } = getBoard(db, boardId);
  const { revision, ...told } = board;
  changeBoard(db, boardId, { ...newBoard.parse(told), madeIn: 1975, revision });
  const after = allFacts(db);
  expect(after.filter((f) => f.madeIn === 1975).map((f) => f.jobId)).toEqual(
    before.filter((f) => f.boardId === boardId).map((f) => f.jobId),
  );
  expect(DIMENSION_IDS).toContain('age');
});
