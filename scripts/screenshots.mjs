// Takes the pictures in docs/screenshots from a fresh demo database.
import { spawn } from 'node:child_process';
import { mkdirSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium } from 'playwright-core';
import { CHROMIUM } from './browser.mjs';

const folder = mkdtempSync(join(tmpdir(), 'ithermon-shots-'));
const server = spawn(process.execPath, ['dist/serve.mjs', '--port', '0', '--db', join(folder, 'demo.db')]);
const base = await new Promise((resolve) => {
  let text = '';
  server.stdout.on('data', (data) => {
    text += data;
    const found = /(http:\S+)/.exec(text);
    if (found) resolve(found[1]);
  });
});
const browser = await chromium.launch(CHROMIUM);
mkdirSync('docs/screenshots', { recursive: true });

async function sheet({ theme = 'daylight', width = 1280, height = 800 } = {}) {
  const context = await browser.newContext({ viewport: { width, height } });
  await context.addCookies([
    { name: 'ithermon_theme', value: theme, url: base },
    { name: 'ithermon_by', value: 'MK', url: base },
  ]);
  return context.newPage();
}
const shoot = async (page, name) => {
  await page.waitForTimeout(600);
  await page.screenshot({ path: `docs/screenshots/${name}.png` });
};

/** Presses on to a step: stations read back, every melt seen, clocks ended early with the usual reason. */
async function upTo(page, title) {
  const step = page.getByRole('region', { name: 'This step' });
  for (let i = 0; i < 60; i++) {
    if (title.test(await step.getByRole('heading', { level: 2 }).innerText())) return;
    const charge = step.getByLabel(/Left over the reservoirs/);
    if ((await charge.count()) > 0) {
      await charge.fill('1');
      await step.getByLabel('Again a minute later, V').fill('2');
    }
    const field = step.getByLabel('Its display shows, °C');
    if ((await field.count()) > 0) {
      const planned = /(\d+) °C/.exec(await step.innerText())[1];
      if (await field.isEditable()) await field.fill(planned);
      else {
        // The simulated station says itself what it is set to: it is turned, as at a bench.
        const turned = { what: 'knob', id: 'setpoint', value: Number(planned) };
        const at = new URL('/api/instruments/iron-station/do', page.url()).href;
        await page.request.post(at, { data: turned });
        await page.waitForTimeout(2500);
      }
    }
    if ((await page.getByRole('button', { name: /^(Gun|Iron) off/ }).count()) > 0)
      await page.keyboard.press('m');
    await page.keyboard.press(' ');
    await page.waitForTimeout(400);
    if ((await page.getByRole('region', { name: 'Why it ends early' }).count()) > 0) {
      await page.keyboard.press('Enter');
      await page.waitForTimeout(400);
    }
  }
  throw new Error(`no step ${title}`);
}

try {
  const page = await sheet();
  await page.goto(base);
  await page.waitForSelector('main [data-ready]');
  await shoot(page, 'bench');
  await page.goto(`${base}boards/demo-projector-m2`);
  await page.waitForSelector('main [data-ready]');
  await shoot(page, 'board');
  await page.goto(`${base}sites/demo-projector-m2-U12/check`);
  await page.waitForSelector('main [data-ready]');
  for (let i = 0; i < 2; i++) await page.keyboard.press('ArrowDown');
  await page.keyboard.type('OL');
  await page.keyboard.press('Enter');
  await page.waitForSelector('section[aria-label="Repair"]');
  await shoot(page, 'continuity');
  await page.goto(`${base}boards/demo-projector-m2/photos`);
  await page.waitForSelector('main [data-ready]');
  await page.locator('ul button').first().click();
  await shoot(page, 'photos');
  await page.goto(`${base}boards/demo-beacon-4/place`);
  await page.waitForSelector('main [data-ready]');
  await shoot(page, 'place');

  const copperLayers = [0.3, 0.9, 0.9, 0.3].map((coverage) => ({ weight_oz: 1, coverage }));
  const blank = await page.request.post(`${base}api/boards`, {
    data: {
      name: 'Beacon driver 5',
      owner: 'HL',
      fault: 'no light',
      construction: {
        length_mm: 160,
        width_mm: 100,
        thickness_mm: 1.6,
        laminate: 'fr4-standard',
        copperLayers,
      },
    },
  });
  await page.goto(`${base}boards/${(await blank.json()).id}/import`);
  await page.waitForSelector('main [data-ready]');
  const beacon = 'samples/beacon-driver/beacon-driver';
  const ends = ['.ipc', '-top.gbr', '-bottom.gbr', '.drl', '-profile.gbr', '-places.csv'];
  // The drill file says inches and counts millimetres: the import is drawn with its doubt.
  const asWritten = (end) => readFileSync(`${beacon}${end}`, 'utf8').replace(/^METRIC/m, 'INCH');
  await page.setInputFiles(
    'input[type=file]',
    ends.map((end) => ({
      name: `beacon-driver${end}`,
      mimeType: 'text/plain',
      buffer: Buffer.from(end === '.drl' ? asWritten(end) : readFileSync(`${beacon}${end}`)),
    })),
  );
  await page.waitForSelector('[data-read]');
  await page.keyboard.press('ArrowDown');
  await shoot(page, 'import');

  await page.goto(`${base}outcomes?view=time&harm=bridged`);
  await page.waitForSelector('main [data-ready]');
  await page.waitForSelector('.js-plotly-plot .point');
  await shoot(page, 'outcomes');

  await page.goto(`${base}rig`);
  await page.waitForSelector('main [data-ready]');
  // What earlier jobs taught is fitted once the planner has time.
  const taught = page.getByRole('region', { name: 'What the jobs have taught' });
  await taught.evaluate((at) => at.scrollIntoView());
  await shoot(page, 'rig');
  await page.goto(`${base}parts?q=150`);
  await page.waitForSelector('main [data-ready]');
  await page.getByRole('button', { name: /A1/ }).first().click();
  await page.waitForSelector('h3');
  await shoot(page, 'parts');
  await page.goto(`${base}parts?site=demo-beacon-4-C7`);
  await page.waitForSelector('main [data-ready]');
  await page.getByLabel('What it does').selectOption('filter');
  await page.getByLabel('Voltage there, V').fill('24');
  await page.keyboard.press('Enter');
  await page.waitForSelector('details');
  await page.getByRole('heading', { name: 'In the drawers' }).evaluate((at) => at.scrollIntoView());
  await shoot(page, 'swap');
  await page.goto(`${base}boards/demo-dimmer-4/recap`);
  await page.waitForSelector('[data-solved]', { timeout: 60_000 });
  await shoot(page, 'whole-board');
  await page.keyboard.press('k');
  await page.getByText(/^Kept by/).waitFor();
  await page.waitForSelector('[data-ready][data-solved]');
  await page.keyboard.press('d');
  await page.waitForURL('**/kit');
  await page.waitForSelector('main [data-ready]');
  await shoot(page, 'kit');
  await page.goto(`${base}sites/demo-projector-m2-U21/memory`);
  await page.waitForSelector('main [data-ready]');
  await page.keyboard.press('c');
  await page.waitForSelector('figure');
  await page.getByRole('heading', { name: 'Contents that are kept' }).evaluate((at) => at.scrollIntoView());
  await shoot(page, 'contents');

  await page.goto(`${base}sites/demo-beacon-4-U7/air`);
  await page.waitForSelector('[data-solved]', { timeout: 60_000 });
  await page.waitForSelector('[data-drawn]', { timeout: 120_000 });
  await shoot(page, 'hot-air');

  await page.goto(`${base}sites/demo-beacon-4-C7/plan`);
  await page.waitForSelector('[data-searched][data-solved]', { timeout: 60_000 });
  await shoot(page, 'plan');
  await page.keyboard.press('a');
  await page.waitForURL('**/jobs/**');
  await page.waitForSelector('[data-unsent="0"][data-ready]');
  // Its site lies under the simulated tools: the station as planned, a thermocouple on the land.
  const turn = (what) => page.request.post(`${base}api/instruments/iron-station/do`, { data: what });
  await page.request.post(`${base}api/jobs/${page.url().split('/').pop()}/lay`, { data: {} });
  await upTo(page, /pin 1$/);
  const [, set] = /(\d+) °C ·/.exec(await page.locator('main').innerText());
  await turn({ what: 'knob', id: 'setpoint', value: Number(set) });
  await turn({ what: 'knob', id: 'on', value: '1' });
  await page.keyboard.press(' ');
  await page.waitForTimeout(900);
  await shoot(page, 'run');
  await turn({ what: 'knob', id: 'on', value: '' });
  await page.keyboard.press(' ');
  await page.waitForSelector('[data-unsent="0"][data-ready]');

  await page.waitForSelector('[data-unsent="0"][data-ready]');
  const running = page.url();
  await page.goto(`${base}stand-ins`);
  await page.waitForSelector('main [data-ready] section');
  await shoot(page, 'stand-ins');
  await page.goto(`${base}jobs/demo-job-door/plan`);
  await page.waitForSelector('main [data-ready]');
  await page.getByRole('heading', { name: 'Findings' }).evaluate((at) => at.scrollIntoView());
  await shoot(page, 'report');

  const tablet = await sheet({ theme: 'lamp-off', width: 820, height: 1180 });
  await tablet.goto(running);
  await tablet.waitForSelector('main [data-ready]');
  await shoot(tablet, 'run-tablet-lamp-off');
} finally {
  await browser.close();
  server.kill('SIGTERM');
  await new Promise((resolve) => server.on('exit', resolve));
  rmSync(folder, { recursive: true });
}
