import { readdirSync, readFileSync } from 'node:fs';
import { dirname, join, relative, resolve } from 'node:path';
import { describe, expect, it } from 'vitest';

/**
 * Imports point one way: core ← schema ← formats, workers, server, cli; islands and ui import core,
 * schema and workers/client (with its message types) only.
 */
const ALLOWED: Readonly<Record<string, readonly string[]>> = {
  core: ['core'],
  schema: ['core', 'schema'],
  formats: ['core', 'schema', 'formats'],
  server: ['core', 'schema', 'formats', 'workers', 'server'],
  workers: ['core', 'schema', 'formats', 'workers'],
  cli: ['core', 'schema', 'formats', 'server', 'cli'],
  ui: ['core', 'schema', 'ui'],
  islands: ['core', 'schema', 'ui', 'islands', 'workers'],
  layouts: ['ui', 'islands', 'server', 'layouts'],
  pages: ['core', 'schema', 'server', 'islands', 'layouts', 'ui'],
};

const PURE = ['react', 'astro', 'drizzle-orm', 'better-sqlite3', 'node:', 'zod', 'nanostores'];

const SOURCE = resolve('src');
const files = readdirSync(SOURCE, { recursive: true, encoding: 'utf8' })
  .filter((name) => /\.(ts|tsx|astro)$/.test(name) && !/\.(test|d)\.tsx?$/.test(name))
  .map((name) => join(SOURCE, name));

function importsOf(file: string): string[] {
  const text = readFileSync(file, 'utf8');
  return [...text.matchAll(/(?:from|import)\s*\(?\s*'([^']+)'/g)].map((m) => m[1]!);
}

const folderOf = (file: string): string => relative(SOURCE, file).split('/')[0]!;

function targetOf(file: string, name: string): string | null {
  if (name.startsWith('~/')) return name.slice(2).split('/')[0]!;
  if (name.startsWith('.')) return folderOf(resolve(dirname(file), name));
  return null;
}

/** Every module that a file loads when it runs: types alone load nothing. */
function loadedBy(entry: string): Set<string> {
  const seen = new Set<string>();
  const waiting = [entry];
  for (let file = waiting.pop(); file !== undefined; file = waiting.pop()) {
    if (seen.has(file)) continue;
    seen.add(file);
    const text = readFileSync(file, 'utf8');
    for (const [, name] of text.matchAll(/^(?:import|export) (?!type )(?:[^;]*? from )?'([^']+)';/gm)) {
      if (!/^[.~]/.test(name!)) seen.add(name!);
      else {
        const base = name!.startsWith('~/') ? join(SOURCE, name!.slice(2)) : resolve(dirname(file), name!);
        const found = [`${base}.ts`, `${base}.tsx`, join(base, 'index.ts')].find((f) => files.includes(f));
        if (!found) throw new Error(`${file} loads ${name}, which is not there`);
        waiting.push(found);
      }
    }
  }
  return seen;
}

describe('imports', () => {
  it('follow the architecture’s directions', () => {
    const wrong: string[] = [];
    for (const file of files) {
      const from = folderOf(file);
      const allowed = ALLOWED[from];
      for (const name of importsOf(file)) {
        const to = targetOf(file, name);
        if (allowed && to !== null && !allowed.includes(to))
          wrong.push(`${relative(SOURCE, file)} → ${name}`);
        if (from === 'islands' && to === 'workers' && !/workers\/(client|protocol)$/.test(name)) {
          wrong.push(`${relative(SOURCE, file)} → ${name}`);
        }
      }
    }
    expect(wrong).toEqual([]);
  });

  it('keep the core pure: no interface, database or platform in it', () => {
    const wrong = files
      .filter((file) => folderOf(file) === 'core')
      .flatMap((file) =>
        importsOf(file)
          .filter((name) => PURE.some((p) => name.startsWith(p)))
          .map((name) => `${file}: ${name}`),
      );
    expect(wrong).toEqual([]);
  });

  it('leave schemas, tables and file formats out of the threads that compute: loading them would delay the first answer', () => {
    const entries = [
      'server/plans/planner/plan.thread.ts',
      'server/plans/planner/piece.thread.ts',
      'workers/heat.worker.ts',
    ];
    for (const entry of entries) {
      const seen = loadedBy(join(SOURCE, entry));
      expect(seen.size).toBeGreaterThan(40);
      expect([...seen].filter((name) => /^(zod|drizzle-orm|papaparse)/.test(name))).toEqual([]);
      expect([...seen].filter((name) => name.startsWith(join(SOURCE, 'formats')))).toEqual([]);
    }
  });

  it('keep the core free of clocks and chance of its own', () => {
    const wrong = files.filter(
      (file) =>
        folderOf(file) === 'core' &&
        /\b(Date\.now|new Date|Math\.random|performance\.now|setTimeout)\b/.test(readFileSync(file, 'utf8')),
    );
    expect(wrong).toEqual([]);
  });
});
