import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { defineConfig } from '@playwright/test';
import { CHROMIUM } from './scripts/browser.mjs';

const port = 4629;
// Workers load this file again; they must see the folder that the first load made.
const folder = (process.env['ITHERMON_E2E'] ??= mkdtempSync(join(tmpdir(), 'ithermon-e2e-')));

export default defineConfig({
  testDir: 'tests/e2e',
  timeout: 90_000,
  expect: { timeout: 20_000 },
  workers: 1,
  reporter: [['list']],
  outputDir: join(folder, 'results'),
  use: {
    baseURL: `http://127.0.0.1:${port}`,
    viewport: { width: 1280, height: 800 },
    launchOptions: CHROMIUM,
  },
  webServer: {
    command: `node dist/serve.mjs --port ${port} --db ${join(folder, 'e2e.db')}`,
    url: `http://127.0.0.1:${port}/api/clocks`,
    timeout: 120_000,
    reuseExistingServer: false,
  },
});
