import { accepted, expect, ownSite, ready, saved, signIn, solved, test } from './bench';

test('the theme is turned by its key and stays after a reload', async ({ page }) => {
  await page.goto('/');
  await page.locator('[data-ready].station').waitFor();
  await page.keyboard.press('\\');
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'lamp-off');
  await page.reload();
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'lamp-off');
});

test('computing can be stopped, and goes on with the next change', async ({ page }) => {
  await page.goto('/sites/demo-beacon-4-C7/plan');
  await page.getByRole('button', { name: /Stop computing/ }).click();
  await expect(page.getByRole('button', { name: /Stop computing/ })).toHaveCount(0);
  // The answer may have been there first; what was stopped stays so until something changes.
  await page.waitForTimeout(500);
  await expect(page.getByRole('button', { name: /Stop computing/ })).toHaveCount(0);
  await page.getByRole('button', { name: /Hotter/ }).click();
  await solved(page);
  await expect(page.locator('[data-verdict]')).not.toBeEmpty();
});

test('bad input in a form is told at its field and nothing is lost', async ({ page }) => {
  await page.goto('/boards/new');
  await ready(page);
  await page.getByLabel('Name').fill('<img src=x onerror=alert(1)>');
  await page.getByLabel(/Owner/).fill('MK');
  await page.getByLabel('What is wrong with it').fill('nothing');
  await page.getByLabel('Length, mm').fill('160');
  await page.getByLabel('Width, mm').fill('100');
  for (let i = 0; i < 4; i++) await page.getByRole('button', { name: 'Remove layer 1' }).click();
  await page.getByRole('button', { name: 'Book it in' }).click();
  await expect(page.getByText(/a board needs copper: add one/)).toBeVisible();
  expect(await page.getByLabel('Name').inputValue()).toContain('<img');
  await page.getByRole('button', { name: 'Add a layer' }).click();
  await page.getByRole('button', { name: 'Book it in' }).click();
  await page.waitForURL('**/boards/brd_*');
  await ready(page);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('<img src=x onerror=alert(1)>');
  await expect(page.getByText('No part on this board yet')).toBeVisible();

  await page
    .getByRole('link', { name: /Add a part/ })
    .first()
    .click();
  await ready(page);
  await page.getByLabel('Reference').fill('C1');
  await page.getByLabel('Hole, mm').fill('0.4');
  await page.getByRole('button', { name: 'Place it', exact: true }).click();
  await expect(page.getByText(/no wider than the 0.6 mm lead/).first()).toBeVisible();
  await page.getByLabel('Hole, mm').fill('0.9');
  await page.getByRole('button', { name: 'Place it', exact: true }).click();
  await page.waitForURL(/boards\/brd_[^/]+$/);
  await expect(page.getByRole('heading', { name: /^C1/ })).toBeVisible();
});

test('a bridge asks for its other pad and names both', async ({ page, baseURL }) => {
  await signIn(page, baseURL!);
  const { boardId } = await ownSite(page, 'Bridge board');
  await page.goto(`/boards/${boardId}`);
  await ready(page);
  await page.getByRole('option', { name: /Pin 1/ }).click();
  await page.keyboard.press('q');
  await page.keyboard.press('b');
  await expect(page.getByText(/choose the other pad/)).toBeVisible();
  await page.getByRole('option', { name: /Pin 2/ }).click();
  await expect(page.getByRole('region', { name: 'Ledger' })).toContainText(
    'Pin 1: bridged with pin 2, as received',
  );
});

test('two screens on one job never overwrite each other', async ({ page, context, baseURL, quiet }) => {
  quiet.allow(/409/);
  await signIn(page, baseURL!);
  const { siteId } = await ownSite(page, 'Two screens');
  await accepted(page, siteId);
  const other = await context.newPage();
  await other.route('**/events', (route) =>
    route.request().method() === 'GET' ? route.abort() : route.continue(),
  );
  await other.goto(page.url());
  await ready(other);
  await expect(page.getByRole('heading', { name: 'Power off, cables off', level: 2 })).toBeVisible();
  await page.keyboard.press(' ');
  await saved(page);
  await expect(page.getByRole('heading', { name: /^Discharge C/, level: 2 })).toBeVisible();
  // The other screen has heard nothing of it and stands at the first step.
  await other.bringToFront();
  await expect(other.getByRole('heading', { name: 'Power off, cables off', level: 2 })).toBeVisible();
  await other.keyboard.press(' ');
  const aside = other.getByRole('region', { name: 'Not written' });
  await expect(aside).toContainText(/Done: Power off, cables off.*the job stands at step “?"?Discharge/);
  await expect(other.getByRole('heading', { name: /^Discharge C/, level: 2 })).toBeVisible();
  // Nothing is thrown away without a word: here it is let go of.
  await aside.getByRole('button', { name: 'Let it go' }).click();
  await expect(aside).toHaveCount(0);
  const answer = await page.request.get(`${page.url().replace('/jobs/', '/api/jobs/')}/events`);
  const { events } = (await answer.json()) as { events: { kind: string; stepId?: string }[] };
  expect(events.filter((e) => e.kind === 'step-done' && e.stepId === 'gate-power')).toHaveLength(1);
});

test('a press while the server is away is kept, shown and sent later', async ({ page, baseURL, quiet }) => {
  quiet.allow(/failed|ERR_/);
  await signIn(page, baseURL!);
  const { siteId } = await ownSite(page, 'Away');
  await accepted(page, siteId);
  await page.route('**/api/**', (route) => route.abort('connectionrefused'));
  await page.keyboard.press(' ');
  await expect(page.getByText(/Not saved yet/)).toBeVisible();
  await expect(page.getByRole('heading', { name: /^Discharge C/, level: 2 })).toBeVisible();
  await page.unroute('**/api/**');
  await saved(page);
  await page.reload();
  await expect(page.getByRole('heading', { name: /^Discharge C/, level: 2 })).toBeVisible();
});

test('two screens on one job agree within a second', async ({ page, context, baseURL }) => {
  await signIn(page, baseURL!);
  const { siteId } = await ownSite(page, 'Watched');
  await accepted(page, siteId);
  const other = await context.newPage();
  await other.goto(page.url());
  await ready(other);
  const title = (at: typeof page) =>
    at.getByRole('region', { name: 'This step' }).getByRole('heading', { level: 2 });
  // Both lines to the server are open before the first press is timed.
  await other.waitForTimeout(500);
  await page.keyboard.press(' ');
  await saved(page);
  const written = Date.now();
  await expect(title(other)).toHaveText(/^Discharge C/, { timeout: 15_000 });
  // A second, and what a busy machine takes to look: polling alone would take up to four.
  expect(Date.now() - written).toBeLessThan(2500);
});
