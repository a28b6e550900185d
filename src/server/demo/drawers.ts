import { newStockPart, type NewStockPart } from '~/schema/records/parts/stockPart';
import { giveAway } from '~/server/parts/giveAway';
import { judgePart } from '~/server/parts/judgePart';
import type { Db } from '~/server/store/db';
import { addBoardEntry } from '~/server/store/repositories/boardEntries';
import { addOrder, endOrder } from '~/server/store/repositories/partOrders';
import { addPart, movePart } from '~/server/store/repositories/stockParts';

type Part = NewStockPart['part'];

const DAY_ms = 86_400_000;

const can = (value: string, volts: number, changes: Partial<Part> = {}): Part => ({
  kind: 'capacitor',
  technology: 'aluminium',
  value,
  rating_V: volts,
  temperature_C: 105,
  ...changes,
});
const film = (value: string, volts: number, changes: Partial<Part> = {}): Part => ({
  kind: 'capacitor',
  technology: 'film',
  value,
  rating_V: volts,
  tolerance_pct: 10,
  ...changes,
});
const resistor = (value: string, watts: number, changes: Partial<Part> = {}): Part => ({
  kind: 'resistor',
  technology: 'metal-film',
  value,
  rating_W: watts,
  tolerance_pct: 1,
  ...changes,
});

/** Drawers of the demo workshop: [id, part, drawer, batch, count, order under, state, why]. */
const LINES: readonly (readonly [
  id: string,
  part: Part,
  drawer: string,
  batch: string,
  count: number,
  low: number,
  state?: NewStockPart['state'],
  because?: string,
])[] = [
  [
    'c150',
    can('150µ', 40, { case: { diameter_mm: 10, height_mm: 16, pitch_mm: 5 }, ripple_A: 0.55 }),
    'A1',
    'L2604',
    14,
    4,
  ],
  [
    'c180',
    can('180µ', 50, { esr_Ohm: 0.045, case: { diameter_mm: 10, height_mm: 20, pitch_mm: 5 }, ripple_A: 1.1 }),
    'A1',
    'R2551',
    9,
    4,
  ],
  ['c68', can('68µ', 63, { case: { diameter_mm: 8, height_mm: 12, pitch_mm: 3.5 } }), 'A2', 'L2604', 22, 6],
  ['c10', can('10µ', 63, { case: { diameter_mm: 5, height_mm: 11, pitch_mm: 2.5 } }), 'A2', 'L2604', 16, 8],
  [
    'c100',
    can('100µ', 35, { case: { diameter_mm: 6.3, height_mm: 11, pitch_mm: 3.5 } }),
    'A2',
    'R2551',
    12,
    4,
  ],
  ['c470', can('470µ', 63, { case: { diameter_mm: 13, height_mm: 25, pitch_mm: 5 } }), 'A3', 'P2620', 3, 0],
  [
    'c1500',
    can('1500µ', 25, { case: { diameter_mm: 13, height_mm: 21, pitch_mm: 5 }, ripple_A: 1.3 }),
    'A3',
    'P2619',
    3,
    6,
  ],
  [
    'c150bad',
    can('150µ', 40, { dateCode: '2508' }),
    'quarantine',
    'P2508',
    40,
    0,
    'rejected',
    'five of eight read under 90 µF at the incoming test',
  ],
  [
    'c33poly',
    { kind: 'capacitor', technology: 'polymer', value: '33µ', rating_V: 25, esr_Ohm: 0.018 },
    'A4',
    'R2540',
    12,
    4,
  ],
  ['c82x', film('82n', 310, { safetyClass: 'X2', case: { pitch_mm: 15 } }), 'B1', 'F2533', 10, 4],
  ['c150x', film('150n', 310, { safetyClass: 'X2', case: { pitch_mm: 15 } }), 'B1', 'F2610', 6, 4],
  [
    'c3n3y',
    {
      kind: 'capacitor',
      technology: 'ceramic',
      value: '3n3',
      rating_V: 300,
      safetyClass: 'Y2',
      polar: false,
    },
    'B2',
    'F2422',
    18,
    6,
  ],
  ['c68n', film('68n', 100), 'B3', 'F2533', 30, 10],
  ['r5k6', resistor('5k6', 0.25), 'C1', 'M2601', 90, 20],
  ['r12k', resistor('12k', 0.25), 'C1', 'M2601', 70, 20],
  ['r820', resistor('820R', 0.5), 'C2', 'M2602', 44, 20],
  ['r0r27', resistor('R27', 2, { technology: 'wirewound', tolerance_pct: 5 }), 'C3', 'W2511', 8, 4],
  ['r18f', resistor('18R', 0.5, { technology: 'fusible', tolerance_pct: 5 }), 'C3', 'W2520', 11, 4],
  ['d-fast', { kind: 'diode', technology: 'fast', rating_V: 600, rating_A: 3 }, 'D1', 'S2605', 16, 6],
  ['d-schottky', { kind: 'diode', technology: 'schottky', rating_V: 60, rating_A: 5 }, 'D1', 'S2612', 5, 6],
  [
    'q-n',
    { kind: 'transistor', technology: 'n-channel', rating_V: 60, rating_A: 30, pinOrder: 'GDS' },
    'D2',
    'S2540',
    7,
    3,
  ],
  [
    'reg-5',
    {
      kind: 'regulator',
      output_V: 5,
      dropout_V: 1.8,
      rating_A: 1.5,
      package: 'to220',
      pinOrder: 'IN-GND-OUT',
    },
    'D3',
    'S2433',
    4,
    2,
  ],
  ['f-1a6', { kind: 'fuse', technology: 'time-lag', rating_A: 1.6, rating_V: 250 }, 'E1', 'E2530', 25, 10],
  ['x8', { kind: 'crystal', marking: 'X8.000', source: 'pulled' }, 'E2', '', 2, 1],
  ['m-rom', { kind: 'memory', marking: 'EE64-20', contents: 'none' }, 'E3', 'S2601', 3, 2],
];

/** Fills the drawers of the demo workshop, with some of what came, went and was read. */
export function fillDrawers(db: Db, now_ms: number): void {
  for (const [id, part, drawer, batch, count, low, state = 'released', because = ''] of LINES) {
    const line = newStockPart.parse({ part, drawer, batch, count, low, state, because, by: 'RT' });
    addPart(db, line, now_ms - 90 * DAY_ms, `demo-part-${id}`);
  }
  movePart(
    db,
    'demo-part-c150',
    { reason: 'fitted', amount: 2, siteId: null, by: 'MK' },
    now_ms - 12 * DAY_ms,
    'demo-part-c150-m1',
  );
  const read = (id: string, reading: Parameters<typeof judgePart>[2], days: number): void =>
    void judgePart(db, `demo-part-${id}`, reading, 'RT', now_ms - days * DAY_ms);
  read('c150', { capacitance: '146µ', esr_Ohm: 0.31, inCircuit: false }, 88);
  read('c150', { capacitance: '143µ', esr_Ohm: 0.33, inCircuit: false }, 20);
  read('c150bad', { capacitance: '84µ', esr_Ohm: 1.9, inCircuit: false }, 30);
  read('c82x', { capacitance: '80n', inCircuit: false }, 40);
  addOrder(
    db,
    {
      supplier: 'Kellerbau supplies',
      expected_ms: now_ms + 4 * DAY_ms,
      lines: [{ partId: 'demo-part-d-schottky', count: 20 }],
      boards: [],
      by: 'RT',
    },
    now_ms - 3 * DAY_ms,
    'demo-order-2',
  );
  const first = addOrder(
    db,
    {
      supplier: 'Nordlicht parts counter',
      expected_ms: now_ms - 33 * DAY_ms,
      lines: [{ partId: 'demo-part-c150bad', count: 40 }],
      boards: [],
      by: 'RT',
    },
    now_ms - 45 * DAY_ms,
    'demo-order-1',
  );
  endOrder(db, first.id, 'arrived', first.revision, now_ms - 32 * DAY_ms);
}

/** What the demo boards got out of the drawers and gave to them: a pair across the mains, and a resistor of a scrapped board. */
export function moveDemoParts(db: Db, now_ms: number): void {
  const at = (days: number): number => now_ms - days * DAY_ms;
  const fitted = { reason: 'fitted', amount: 1, siteId: 'demo-validator-9-C9', by: 'AO' } as const;
  for (const id of ['c82x', 'c150x']) movePart(db, `demo-part-${id}`, fitted, at(61), `demo-part-${id}-m1`);
  const siteId = 'demo-validator-9-R4';
  addBoardEntry(db, {
    id: 'demo-validator-9-R4-off',
    boardId: 'demo-validator-9',
    at_ms: at(58),
    by: 'AO',
    body: { kind: 'part', siteId, is: 'off-kept', what: '', where: '' },
  });
  giveAway(db, siteId, { drawer: 'C3', kind: null, by: 'AO' }, at(57));
}
