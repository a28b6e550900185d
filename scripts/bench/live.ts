import { chromium, type CDPSession, type Page } from '@playwright/test';
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { CHROMIUM } from '../browser.mjs';
import { BOARD, CAPACITOR } from '../../tests/e2e/bench';

/**
 * What the live chart of a run costs the screen: share of one core that the page's main thread works, and frames that came
 * late, over so many seconds (default 600) with the simulated logger at its pace. It needs a build.
 */

const seconds = Number(process.argv[2] ?? 600);
const folder = mkdtempSync(join(tmpdir(), 'ithermon-live-'));
const server = spawn(process.execPath, [
  'dist/serve.mjs',
  '--port',
  '0',
  '--db',
  join(folder, 'l.db'),
  '--empty',
]);
const base = await new Promise<string>((resolve, reject) => {
  server.stdout.on('data', (data: Buffer) => {
    const found = /(http:\/\/[^/\s]+)/.exec(data.toString());
    if (found) resolve(found[1]!);
  });
  server.once('exit', (code) => reject(new Error(`the server ended with ${code}`)));
});
const browser = await chromium.launch(CHROMIUM);
try {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  await context.addCookies([{ name: 'ithermon_by', value: 'MK', url: base }]);
  const page = await context.newPage();
  await toWait(page);
  const cdp = await context.newCDPSession(page);
  await cdp.send('Performance.enable');
  await page.waitForTimeout(3000);
  const before = await workedBy(cdp);
  const frames = await page.evaluate(framesOver, seconds * 1000);
  const after = await workedBy(cdp);
  const share = (after.worked_s - before.worked_s) / (after.at_s - before.at_s);
  console.log(`live chart, ${seconds} s: ${(100 * share).toFixed(1)} % of one core (asked: below 30 %)`);
  console.log(
    `frames: ${frames.count}, ${frames.late} later than three frames' time, longest ${frames.longest_ms.toFixed(0)} ms`,
  );
} finally {
  await browser.close();
  server.removeAllListeners('exit');
  server.kill('SIGTERM');
  await new Promise((resolve) => server.once('exit', resolve));
  rmSync(folder, { recursive: true, force: true });
}

/** A job of its own under the tools, at its first wait: there its thermocouples are drawn all the time. */
async function toWait(page: Page): Promise<void> {
  const post = async (path: string, data: object): Promise<{ id: string; jobId: string }> =>
    (await (await page.request.post(`${base}${path}`, { data })).json()) as { id: string; jobId: string };
  const { id: boardId } = await post('/api/boards', BOARD);
  const { id } = await post(`/api/boards/${boardId}/sites`, { ...CAPACITOR, ref: 'C1', x_mm: 50, y_mm: 40 });
  await page.goto(`${base}/sites/${id}/plan?goal=reflow`);
  await page.locator('[data-solved]').waitFor({ timeout: 75_000 });
  await page.keyboard.press('a');
  await page.waitForURL('**/jobs/**');
  const jobId = /jobs\/([^/?]+)/.exec(page.url())![1]!;
  await post(`/api/jobs/${jobId}/lay`, {});
  const step = page.getByRole('region', { name: 'This step' });
  for (let i = 0; i < 20; i++) {
    if ((await page.getByRole('region', { name: 'Live temperatures' }).count()) > 0) return;
    const title = await step.getByRole('heading', { level: 2 }).innerText();
    const [, planned] = /(\d+) °C/.exec(await step.innerText()) ?? [];
    if (title === 'Set the station')
      await post('/api/instruments/iron-station/do', {
        what: 'knob',
        id: 'setpoint',
        value: Number(planned),
      });
    await page.waitForTimeout(600);
    await page.keyboard.press(title === 'Set the station' ? 'Enter' : 'Space');
    await page.waitForTimeout(400);
  }
  throw new Error('the job came to no step that draws temperatures');
}

async function workedBy(cdp: CDPSession): Promise<{ worked_s: number; at_s: number }> {
  const { metrics } = await cdp.send('Performance.getMetrics');
  const of = (name: string): number => metrics.find((m) => m.name === name)?.value ?? 0;
  return { worked_s: of('TaskDuration'), at_s: of('Timestamp') };
}

/** Counts frames in the page; one is late where another would have fitted before it twice over. */
function framesOver(for_ms: number): Promise<{ count: number; late: number; longest_ms: number }> {
  return new Promise((resolve) => {
    const began = performance.now();
    let [last, count, late, longest_ms] = [began, 0, 0, 0];
    const frame = (now: number): void => {
      const gap = now - last;
      last = now;
      count++;
      if (gap > 50) late++;
      longest_ms = Math.max(longest_ms, gap);
      if (now - began < for_ms) requestAnimationFrame(frame);
      else resolve({ count, late, longest_ms });
    };
    requestAnimationFrame(frame);
  });
}
