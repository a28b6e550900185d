import { describe, expect, it } from 'vitest';
import { Handed } from './handed';

const inPage = (json: string): void => {
  const script = { textContent: json };
  Object.assign(globalThis, {
    document: { getElementById: (key: string) => (key === 'handed' ? script : null) },
  });
};

describe('what a page hands to its island', () => {
  const props = { sheet: { note: 'ends </script><b>&amp; "quotes"', list: [1, null, { at_ms: 3 }] } };

  it('is the thing itself on the server, and its key is all that an attribute would hold', () => {
    const handed = new Handed(props);
    expect(Handed.read(handed)).toBe(props);
    expect(Object.entries(handed)).toEqual([['key', 'handed']]);
  });

  it('is read in the browser as it was written, and cannot end its element', () => {
    const handed = new Handed(props);
    expect(handed.json).not.toContain('<');
    inPage(handed.json);
    const revived = JSON.parse(JSON.stringify(handed)) as typeof handed;
    expect(Handed.read(revived)).toEqual(props);
  });
});
