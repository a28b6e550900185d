import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { generate } from 'selfsigned';
import { expect, ready, test } from './bench';
import { graveOn } from './grave';
import { serve, stopped, type Served } from './servers';

/** A bench that others reach: people sign in, over TLS, and a lead signs what is a lead's. */

const folder = mkdtempSync(join(tmpdir(), 'ithermon-people-'));
const file = join(folder, 'people.db');
const env = { ...process.env, ITHERMON_DB: file };
let server: Served;

const people = (input: string, ...args: string[]) =>
  spawnSync(process.execPath, ['dist/cli.mjs', 'people', ...args], { env, input: `${input}\n` });

test.use({ ignoreHTTPSErrors: true });

test.beforeAll(async () => {
  const { cert, private: key } = await generate([{ name: 'commonName', value: 'localhost' }], {
    keySize: 2048,
  });
  writeFileSync(join(folder, 'cert.pem'), cert);
  writeFileSync(join(folder, 'key.pem'), key);
});
test.afterAll(async () => {
  await stopped(server);
  rmSync(folder, { recursive: true, force: true });
});

async function enters(page: Page, initials: string, passphrase: string): Promise<void> {
  await page.locator('form[data-ready]').waitFor();
  await page.getByLabel('Initials').fill(initials);
  await page.getByLabel('Passphrase').fill(passphrase);
  await page.keyboard.press('Enter');
}

test('an address that others reach does not start before a lead is there, and says how one gets there', () => {
  const refused = spawnSync(process.execPath, [
    'dist/serve.mjs',
    ...['--port', '0', '--host', '0.0.0.0', '--db', file, '--empty'],
  ]);
  expect(refused.status).toBe(1);
  expect(refused.stderr.toString().trim().split('\n')).toHaveLength(1);
  expect(refused.stderr.toString()).toMatch(/a lead among them: \.\/ithermon people add/);
  expect(people('too short', 'add', 'HL', 'Lead', 'lead').stderr.toString()).toMatch(
    /at least 10 characters/,
  );
  expect(people('tall ships in fog', 'add', 'HL', 'Lead', 'boss').status).toBe(2);
  expect(people('tall ships in fog', 'add', 'HL', 'Lead of the bench', 'lead').status).toBe(0);
  expect(people('', 'list').stdout.toString()).not.toMatch(/argon|hash|ships/i);
});

test('over TLS: the door, a technician’s day, a lead’s signature, a viewer, and the way out', async ({
  page,
  quiet,
  browser,
}) => {
  server = await serve(
    ...['--port', '0', '--db', file, '--empty', '--sign-in'],
    ...['--cert', join(folder, 'cert.pem'), '--key', join(folder, 'key.pem')],
  );
  const at = (path: string): string => new URL(path, server.url).href;
  expect(server.url).toMatch(/^https:/);
  quiet.allow(/40[13]/);

  // Nobody sees anything before the door, and an endpoint says so in its own form.
  expect((await page.request.get(at('/api/clocks'))).status()).toBe(401);
  await page.goto(at('/rig'));
  await expect(page).toHaveURL(/sign-in\?next=%2Frig/);
  await expect(page.getByText('Running clocks')).toHaveCount(0);
  expect(await graveOn(page), 'sign-in').toEqual([]);
  await enters(page, 'HL', 'not the right one');
  await expect(page.getByRole('alert')).toContainText('do not open; try again');
  await enters(page, 'HL', 'tall ships in fog');
  await expect(page).toHaveURL(at('/rig'));
  const [cookie] = (await page.context().cookies()).filter(({ name }) => name === 'ithermon_session');
  expect(cookie).toMatchObject({ httpOnly: true, secure: true, sameSite: 'Lax' });

  // The lead lets two others in.
  await page.goto(at('/people'));
  await ready(page);
  expect(await graveOn(page), 'people').toEqual([]);
  for (const [initials, role] of [
    ['MK', 'technician'],
    ['VV', 'viewer'],
  ] as const) {
    await page.getByRole('button', { name: 'Add somebody' }).click();
    await page.getByLabel('Initials').fill(initials);
    await page.getByLabel('Name').fill(`Somebody called ${initials}`);
    await page.getByRole('radio', { name: role }).check();
    await page.getByLabel('Passphrase to begin with').fill(`begins with ${initials}`);
    await page.getByRole('button', { name: 'Add', exact: true }).click();
    await expect(page.getByRole('listitem').filter({ hasText: initials })).toContainText(role);
  }
  await page.goto(at('/account'));
  await ready(page);
  expect(await graveOn(page), 'account').toEqual([]);
  await page.getByRole('button', { name: 'Sign out here' }).click();
  await page.waitForURL(/sign-in/);

  // A technician signs with their own initials, whatever a request says, and cannot hand a board back alone.
  await enters(page, 'MK', 'begins with MK');
  await expect(page).toHaveURL(server.url);
  const board = await page.request.post(at('/api/boards'), {
    data: { name: 'Signed', owner: 'MK', fault: 'dead', construction: BOARD },
  });
  const { id } = (await board.json()) as { id: string };
  const told = await page.request.post(at(`/api/boards/${id}/entries`), {
    data: {
      clientId: 'as-another',
      by: 'HL',
      body: { kind: 'tested', how: 'ran for an hour', passed: true },
    },
  });
  expect(told.status()).toBe(201);
  await page.goto(at(`/boards/${id}`));
  await ready(page);
  await page.keyboard.press('h');
  const dialog = page.getByRole('dialog', { name: 'Hand the board back' });
  await dialog.getByRole('radio', { name: /fixed/i }).first().check();
  await dialog.getByRole('button', { name: /Hand the board back/ }).click();
  const lead = page.getByRole('dialog', { name: 'A lead signs this' });
  await lead.getByLabel('Initials').fill('MK');
  await lead.getByLabel('Passphrase').fill('begins with MK');
  await lead.getByRole('button', { name: 'Sign it' }).click();
  await expect(lead.getByRole('alert')).toContainText('MK is no lead');
  await lead.getByLabel('Initials').fill('HL');
  await lead.getByLabel('Passphrase').fill('tall ships in fog');
  await lead.getByRole('button', { name: 'Sign it' }).click();
  await expect(page.getByText(/Handed back: .* signed by HL/)).toBeVisible();
  const entries = await (await page.request.get(at(`/api/boards/${id}/entries`))).text();
  expect(entries).toContain('"by":"MK"');
  expect(entries).not.toContain('"by":"HL"');
  expect((await page.request.get(at('/people'), { maxRedirects: 0 })).status()).toBe(302);

  // A viewer reads and writes nothing.
  const other = await browser.newContext({ ignoreHTTPSErrors: true });
  const viewer = await other.newPage();
  await viewer.goto(at(`/boards/${id}`));
  await enters(viewer, 'VV', 'begins with VV');
  await expect(viewer.getByRole('heading', { level: 1 })).toContainText('Signed');
  const written = await other.request.post(at('/api/boards'), { data: {} });
  expect([written.status(), await written.text()]).toEqual([
    403,
    expect.stringContaining('VV is here as viewer'),
  ]);
  // However an address is spelt, it is the same door.
  for (const path of ['/api/%62oards', '/api//boards', '/api/boards/', '/api/%70eople']) {
    const spelt = await other.request.post(at(path), { data: {} });
    expect([403, 404], path).toContain(spelt.status());
  }
  for (const path of ['/%70eople', '/people//', '/people/'])
    expect(await (await other.request.get(at(path))).text(), path).not.toContain('Somebody called MK');

  // Many at once, each stays who they are.
  const notes = await Promise.all(
    Array.from({ length: 40 }, (_, i) => {
      const who = i % 2 === 0 ? page.request : other.request;
      const body = { kind: 'reopened', reason: `asked ${i}` };
      const data = { clientId: `at-once-${i}`, by: 'HL', body };
      return who.post(at(`/api/boards/${id}/entries`), { data });
    }),
  );
  notes.forEach((answer, i) =>
    expect(answer.status() === 403, `asked ${i}: ${answer.status()}`).toBe(i % 2 === 1),
  );
  expect(await (await page.request.get(at(`/api/boards/${id}/entries`))).text()).not.toContain('"by":"VV"');
  // Signed out everywhere from one place, it is signed out at the other.
  await page.context().clearCookies();
  await page.goto(at('/account'));
  await enters(page, 'VV', 'begins with VV');
  await ready(page);
  await page.getByRole('button', { name: 'Sign out everywhere' }).click();
  await page.waitForURL(/sign-in/);
  expect((await other.request.get(at('/api/clocks'))).status()).toBe(401);
  await other.close();
});

const BOARD = {
  length_mm: 100,
  width_mm: 80,
  thickness_mm: 1.6,
  laminate: 'fr4-standard',
  copperLayers: [{ weight_oz: 1, coverage: 0.3 }],
};
