import Database from 'better-sqlite3';
import { expect, test } from './bench';
import { OwnServer } from './ownServer';

/** Rule broken: an unknown address and a fault answered "Internal server error" on a white page, by a stream that broke. */

test('an unknown address says so, on a sheet with ways on', async ({ page, quiet }) => {
  quiet.allow(/404/);
  const answer = await page.goto('/nowhere/at/all');
  expect(answer!.status()).toBe(404);
  await expect(page.getByRole('heading', { level: 1, name: 'No such page' })).toBeVisible();
  await page.getByRole('link', { name: 'All boards on the bench' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Bench' })).toBeVisible();
});

test('a board, site or job that is not there is named as what it is', async ({ page, quiet }) => {
  quiet.allow(/404/);
  for (const [address, title] of [
    ['/boards/none', 'No such board'],
    ['/sites/none/plan', 'No such site'],
    ['/jobs/none', 'No such job'],
  ] as const) {
    expect((await page.goto(address))!.status()).toBe(404);
    await expect(page.getByRole('heading', { level: 1, name: title })).toBeVisible();
  }
});

test('an endpoint that is not there answers in its own form', async ({ request }) => {
  const answer = await request.get('/api/nothing/here');
  expect(answer.status()).toBe(404);
  expect(await answer.json()).toMatchObject({ error: 'not-found' });
});

test('a page that breaks is answered whole, with a mark that the log has too', async ({ page, quiet }) => {
  quiet.allow(/500/);
  const server = new OwnServer();
  await server.start();
  try {
    // A row that no version of ours wrote.
    const db = new Database(server.file);
    db.prepare(
      "INSERT INTO boards (id, name, owner, fault, hazards, construction, waiting_for, created_at_ms) VALUES ('b', 'B', 'MK', 'x', '[]', '{}', 'you', 1)",
    ).run();
    db.close();
    const answer = await page.goto(`${server.base}/boards/b`);
    expect(answer!.status()).toBe(500);
    await expect(page.getByRole('heading', { name: 'This page could not be drawn' })).toBeVisible();
    const mark = /fault_\S+?(?=,)/.exec(await page.locator('ol').innerText())![0];
    expect(server.said).toContain(mark);
    // Other places go on.
    expect((await page.goto(`${server.base}/rig`))!.status()).toBe(200);
    await page.waitForLoadState('networkidle');
    // Its line to the instruments would be told of as broken with the server.
    await page.goto('about:blank');
  } finally {
    await server.end();
  }
});
