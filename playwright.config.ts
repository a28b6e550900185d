import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { defineConfig } from '@playwright/test';
import { CHROMIUM } from './scripts/browser.mjs';
import { portOf, WORKERS } from './tests/e2e/workers';

// Workers load this file again; they must see the folder that the first load made.
const folder = (process.env['ITHERMON_E2E'] ??= mkdtempSync(join(tmpdir(), 'ithermon-e2e-')));

export default defineConfig({
  testDir: 'tests/e2e',
  timeout: 90_000,
  expect: { timeout: 20_000 },
  // Each worker has a bench computer of its own: what one test does to the demo boards no other one sees.
  workers: WORKERS,
  reporter: [['list']],
  outputDir: join(folder, 'results'),
  use: {
    viewport: { width: 1280, height: 800 },
    launchOptions: CHROMIUM,
  },
  webServer: Array.from({ length: WORKERS }, (_, i) => ({
    command: `node dist/serve.mjs --port ${portOf(i)} --db ${join(folder, `e2e-${i}.db`)}`,
    url: `http://127.0.0.1:${portOf(i)}/api/clocks`,
    timeout: 240_000,
    reuseExistingServer: false,
  })),
});
