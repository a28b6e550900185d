import type { Page } from '@playwright/test';
import { expect, ready, solved, test } from './bench';
import { SIZES } from './sizes';

/** What every sheet keeps, whatever it shows: whose board it is, a way back, its main act near, letters that can be read. */

/** Sheets of one part or board, with what their heading must name. */
const SHEETS: readonly (readonly [path: string, part: string, board: string])[] = [
  ['/boards/demo-beacon-4', '', 'Beacon driver 4'],
  ['/sites/demo-beacon-4-C7/plan', 'C7', 'Beacon driver 4'],
  ['/sites/demo-beacon-4-U7/air', 'U7', 'Beacon driver 4'],
  ['/sites/demo-projector-m2-U12/check', 'U12', 'Star projector, motor board 2'],
  ['/sites/demo-beacon-4-C7/edit', 'C7', 'Beacon driver 4'],
  ['/jobs/demo-job-wind', 'C5', 'Wind logger 2'],
  ['/jobs/demo-job-tide/plan', 'C4', 'Tide logger 1'],
  ['/boards/demo-beacon-4/place', '', 'Beacon driver 4'],
  ['/boards/demo-beacon-4/photos', '', 'Beacon driver 4'],
  ['/boards/demo-beacon-4/import', '', 'Beacon driver 4'],
  ['/boards/demo-beacon-4/edit', '', 'Beacon driver 4'],
  ['/boards/demo-beacon-4/label', '', 'Beacon driver 4'],
  ['/boards/demo-projector-m2/recap', '', 'Star projector, motor board 2'],
];

test('board and part stand in the heading at every width, and one key leads to the board', async ({
  page,
}) => {
  test.setTimeout(180_000);
  for (const [path, part, board] of SHEETS) {
    await page.goto(path);
    await ready(page);
    const heading = page.getByRole('heading', { level: 1 });
    for (const [width, height] of SIZES) {
      await page.setViewportSize({ width, height });
      await expect(heading, `${path} at ${width}`).toContainText(board);
      await expect(heading, `${path} at ${width}`).toContainText(part);
      const cut = await heading.evaluate((h) => h.scrollWidth > h.clientWidth + 1);
      expect(cut, `${path} at ${width}`).toBe(false);
    }
    await page.setViewportSize({ width: 1280, height: 800 });
    if (path === '/boards/demo-beacon-4') continue;
    await page.locator('[data-ready].station').waitFor();
    // Out of whatever is typed in first, as on any screen.
    await page.keyboard.press('Escape');
    await page.keyboard.press('Backspace');
    await page.waitForURL(/\/boards\/[^/]+$/);
    if (part) expect(page.url()).toContain(`site=`);
  }
});

test('the face has half of the sheet that is in view', async ({ page }) => {
  await page.goto('/boards/demo-beacon-4');
  await ready(page);
  const face = (await page.getByRole('group', { name: /top face/ }).boundingBox())!;
  const rail = (await page.getByRole('complementary', { name: 'Running clocks' }).boundingBox())!;
  const sheet = (await page.getByRole('main').boundingBox())!;
  const inView = (rail.y - sheet.y) * sheet.width;
  expect((face.width * (Math.min(rail.y, face.y + face.height) - face.y)) / inView).toBeGreaterThan(0.5);
});

/** Letters of a drawing as they are on the screen, px. */
const letters = (page: Page): Promise<number[]> =>
  page.locator('svg[role="listbox"] text').evaluateAll((all) =>
    all.map((text) => {
      const scale = (text as SVGTextElement).getScreenCTM()!.a;
      return Number(text.getAttribute('font-size')) * scale;
    }),
  );

test('no letter of a land drawing is under twelve pixels, on any width', async ({ page }) => {
  for (const path of [
    '/sites/demo-beacon-4-U7/plan',
    '/sites/demo-beacon-4-U7/air',
    '/sites/demo-beacon-4-C7/plan',
  ]) {
    await page.goto(path);
    await ready(page);
    for (const [width, height] of SIZES) {
      await page.setViewportSize({ width, height });
      await expect
        .poll(async () => Math.min(...(await letters(page))), { message: `${path} at ${width}` })
        .toBeGreaterThan(11.5);
    }
  }
});

test('running a job: what is pressed is 64 px, and clock and main act are in view enlarged twice', async ({
  page,
}) => {
  await page.goto('/jobs/demo-job-wind');
  await ready(page);
  const small = await page
    .locator('main')
    .evaluate((main) =>
      [...main.querySelectorAll('button')]
        .filter((b) => b.getBoundingClientRect().height > 0 && b.getBoundingClientRect().height < 63.5)
        .map((b) => `${b.textContent} ${b.getBoundingClientRect().height}`),
    );
  expect(small).toEqual([]);
  await page.setViewportSize({ width: 640, height: 400 });
  const rail = (await page.getByRole('complementary', { name: 'Running clocks' }).boundingBox())!;
  // While its clock runs the main act is to end it early.
  const act = page.getByRole('button', { name: /^(Done|End it early)/ });
  for (const seen of [page.getByRole('timer').first(), act]) {
    const box = (await seen.boundingBox())!;
    expect(box.y + box.height).toBeLessThanOrEqual(rail.y + 1);
  }
});

/** Where the main act is: its words, and the sheet it is on. */
const MAIN_ACTS: readonly (readonly [path: string, act: RegExp])[] = [
  ['/', /Book in a board/],
  ['/boards/demo-beacon-4', /^Plan/],
  ['/sites/demo-tide-1-C4/plan', /Accept and run/],
  ['/sites/demo-beacon-4-U7/air', /Back to the plan/],
  ['/boards/new', /Book it in/],
  ['/boards/demo-beacon-4/place', /^Place it/],
  ['/sites/demo-beacon-4-C7/edit', /Write the correction/],
  ['/boards/demo-projector-m2/recap', /Begin|Go on/],
  ['/jobs/demo-job-wind', /^Done/],
  ['/boards/demo-beacon-4/photos', /Add photos/],
  ['/boards/demo-beacon-4/import', /Choose files/],
  ['/boards/demo-beacon-4/label', /^Print/],
  ['/rig', /Add a tool/],
];

test('the main act of every sheet is one key away, and its cap says which', async ({ page }) => {
  test.setTimeout(120_000);
  for (const [path, act] of MAIN_ACTS) {
    await page.goto(path);
    await ready(page);
    if (path.endsWith('/plan')) await solved(page);
    const main = page.getByRole('main');
    const button = main
      .getByRole('button', { name: act })
      .or(main.getByRole('link', { name: act }))
      .first();
    await expect(button, path).toBeVisible({ timeout: 60_000 });
    await expect(button.locator('kbd'), path).not.toHaveCount(0);
  }
});

test('a checklist never gives the focus to what is out of sight', async ({ page }) => {
  await page.goto('/sites/demo-projector-m2-U12/check');
  await ready(page);
  for (let i = 0; i < 14; i++) {
    await page.keyboard.press('Tab');
    const hidden = await page.evaluate(() => {
      const at = document.activeElement;
      if (!at || at === document.body) return '';
      const { left, top, width, height } = at.getBoundingClientRect();
      const inside = left + width > 0 && top + height > 0 && left < innerWidth && top < innerHeight;
      return inside ? '' : at.outerHTML.slice(0, 120);
    });
    expect(hidden).toBe('');
  }
});

test('a dialog shows its way out, chooses nothing, and gives the focus back', async ({ page }) => {
  await page.goto('/jobs/demo-job-wind');
  await ready(page);
  const opens = page.getByRole('button', { name: /Close the job/ });
  await opens.click();
  const dialog = page.getByRole('dialog', { name: 'Close the job' });
  await expect(dialog.getByRole('radio', { checked: true })).toHaveCount(0);
  await expect(dialog.getByRole('button', { name: 'Choose an outcome' })).toBeDisabled();
  await dialog.getByRole('button', { name: /Back to the job/ }).click();
  await expect(dialog).toHaveCount(0);
  await expect(opens).toBeFocused();
});

test('help fits the screen', async ({ page }) => {
  await page.goto('/boards/demo-beacon-4');
  await ready(page);
  await page.locator('[data-ready].station').waitFor();
  await page.keyboard.press('?');
  const box = (await page.getByRole('dialog', { name: 'Keys' }).boundingBox())!;
  expect(box.y).toBeGreaterThanOrEqual(0);
  expect(box.y + box.height).toBeLessThanOrEqual(800);
});
