import { expect, ready, signIn, test } from './bench';

/** What a shop owner asks, each answered from the screen by keys and links alone. */
test('which way lifts fewest lands on old boards, since when bridges went up and why, and how the bands hold', async ({
  page,
}) => {
  await page.goto('/');
  await ready(page);
  await page.keyboard.press('%');
  await page.waitForURL('**/outcomes');
  await ready(page);

  // Boards older than twenty years of one layer: narrowed twice, and the address has it.
  await page.getByLabel('Narrow to').selectOption({ label: '30 years and over' });
  await page.waitForURL(/age=/);
  await ready(page);
  await page.getByLabel('Narrow to').selectOption({ label: 'one layer' });
  await page.waitForURL(/layers=1/);
  await ready(page);
  const rates = page.getByRole('region', { name: 'Lifted lands' });
  await expect(rates.getByText(/pump and braid, hole by hole: more than/)).toBeVisible();
  const row = rates.getByRole('row', { name: /pump and braid/ });
  const counted = await row.getByRole('link').nth(1).innerText();

  // Every number opens what it counts, and that opens the job.
  await row.getByRole('link').nth(1).click();
  await page.waitForURL('**/outcomes/jobs?**');
  const jobs = page.getByRole('region', { name: 'Jobs' }).getByRole('row');
  const harmed = Number(counted.split(' ')[0]);
  expect(await jobs.count()).toBeLessThanOrEqual(harmed + 1);
  expect(await jobs.count()).toBeGreaterThan(1);
  await expect(jobs.nth(1)).toContainText('lifted lands');
  await jobs.nth(1).getByRole('link').click();
  await page.waitForURL('**/jobs/sample-**');
  await page.goBack();
  await page.getByRole('link', { name: 'Back to the view' }).click();
  await ready(page);
  await expect(page).toHaveURL(/layers=1/);

  // All of it again; over time by its key.
  await page.keyboard.press('x');
  await page.waitForURL((url) => url.search === '');
  await ready(page);
  await page.keyboard.press('o');
  await page.waitForURL(/view=time/);
  await ready(page);
  await page.getByLabel('What went wrong').selectOption('bridged');
  await page.waitForURL(/harm=bridged/);
  await ready(page);
  await expect(page.getByRole('status')).toContainText(/Bridges have gone up since \d+ Sep 2026/);
  await expect(page.getByRole('status')).toContainText('conical 0.5 mm');
  await expect(page.getByRole('status')).toContainText(/melt 1\.\d times as late/);
  await page.reload();
  await ready(page);
  await expect(page.getByRole('status')).toContainText('Bridges have gone up');

  // How the bands hold, by tool; and a batch that comes back.
  await page.keyboard.press('f');
  await page.waitForURL(/view=held/);
  await ready(page);
  await page.getByLabel('Sorted by').selectOption('tool');
  await page.waitForURL(/sort=tool/);
  await ready(page);
  await expect(page.getByText(/conical 0.5 mm melts later than foretold/)).toBeVisible();
  await page.keyboard.press('c');
  await page.waitForURL(/view=causes/);
  await ready(page);
  await expect(page.getByRole('region', { name: 'Batches' }).getByRole('row').nth(1)).toContainText('Q2447');
});

test('jobs that are counted leave as a table that no spreadsheet takes for formulas', async ({ page }) => {
  const answer = await page.request.get('/api/outcomes/jobs.csv?with=bridged');
  expect(answer.status()).toBe(200);
  expect(answer.headers()['content-type']).toContain('text/csv');
  const [head, first] = (await answer.text()).split('\r\n');
  expect(head).toContain('job,board,site,closed');
  expect(first!.split(',').length).toBeGreaterThanOrEqual(head!.split(',').length);
});

test('the month stands on one sheet', async ({ page }) => {
  await page.goto('/outcomes/month?month=2026-10');
  await expect(page.getByRole('heading', { name: 'October 2026' })).toBeVisible();
  await expect(page.getByRole('row', { name: /Bridges/ })).toContainText(/Sep 2026/);
});

test('jobs of the last month are held against their gentlest, stopped at once and gone on with', async ({
  page,
  baseURL,
}) => {
  await signIn(page, baseURL!);
  await page.goto('/outcomes?view=heat');
  await ready(page);
  const section = page.getByRole('region', { name: 'What gentler settings would have saved' });
  await page.keyboard.press('e');
  await expect(section.getByText(/^[1-9]\d* of \d+$/)).toBeVisible({ timeout: 60_000 });
  await expect(section.getByText(/^So far, of \d+ jobs? /)).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(section.getByRole('button', { name: /^Go on, \d+ left/ })).toBeVisible();
  await expect(section.getByRole('progressbar')).toHaveCount(0);
  // What is known stays, and it goes on from there.
  await page.keyboard.press('e');
  await expect(section.getByRole('progressbar')).toBeVisible();
  await expect(section.getByText(/^So far, of \d+ jobs? /)).toBeVisible();
  await page.keyboard.press('Escape');
});
