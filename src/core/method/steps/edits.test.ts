import { describe, expect, it } from 'vitest';
import { edited, type StepEdit } from './edits';
import type { StepKind } from './step';

const line = (id: string, kind: StepKind = 'do') => ({ id, kind, title: id, detail: '' });
const STEPS = [line('set', 'gate'), line('flux'), line('heat-1', 'heat'), line('clean')];
const make = (edit: Extract<StepEdit, { op: 'add' }>) => ({ ...line(edit.id, edit.kind), title: edit.title });
const ids = (edits: StepEdit[]): string[] => edited(STEPS, edits, make).map((s) => s.id);

describe('changes to a list of steps', () => {
  it('leave out what may be left out; gates and heat stay', () => {
    expect(
      ids([
        { op: 'hide', id: 'flux' },
        { op: 'hide', id: 'set' },
        { op: 'hide', id: 'heat-1' },
      ]),
    ).toEqual(['set', 'heat-1', 'clean']);
  });

  it('move, first place included, and never lose a step', () => {
    expect(ids([{ op: 'move', id: 'clean', after: 'set' }])).toEqual(['set', 'clean', 'flux', 'heat-1']);
    expect(ids([{ op: 'move', id: 'flux', after: '' }])[0]).toBe('flux');
    expect(ids([{ op: 'move', id: 'flux', after: 'nowhere' }])).toEqual(STEPS.map((s) => s.id));
    expect(ids([{ op: 'move', id: 'flux', after: 'flux' }])).toEqual(STEPS.map((s) => s.id));
  });

  it('add after a step, once, and at the end where that step is not there', () => {
    const add = {
      op: 'add',
      id: 'fan',
      kind: 'do',
      title: 'Fan on',
      detail: '',
      why: '',
      wait_s: null,
    } as const;
    expect(ids([{ ...add, after: 'set' }])).toEqual(['set', 'fan', 'flux', 'heat-1', 'clean']);
    expect(ids([{ ...add, after: 'gone' }]).at(-1)).toBe('fan');
    expect(
      ids([
        { ...add, after: 'set' },
        { ...add, after: 'set' },
      ]),
    ).toHaveLength(5);
  });

  it('reword without touching what it does', () => {
    const [first] = edited(STEPS, [{ op: 'reword', id: 'set', title: 'Station', detail: 'Look' }], make);
    expect(first).toMatchObject({ id: 'set', kind: 'gate', title: 'Station', detail: 'Look' });
  });

  it('an edit for a step of another method does nothing', () => {
    expect(ids([{ op: 'hide', id: 'twist' }])).toEqual(STEPS.map((s) => s.id));
  });
});
