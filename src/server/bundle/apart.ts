import { execFile } from 'node:child_process';
import { existsSync } from 'node:fs';
import { mkdtemp, readFile, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { dirname, join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { promisify } from 'node:util';
import type { Db } from '~/server/store/db';
import { exported } from './exported';

const run = promisify(execFile);

/** The command line beside the built server; none while it is being developed. */
function commandLine(): string | null {
  let at = dirname(fileURLToPath(import.meta.url));
  for (let up = 0; up < 5; up++, at = dirname(at)) {
    const file = resolve(at, 'cli.mjs');
    if (existsSync(file)) return file;
  }
  return null;
}

/**
 * A bundle made by a process of its own, which reads the same file: packing a workshop takes seconds, and pages are drawn
 * meanwhile. Where there is no command line it is made here.
 */
export async function exportedApart(db: Db, boardId: string | null): Promise<Uint8Array> {
  const command = commandLine();
  if (command === null) return exported(db, boardId);
  const folder = await mkdtemp(join(tmpdir(), 'ithermon-bundle-'));
  try {
    const file = join(folder, 'bundle.zip');
    const board = boardId === null ? [] : ['--board', boardId];
    await run(process.execPath, [command, 'export', file, ...board], {
      env: { ...process.env, ITHERMON_DB: db.$client.name },
    });
    return await readFile(file);
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}
