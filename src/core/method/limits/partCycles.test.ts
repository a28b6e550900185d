import { describe, expect, it } from 'vitest';
import { cyclesSoFar, MOST_PART_CYCLES, partCycles } from './partCycles';

const hot = (phase: 'remove' | 'reflow' | 'fit') => ({ phase, bodyPeak_K: 500 });
const cool = (phase: 'remove' | 'reflow' | 'fit') => ({ phase, bodyPeak_K: 330 });

describe('heat cycles of a part', () => {
  it('three reflows are what a body is classified with (J-STD-020, from memory)', () => {
    expect(MOST_PART_CYCLES).toBe(3);
    expect(partCycles('reflow', 2, [hot('reflow')])!.over).toBe(false);
    expect(partCycles('reflow', 3, [hot('reflow')])!.over).toBe(true);
  });

  it('taking off and putting back is two', () => {
    expect(partCycles('read-and-refit', 1, [hot('remove'), hot('fit')])).toMatchObject({
      before: 1,
      after: 3,
      over: false,
    });
    expect(partCycles('read-and-refit', 2, [hot('remove'), hot('fit')])!.over).toBe(true);
  });

  it('a body that stays cool under an iron is not counted out', () => {
    expect(partCycles('remove-keep-part', 9, [cool('remove')])).toMatchObject({ after: 10, over: false });
  });

  it('says nothing of a part that goes, or of a fresh one', () => {
    expect(partCycles('remove-sacrifice-part', 5, [hot('remove')])).toBeNull();
    expect(partCycles('replace', 5, [hot('remove'), hot('fit')])).toBeNull();
    expect(partCycles('fit', 5, [hot('fit')])).toBeNull();
  });

  it('begin anew with every part that is fitted', () => {
    expect(cyclesSoFar([])).toBe(0);
    expect(cyclesSoFar(['reflow', 'reflow'])).toBe(2);
    expect(cyclesSoFar(['reflow', 'replace'])).toBe(1);
    expect(cyclesSoFar(['reflow', 'replace', 'read-and-refit'])).toBe(3);
    expect(cyclesSoFar(['reflow', 'fit-socket', 'reflow'])).toBe(2);
  });
});
