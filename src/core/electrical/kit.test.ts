import { describe, expect, it } from 'vitest';
import { kitOf, lookAlikes, type KitStock } from './kit';
import type { Part } from './parts/part';

const can = (value: number, rating_V: number, changes: Partial<Part> = {}): Part => ({
  kind: 'capacitor',
  technology: 'aluminium',
  value,
  rating_V,
  ...changes,
});
const line = (id: string, part: Part, count: number): KitStock => ({ id, part, count });

const WANTED = can(120e-6, 35);
const places = (count: number, part: Part | null = WANTED) =>
  Array.from({ length: count }, (_, i) => ({ ref: `C${i + 1}`, part }));

describe('a kit for a whole board', () => {
  it('takes alike parts out of one batch where one has enough, and the nearest rating before a bigger one', () => {
    const stock = [
      line('few', can(120e-6, 35), 2),
      line('enough', can(120e-6, 50), 9),
      line('big', can(120e-6, 100), 9),
    ];
    const [kit] = kitOf(places(5), stock).lines;
    expect(kit!.takes.map(({ stockId, count }) => [stockId, count])).toEqual([['enough', 5]]);
    expect(kit!.short).toBe(0);
    expect(kit!.alternates.map(({ stockId }) => stockId)).toEqual(['few', 'big']);
    const [two] = kitOf(places(2), stock).lines;
    expect(two!.takes[0]!.stockId).toBe('few');
  });

  it('says what is short, and never takes a part twice', () => {
    const stock = [line('a', can(120e-6, 35), 3)];
    const other = can(120e-6, 25);
    const kit = kitOf([...places(2), ...places(2, other)], stock);
    expect(kit.lines.map(({ takes, short }) => [takes.reduce((sum, t) => sum + t.count, 0), short])).toEqual([
      [2, 0],
      [1, 1],
    ]);
  });

  // Rule broken: a kit that fills in with the next value up changes twenty filters at a stroke, and nobody chose it.
  it('never fills in with another value, and names it as what may be chosen', () => {
    const stock = [line('more', can(150e-6, 35), 9)];
    const [kit] = kitOf(places(2), stock).lines;
    expect(kit).toMatchObject({ takes: [], short: 2, alternates: [{ stockId: 'more' }] });
  });

  it('never takes what the swap rules forbid, and says which rule let an alternate in', () => {
    const stock = [line('low', can(120e-6, 16), 9), line('kind', { ...WANTED, kind: 'resistor' }, 9)];
    const [kit] = kitOf(places(1), stock).lines;
    expect(kit).toMatchObject({ takes: [], short: 1, alternates: [] });
  });

  it('leaves a place alone whose value does not tell a part', () => {
    expect(kitOf(places(2, null), []).untold).toEqual(['C1', 'C2']);
  });

  // Rule broken: a diode known by its name alone was fed from whichever diode the drawer had.
  it('takes a part known by its marking only by that marking', () => {
    const wanted: Part = { kind: 'diode', marking: 'SB560' };
    const stock = [
      line('any', { kind: 'diode', technology: 'fast', rating_V: 600, rating_A: 3 }, 9),
      line('same', { kind: 'diode', marking: 'sb 560' }, 1),
    ];
    const [kit] = kitOf(places(2, wanted), stock).lines;
    expect(kit).toMatchObject({
      takes: [{ stockId: 'same', count: 1 }],
      short: 1,
      alternates: [{ stockId: 'any' }],
    });
  });

  it('keeps the order of fitting', () => {
    const kit = kitOf(
      [
        { ref: 'C9', part: can(1e-6, 50) },
        { ref: 'C2', part: WANTED },
        { ref: 'C1', part: can(1e-6, 50) },
      ],
      [],
    );
    expect(kit.lines.map(({ refs }) => refs)).toEqual([['C9', 'C1'], ['C2']]);
  });
});

describe('look-alikes of a kit (common practice)', () => {
  const found = (one: Part, other: Part) =>
    lookAlikes([line('one', one, 1), line('other', other, 1)]).map(({ why }) => why);

  it('are decades of a value, ratings of a value, and cans of a size', () => {
    expect(found(can(22e-6, 35), can(220e-6, 35))).toEqual(['the same figures, 10 times the value']);
    expect(found(can(22e-6, 35), can(22e-6, 63))).toEqual(['the same value, another rating']);
    const size = { case: { diameter_m: 8e-3, height_m: 12e-3 } };
    expect(found(can(68e-6, 63, size), can(150e-6, 35, size))).toEqual(['the same size of case']);
  });

  it('are neighbours in one drawer', () => {
    const [one, other] = [line('one', can(22e-6, 35), 1), line('other', can(33e-6, 35), 1)];
    expect(
      lookAlikes([
        { ...one, drawer: 'A1' },
        { ...other, drawer: 'A1' },
      ]),
    ).toMatchObject([{ why: 'they lie in one drawer' }]);
  });

  it('are not parts of another kind or make', () => {
    expect(found(can(22e-6, 35), can(33e-6, 35))).toEqual([]);
    expect(found(can(22e-6, 35), can(22e-6, 35, { technology: 'polymer' }))).toEqual([]);
  });
});
