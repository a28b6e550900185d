import type { Page } from '@playwright/test';
import { carry, closeAs, ledger, openBoardPage, planned, step, work, wholeLedger } from './carry';
import {
  accepted,
  expect,
  ownBoard,
  placeCapacitor,
  ready,
  saved,
  signIn,
  solved,
  takeWay,
  test,
} from './bench';

/** The record says afterwards exactly what is on the board: jobs carried through by keys, and the ledger read. */

test('two capacitors replaced, a land lifted, re-bonded and verified, the board handed back', async ({
  page,
  baseURL,
}) => {
  test.setTimeout(240_000);
  await signIn(page, baseURL!);
  const boardId = await ownBoard(page, 'Two capacitors');
  const c1 = await placeCapacitor(page, boardId, 'C1', 30);
  const c2 = await placeCapacitor(page, boardId, 'C2', 70);

  await planned(page, c1, 'replace');
  await carry(page, /^Inspect before anything hides it/, { melts: true });
  await page.keyboard.press('q');
  for (const key of ['2', 'l']) await page.keyboard.press(key);
  await expect(page.getByRole('option', { name: /^Pin 2.*Lifted/ })).toBeVisible();
  await page.keyboard.press('Escape');
  // Out of the marking mode a letter records nothing.
  await page.keyboard.press('t');
  await carry(page, /^Close the job/, { melts: true });
  await closeAs(page, 'fixed');

  // The last job alone does not make a board ready: its land is lifted, and nothing was tested.
  await openBoardPage(page, boardId);
  await expect(work(page)).toContainText('C1 pin 2: lifted, still attached');
  await expect(work(page)).toContainText('Not tested since it was last heated');
  await expect(page.getByText('no estimate holds for what is left there')).toBeVisible();
  await page.keyboard.press('h');
  const dialog = page.getByRole('dialog', { name: 'Hand the board back' });
  await expect(dialog).toContainText('C1 pin 2: lifted, still attached');
  await expect(dialog.getByRole('button', { name: 'Hand the board back' })).toBeDisabled();
  await page.keyboard.press('Escape');

  // Re-bonded: claimed twice, then read by meter.
  await page.keyboard.press('q');
  for (const key of ['2', 'r', 'r']) await page.keyboard.press(key);
  await expect(page.getByRole('option', { name: /^Pin 2.*Repaired/ })).toBeVisible();
  await expect(work(page)).toContainText('C1 pin 2: repaired, not read by meter since');
  await work(page).getByRole('link', { name: 'Continuity' }).click();
  await page.waitForURL('**/check');
  await ready(page);
  for (const reading of ['0.2', 'OL', '0.1']) {
    await page.getByLabel('Meter reads').fill(reading);
    await page.keyboard.press('Enter');
  }
  await expect(page.getByText('3 of 3 read: 3 good')).toBeVisible();

  await planned(page, c2, 'replace');
  await carry(page, /^Close the job/, { melts: true });
  await closeAs(page, 'fixed');
  await openBoardPage(page, boardId);
  await expect(work(page).getByRole('listitem')).toHaveCount(1);
  await work(page).getByRole('button', { name: 'It was tested' }).click();
  await page.getByRole('radio', { name: 'every time', exact: true }).check();
  await page.getByLabel(/^How: bare or closed up/).fill('Bare and in its case, ten times');
  await page.getByRole('button', { name: 'The board was tested' }).click();
  await expect(work(page)).toHaveCount(0);
  await expect(page.getByText('Hand it back').first()).toBeVisible();
  await page.keyboard.press('h');
  await page.getByRole('radio', { name: 'fixed', exact: true }).check();
  await page.getByRole('button', { name: 'Hand the board back' }).click();
  await expect(page.getByText(/^Closed .*: fixed/)).toBeVisible();
  await wholeLedger(page);
  for (const line of ['Handed back: fixed', 'Tested, worked every time', 'Pin 2: lifted', 'Pin 2: repaired'])
    await expect(ledger(page)).toContainText(line);
  await expect(ledger(page)).toContainText('Take the part out');
  await expect(ledger(page)).toContainText(/Let it dry and cool\. Clock ended with \d+ min/);
});

test('a memory off, kept overnight, refitted: the board knows where it lies and plans its fit', async ({
  page,
  baseURL,
}) => {
  test.setTimeout(240_000);
  await signIn(page, baseURL!);
  const boardId = await ownBoard(page, 'Memory');
  const made = await page.request.post(`/api/boards/${boardId}/sites`, {
    data: {
      ref: 'U1',
      value: 'memory',
      side: 'top',
      x_mm: 50,
      y_mm: 40,
      alloy: 'sn60pb40',
      package: {
        family: 'dip',
        pins: 8,
        pitch_mm: 2.54,
        rowSpacing_mm: 7.62,
        leadDiameter_mm: 0.5,
        holeDiameter_mm: 0.9,
      },
      pads: Array.from({ length: 8 }, (_, i) => ({
        name: String(i + 1),
        net: `N${i + 1}`,
        connections: [{ kind: 'track', width_mm: 0.3 }],
      })),
    },
  });
  const { id: siteId } = (await made.json()) as { id: string };
  await planned(page, siteId, 'remove-keep-part');
  // Eight pins alike are one step with a counter.
  await carry(page, /^Clear pins 1 to 8/, { melts: true });
  await expect(step(page)).toContainText('1 of 8');
  await carry(page, /^Take the part out/, { melts: true });
  await page.getByLabel('Where it will lie').fill('tray 3');
  await page.getByLabel('Where it will lie').press('Escape');
  await carry(page, /^Close the job/, { melts: true });
  await closeAs(page, 'improved');

  await page.goto('/');
  await expect(page.getByRole('listitem').filter({ hasText: 'Memory' }).first()).toContainText('Fit U1');
  await openBoardPage(page, boardId);
  await expect(page.getByRole('button', { name: /^U1\b.*top side, off, kept/ })).toBeVisible();
  await expect(page.getByText('Off, kept: tray 3', { exact: true }).first()).toBeVisible();
  // The night after: the plan opens on fitting, and nothing is taken off twice.
  await page.keyboard.press('Enter');
  await page.waitForURL('**/plan**');
  await solved(page);
  await expect(page.getByLabel('Goal', { exact: true })).toHaveValue('fit');
  await expect(page.getByLabel('Goal', { exact: true }).locator('option')).not.toContainText(['Remove']);
  await page.getByRole('button', { name: /Accept and run/ }).click();
  await page.waitForURL('**/jobs/**');
  await ready(page);
  await saved(page);
  await carry(page, /^Close the job/, { melts: true });
  await closeAs(page, 'fixed');
  await openBoardPage(page, boardId);
  await expect(page.getByRole('button', { name: /^U1\b.*top side, fitted/ })).toBeVisible();
  await expect(await wholeLedger(page)).toContainText('Take the part out, lies in tray 3');
});

test('a part scrapped halfway: the board is parked for it, and goes on as it stood when it came', async ({
  page,
  baseURL,
}) => {
  test.setTimeout(240_000);
  await signIn(page, baseURL!);
  const boardId = await ownBoard(page, 'Half a job');
  const siteId = await placeCapacitor(page, boardId, 'C1', 50);
  await planned(page, siteId, 'replace');
  await carry(page, /pin 1$/, { melts: true });
  await carry(page, /pin 2$/, { melts: true });
  const jobId = page.url().split('/').at(-1)!;
  await closeAs(page, 'parked', [/What is awaited/, 'two cans, by post']);

  await openBoardPage(page, boardId);
  await expect(page.getByText('Parked for a part:', { exact: true }).first()).toBeVisible();
  await expect(page.getByRole('button', { name: /^C1\b.*top side, half off/ })).toBeVisible();
  await page.goto('/');
  await expect(page.getByRole('region', { name: 'Parked for parts' })).toContainText('Half a job');
  await openBoardPage(page, boardId);
  await page.keyboard.press('z');
  await expect(work(page)).toContainText('C1: half off: pin 1 free');
  await work(page).getByRole('link', { name: 'Its job' }).click();
  await page.waitForURL(`**/jobs/${jobId}`);
  await ready(page);
  await page.getByRole('button', { name: 'Go on with it' }).click();
  await expect(step(page).getByRole('heading', { level: 2 })).toHaveText(/pin 2$/);
  // Never lift what did not melt: the second pin was heated and its melt not seen.
  await carry(page, /^Take the part out/, { melts: false });
  await expect(step(page)).toContainText('Not seen molten: pin 2.');
  await page.keyboard.press('h');
  await expect(step(page).getByRole('heading', { level: 2 })).toHaveText(/pin 2$/);
  await carry(page, /^Take the part out/, { melts: true });
  await carry(page, /^Close the job/, { melts: true });
  await closeAs(page, 'fixed');
  await openBoardPage(page, boardId);
  await expect(page.getByRole('button', { name: /^C1\b.*top side, fitted/ })).toBeVisible();
  for (const line of ['Parked for a part: two cans, by post', 'Taken up again where it stood', 'Back to:'])
    await expect(ledger(page)).toContainText(line);
});

test('twenty capacitors as one run, with a stop after seven: the record says which, and what is left', async ({
  page,
  baseURL,
}) => {
  test.setTimeout(420_000);
  await signIn(page, baseURL!);
  const boardId = await ownBoard(page, 'Twenty');
  for (let i = 0; i < 20; i++)
    await placeCapacitor(page, boardId, `C${i + 1}`, 10 + 20 * (i % 5), 10 + 20 * Math.floor(i / 5));
  await page.goto(`/boards/${boardId}/recap`);
  await solved(page);
  await page.keyboard.press('a');
  const title = () => step(page).getByRole('heading', { level: 2 }).innerText();
  const titles: string[] = [];
  for (let part = 1; part <= 7; part++) {
    await page.waitForURL('**/jobs/**');
    await ready(page);
    await expect(step(page)).toContainText(`part ${part} of 20`);
    titles.push(await title());
    if (part === 2) {
      // Midway, and the page loaded anew: it stands where it stood.
      await carry(page, /^Clear pin 1/, { melts: true });
      await page.reload();
      await ready(page);
      expect(await title()).toMatch(/^Clear pin 1/);
    }
    await carry(page, /^On to C\d+, or stop here$/, { melts: true });
    if (part === 7) break;
    const here = page.url();
    await page.keyboard.press(' ');
    await page.waitForURL((url) => url.href !== here);
  }
  // The stations were set for the first part; every other begins with the part itself.
  expect(new Set(titles.slice(1))).toEqual(new Set(['Record orientation and marking']));
  const steps = page.getByRole('list', { name: 'Steps' });
  await expect(steps).not.toContainText('Set the station');

  // Stopped here, what was worked is cleaned and dried, all seven at once.
  await page.keyboard.press('w');
  await expect(step(page).getByRole('heading', { level: 2 })).toHaveText('Clean');
  await expect(step(page)).toContainText('All that was worked: C1,');
  await carry(page, /^Close the job/, { melts: true });
  await closeAs(page, 'fixed');

  await openBoardPage(page, boardId);
  await expect(work(page)).toContainText('Whole board: 7 of 20 done, C8 next');
  await expect(work(page)).toContainText('Not tested since it was last heated');
  await expect(work(page)).not.toContainText('Not cleaned');
  // Seven jobs are more lines than the page comes with.
  await ledger(page)
    .getByRole('button', { name: /^Show all \d+ lines$/ })
    .press('Enter');
  for (const ref of ['C1', 'C7']) await expect(ledger(page)).toContainText(ref);
  await page.goto('/');
  await expect(page.getByRole('listitem').filter({ hasText: 'Twenty' }).first()).toContainText(
    'Go on with the whole board: C8',
  );
  await page.goto(`/boards/${boardId}/recap`);
  await ready(page);
  await expect(page.getByText('7 of 20 done')).toBeVisible();
  await page.getByRole('link', { name: 'Sheet of what was done' }).click();
  await expect(page.getByRole('row', { name: /^C7, C7 ✓ fixed/ })).toBeVisible();
  await expect(page.getByRole('row', { name: /^C8, C8 ○ to do/ })).toBeVisible();
  const once = page.getByRole('table').nth(1);
  await expect(once.getByRole('row', { name: /^Set the station/ })).toHaveCount(2);
  await expect(once.getByRole('row', { name: /^Clean/ })).toHaveCount(1);
  await expect(once.getByRole('row', { name: /^Let it dry/ })).toHaveCount(1);

  // Gone on with: the bench was left, so its stations are set again.
  await page.goto(`/boards/${boardId}/recap`);
  await ready(page);
  await page.getByRole('button', { name: /^Go on with C8/ }).click();
  await page.waitForURL('**/jobs/**');
  await ready(page);
  await expect(step(page)).toContainText('C8, C8, part 8 of 20');
  await expect(steps).toContainText('Set the station');
});

test('a mis-pressed heat and a false finding are taken back, and stay in the record struck out', async ({
  page,
  baseURL,
}) => {
  test.setTimeout(150_000);
  await signIn(page, baseURL!);
  const boardId = await ownBoard(page, 'Mis-pressed');
  const siteId = await placeCapacitor(page, boardId, 'C1', 50);
  await accepted(page, siteId);
  await carry(page, /pin 1$/, { melts: true });
  await page.keyboard.press(' ');
  await page.waitForTimeout(400);
  await page.keyboard.press(' ');
  await saved(page);
  await page.keyboard.press('q');
  for (const key of ['1', 'f']) await page.keyboard.press(key);
  await expect(page.getByRole('option', { name: /^Pin 1.*mask damaged/i })).toBeVisible();
  await page.keyboard.press('Escape');
  for (const [entry, because] of [
    [/^\d.*Pin 1 heated/, 'the iron lay in its stand'],
    [/Found: pin 1 solder mask damaged/, 'a key by mistake'],
  ] as const) {
    await page.keyboard.press('g');
    await page.getByRole('radio', { name: entry }).check();
    await page.getByLabel('Because').fill(because);
    await page.getByRole('button', { name: 'Was not so' }).click();
    await expect(page.getByRole('dialog')).toHaveCount(0);
  }
  await saved(page);
  await expect(page.getByRole('option', { name: /^Pin 1.*Sound joint/ })).toBeVisible();
  await openBoardPage(page, boardId);
  await expect(ledger(page)).toContainText('Was not so: the heating of pin 1. the iron lay in its stand');
  await expect(ledger(page).locator('del')).toHaveCount(2);
  await expect(page.getByText('No heat recorded.').first()).toBeVisible();
});

/** A part of our own on its own board; the way it is taken is named where it is not the plan's. */
async function press(page: Page, data: object, goal: string, way: string, title: RegExp): Promise<number> {
  // Its label was read as it came in.
  const boardId = await ownBoard(page, 'Presses', {}, { asks_V: 12 });
  const made = await page.request.post(`/api/boards/${boardId}/sites`, { data });
  expect(made.ok(), await made.text()).toBe(true);
  const { id } = (await made.json()) as { id: string };
  await page.goto(`/sites/${id}/plan?goal=${goal}`);
  await solved(page);
  await takeWay(page, way);
  await page.getByRole('button', { name: /Accept and run/ }).click();
  await page.waitForURL('**/jobs/**');
  await ready(page);
  await saved(page);
  return carry(page, title, { melts: false });
}

const pins = (count: number) =>
  Array.from({ length: count }, (_, i) => ({
    name: String(i + 1),
    net: `N${i + 1}`,
    connections: [{ kind: 'track', width_mm: 0.25 }],
  }));
const at = { ref: 'U1', side: 'top', x_mm: 50, y_mm: 40, alloy: 'sn60pb40' };

test.describe('Space alone carries a whole job, with the presses a hand has', () => {
  test.beforeEach(async ({ page, baseURL }) => {
    test.setTimeout(240_000);
    await signIn(page, baseURL!);
  });

  test('a DIP-16 off in 45 at most', async ({ page }) => {
    const dip = {
      ...at,
      package: {
        family: 'dip',
        pins: 16,
        pitch_mm: 2.54,
        rowSpacing_mm: 7.62,
        leadDiameter_mm: 0.5,
        holeDiameter_mm: 0.9,
      },
      pads: pins(16),
    };
    expect(
      await press(page, dip, 'remove-keep-part', 'Desoldering gun', /^Clear the holes/),
    ).toBeLessThanOrEqual(45);
  });

  test('an SOJ-28 on in 30 at most', async ({ page }) => {
    const soj = { ...at, package: { family: 'soj', pins: 28 }, pads: pins(28) };
    expect(await press(page, soj, 'fit', 'Tack two corners', /^Close the job/)).toBeLessThanOrEqual(30);
  });

  test('a QFP-100 on in 40 at most', async ({ page }) => {
    const qfp = { ...at, package: { family: 'qfp', pins: 100, pitch_mm: 0.5 }, pads: pins(100) };
    expect(await press(page, qfp, 'fit', 'Tack two corners', /^Close the job/)).toBeLessThanOrEqual(40);
  });
});
