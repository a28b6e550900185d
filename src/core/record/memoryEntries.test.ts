import { describe, expect, it } from 'vitest';
import { contentsOf, type MemoryEntryBody } from './memoryEntries';

const read = (verdict: 'alike' | 'differ' | 'nothing-there'): MemoryEntryBody => ({
  kind: 'read',
  dumpId: 'd',
  otherId: null,
  verdict,
  differing_bytes: 0,
  says: '',
  socket: 'dip8',
  simulated: true,
});

describe('contents of a part', () => {
  it('are the only copy until they were read twice alike, and none where somebody says so', () => {
    expect(contentsOf([])).toBe('none');
    const holds: MemoryEntryBody = { kind: 'told', holds: true };
    expect(contentsOf([holds])).toBe('only-copy');
    expect(contentsOf([holds, read('differ')])).toBe('only-copy');
    expect(contentsOf([holds, read('nothing-there')])).toBe('only-copy');
    expect(contentsOf([holds, read('differ'), read('alike')])).toBe('kept');
    expect(contentsOf([read('differ')])).toBe('only-copy');
    expect(contentsOf([holds, { kind: 'told', holds: false }])).toBe('none');
  });
});
