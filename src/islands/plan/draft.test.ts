import { describe, expect, it } from 'vitest';
import { draftOf, dropDraft, readDraft, writeDraft } from './draft';
import { reduce, start, type PlanState } from './state';

class Drawer {
  readonly kept = new Map<string, string>();
  getItem = (key: string): string | null => this.kept.get(key) ?? null;
  setItem = (key: string, value: string): void => void this.kept.set(key, value);
  removeItem = (key: string): void => void this.kept.delete(key);
}

const shut = {
  getItem: (): string => {
    throw new DOMException('shut', 'SecurityError');
  },
  setItem: (): void => {
    throw new DOMException('full', 'QuotaExceededError');
  },
};

const HAND = {
  phase: 'remove',
  method: 'leg-at-a-time',
  setting: {
    kind: 'hand',
    toolId: 'iron',
    tip: { shape: 'chisel', width_mm: 2.4, construction: 'cartridge' },
    setpoint_C: 340,
    perPad_C: {},
    preheat: null,
    fluxed: true,
    freshSolder: true,
  },
} as const;

const set: PlanState = [
  { type: 'goal', goal: 'replace' } as const,
  { type: 'worth', worth: 'scarce' } as const,
  { type: 'set', choice: HAND } as const,
].reduce(reduce, start('remove-keep-part', '1'));

const kept = (state: PlanState): Drawer => {
  const drawer = new Drawer();
  writeDraft(drawer, 'c7', JSON.stringify(draftOf(state, 'key')));
  return drawer;
};

describe('a plan through a reload', () => {
  it('comes back with its goal, the part’s worth and the setting at hand', () => {
    const draft = readDraft(kept(set), 'c7', 'key', null)!;
    const back = reduce(start('remove-keep-part', '1'), { type: 'restored', draft });
    expect(back.goal).toBe('replace');
    expect(back.worth).toBe('scarce');
    expect(back.choices).toEqual([HAND]);
    expect(back.byHand).toBe(true);
  });

  it('comes back without a choice where none was set by hand: the search has its own', () => {
    const state = reduce(start('remove-keep-part', '1'), { type: 'goal', goal: 'fit' });
    const draft = readDraft(kept(state), 'c7', 'key', null)!;
    const back = reduce(start('remove-keep-part', '1'), { type: 'restored', draft });
    expect(back.goal).toBe('fit');
    expect(back.choices).toEqual([]);
    expect(back.byHand).toBe(false);
  });

  it('keeps steps that were changed by hand, against a workshop’s habit', () => {
    const edits = [{ op: 'hide', id: 'flux' } as const];
    const edited = reduce(set, { type: 'edits', edits });
    const draft = readDraft(kept(edited), 'c7', 'key', 'replace')!;
    const back = reduce(start('remove-keep-part', '1'), { type: 'restored', draft });
    expect(reduce(back, { type: 'habit', edits: [] }).edits).toEqual(edits);
    expect(reduce(set, { type: 'habit', edits }).edits).toEqual(edits);
  });

  it('is not taken for another site, other inputs or another goal', () => {
    const drawer = kept(set);
    expect(readDraft(drawer, 'c8', 'key', null)).toBeNull();
    expect(readDraft(drawer, 'c7', 'other', null)).toBeNull();
    expect(readDraft(drawer, 'c7', 'key', 'fit')).toBeNull();
    dropDraft(drawer, 'c7');
    expect(readDraft(drawer, 'c7', 'key', null)).toBeNull();
  });

  it('takes storage that is shut, full or holds something else for empty', () => {
    const drawer = new Drawer();
    for (const text of ['', '{', '[]', '{"goal":"burn"}']) {
      drawer.setItem('plan c7', text);
      expect(readDraft(drawer, 'c7', 'key', null)).toBeNull();
    }
    expect(readDraft(shut, 'c7', 'key', null)).toBeNull();
    expect(() => writeDraft(shut, 'c7', '{}')).not.toThrow();
  });
});
