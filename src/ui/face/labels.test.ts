import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { feetAbout, labelsWithRoom, type LabelWish } from './labels';

const wish = (id: string, x: number, y: number, weight = 0): LabelWish => ({
  id,
  text: 'R100',
  feet: [[x, y]],
  weight,
});

describe('references on a face', () => {
  it('are all written where there is room', () => {
    const apart = Array.from({ length: 20 }, (_, i) => wish(String(i), i * 20, 0));
    expect(labelsWithRoom(apart, 3).size).toBe(20);
  });

  it('give way to a weightier one where there is not', () => {
    const room = labelsWithRoom([wish('a', 0, 0), wish('b', 2, 0, 5), wish('c', 4, 0)], 3);
    expect([...room.keys()]).toEqual(['b']);
  });

  it('stand beside a small part whose place above is taken, and off the bodies of others', () => {
    // A pack with a chip at each shoulder, as decouplers stand.
    const parts = [
      { id: 'U1', x: 0, y: 0, half: [6, 6] as const },
      { id: 'C1', x: -7, y: -9, half: [1, 0.5] as const },
      { id: 'C2', x: 7, y: -9, half: [1, 0.5] as const },
    ];
    const wishes = parts.map(({ id, x, y, half }) => ({
      id,
      text: `${id}00`,
      feet: feetAbout([x, y], half, `${id}00`, 4),
      weight: id === 'U1' ? 1 : 0,
    }));
    const room = labelsWithRoom(wishes, 4, parts);
    expect([...room.keys()].sort()).toEqual(['C1', 'C2', 'U1']);
    // The pack's own name goes where it covers neither chip.
    for (const [x] of [room.get('C1')!, room.get('C2')!]) expect(Math.abs(x)).toBeGreaterThan(6);
  });

  it('never lie over each other, and the weightiest is always written', () => {
    const any = fc.array(
      fc.record({
        x: fc.double({ min: 0, max: 200, noNaN: true }),
        y: fc.double({ min: 0, max: 100, noNaN: true }),
        text: fc.string({ minLength: 1, maxLength: 6 }),
        weight: fc.integer({ min: 0, max: 9 }),
      }),
      { minLength: 1, maxLength: 60 },
    );
    fc.assert(
      fc.property(any, fc.double({ min: 1, max: 6, noNaN: true }), (given, size) => {
        const wishes = given.map(({ x, y, ...w }, i) => ({
          ...w,
          id: String(i),
          x,
          y,
          feet: [[x, y]] as const,
        }));
        const room = labelsWithRoom(wishes, size);
        const best = wishes.reduce((a, b) => (b.weight > a.weight ? b : a));
        expect(room.has(best.id)).toBe(true);
        const written = wishes.filter((w) => room.has(w.id));
        written.forEach((a, i) => {
          for (const b of written.slice(i + 1)) {
            const wide = (0.62 * size * (a.text.length + b.text.length)) / 2;
            expect(Math.abs(a.x - b.x) >= wide - 1e-9 || Math.abs(a.y - b.y) >= 0.95 * size - 1e-9).toBe(
              true,
            );
          }
        });
      }),
      { seed: 43, numRuns: 120 },
    );
  });
});
