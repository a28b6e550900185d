import { describe, expect, it } from 'vitest';
import { overspends } from './overspend';

const pad = (name: string, spent: number, p50: number, p90: number) => ({
  pad: name,
  spent,
  planned: { p50, p90 },
});

describe('a plan against what is left', () => {
  it('says nothing while every pad keeps some budget nine times in ten', () => {
    expect(overspends([pad('1', 0, 0.1, 0.3), pad('2', 0.6, 0.1, 0.39)])).toEqual([]);
  });

  it('tells what is gone, what likely goes and what may go, worst first', () => {
    const found = overspends([
      pad('1', 0.7, 0.1, 0.35),
      pad('2', 0.9, 0.2, 0.5),
      pad('3', 1.2, 0.01, 0.02),
      pad('4', 0.2, 0.1, 0.2),
    ]);
    expect(found.map((o) => [o.pad, o.chance])).toEqual([
      ['2', 'likely'],
      ['3', 'gone'],
      ['1', 'possible'],
    ]);
  });
});
