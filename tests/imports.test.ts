import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';

/** What a rule on imports cannot see; those are in .dependency-cruiser.cjs and run by `npm run guards`. */
const core = readdirSync('src/core', { recursive: true, encoding: 'utf8' })
  .filter((name) => name.endsWith('.ts') && !name.endsWith('.test.ts'))
  .map((name) => join('src/core', name));

describe('the core', () => {
  it('has no clock and no chance of its own', () => {
    expect(core.length).toBeGreaterThan(100);
    const own = /\b(Date\.now|new Date|Math\.random|performance\.now|setTimeout)\b/;
    expect(core.filter((file) => own.test(readFileSync(file, 'utf8')))).toEqual([]);
  });
});
