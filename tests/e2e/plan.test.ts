import type { Page } from '@playwright/test';
import { expect, ownBoard, ownSite, ready, saved, signIn, solved, takeWay, test, upTo } from './bench';

/** Puts a surface part on tracks; its identifier is given back. */
async function placeSurface(
  page: Page,
  boardId: string,
  ref: string,
  x_mm: number,
  package_: object,
  pads: number,
): Promise<string> {
  const site = await page.request.post(`/api/boards/${boardId}/sites`, {
    data: {
      ref,
      side: 'top',
      x_mm,
      y_mm: 40,
      alloy: 'sn60pb40',
      package: package_,
      pads: Array.from({ length: pads }, (_, i) => ({
        name: String(i + 1),
        connections: [{ kind: 'track', width_mm: 0.3, layers: [1] }],
      })),
    },
  });
  expect(site.ok(), await site.text()).toBe(true);
  return ((await site.json()) as { id: string }).id;
}

const figures = (page: Page) => page.getByRole('table', { name: 'What each joint costs' });

test('along the frontier by keys and by its schools, every figure following', async ({ page }) => {
  const { siteId } = await ownSite(page, 'Frontier');
  await page.goto(`/sites/${siteId}/plan`);
  await solved(page);
  const degrees = page.locator('output[for="setpoint"]');
  await page.keyboard.press('k');
  await solved(page);
  const [quick, quickFigures] = [await degrees.innerText(), await figures(page).innerText()];
  await page.keyboard.press('l');
  await solved(page);
  const [low, lowFigures] = [await degrees.innerText(), await figures(page).innerText()];
  expect(parseInt(low, 10)).toBeLessThan(parseInt(quick, 10));
  expect(lowFigures).not.toBe(quickFigures);
  // One point toward the quick end, and back again.
  await page.keyboard.press(']');
  await solved(page);
  expect(await figures(page).innerText()).not.toBe(lowFigures);
  await page.keyboard.press('[');
  await solved(page);
  expect(await figures(page).innerText()).toBe(lowFigures);
  await page.keyboard.press('c');
  await expect(page.locator('[data-verdict="clear"]')).toBeVisible();
});

test('every way stands in rank with its reasons, and a forbidden one stays in sight', async ({ page }) => {
  await page.goto('/sites/demo-door-7-U2/plan');
  await solved(page);
  const ways = page.getByRole('list', { name: 'Ways to do it' });
  await ways.getByRole('button', { name: /^Why: Iron, one lead at a time/ }).click();
  await expect(ways).toContainText(/16 pins must be free at the same time/);
  await ways.getByRole('button', { name: /^Why: Desoldering gun/ }).click();
  await expect(ways).toContainText(/of the worst pad’s budget/);
  await page.getByText('hard to get', { exact: true }).click();
  await solved(page);
  await expect(ways).toContainText('Desoldering gun');
});

test('a job of two halves: each half its own setting, and one list of steps', async ({ page, baseURL }) => {
  await signIn(page, baseURL!);
  const { siteId } = await ownSite(page, 'Replace');
  await page.goto(`/sites/${siteId}/plan`);
  await ready(page);
  await page.getByLabel('Goal', { exact: true }).selectOption('replace');
  await solved(page);
  await page.getByText('Put it on', { exact: true }).click();
  await expect(page.getByText('Iron, joint by joint').first()).toBeVisible();
  const steps = page.getByRole('region', { name: 'Steps and materials' });
  await expect(steps).toContainText('Read the marking back');
  await expect(steps).toContainText('Supply before first power');
  await page.getByRole('button', { name: /Accept and run/ }).click();
  await page.waitForURL('**/jobs/**');
  await ready(page);
  await upTo(page, /pin 1$/);
  await saved(page);
  await page.reload();
  await expect(page.getByRole('heading', { name: /pin 1$/, level: 2 })).toBeVisible();
});

test('nothing feasible: the limit that binds, and a remedy that was solved is set', async ({ page }) => {
  const boardId = await ownBoard(page, 'Too close');
  const siteId = await placeSurface(page, boardId, 'U1', 50, { family: 'qfn' }, 33);
  await placeSurface(page, boardId, 'R1', 58, { family: 'chip', code: '0603' }, 2);
  await page.goto(`/sites/${siteId}/plan`);
  await expect(page.getByText(/Nothing on this bench keeps every limit/)).toBeVisible({ timeout: 60_000 });
  await expect(
    page.getByText(
      /Nearest: .*would be molten in time, but the (body|joints) of R1 reach(es)? \d+ °C meanwhile/,
    ),
  ).toBeVisible();
  const remedy = page.getByRole('listitem').filter({ hasText: 'Foil over the neighbours' });
  await expect(remedy).toContainText('Would do');
  await remedy.getByRole('button', { name: 'Set it' }).click();
  await solved(page);
  await expect(page.getByRole('button', { name: /Foil on neighbours/ })).toBeVisible();
  await expect(page.getByRole('region', { name: 'Steps and materials' })).toContainText(
    'Foil over the neighbours',
  );
});

test('two neighbours under one nozzle share one heat, and the plan says what that saves', async ({
  page,
}) => {
  const boardId = await ownBoard(page, 'Bank');
  const siteId = await placeSurface(page, boardId, 'U1', 46, { family: 'soic', pins: 8 }, 8);
  await placeSurface(page, boardId, 'U2', 55, { family: 'soic', pins: 8 }, 8);
  await page.goto(`/sites/${siteId}/plan`);
  await solved(page);
  await page.getByRole('checkbox', { name: 'U2' }).check();
  await expect(page.locator('[data-shared]')).toContainText(
    /U1 and U2 in one heat: .* instead of .* in 2 heats/,
    {
      timeout: 80_000,
    },
  );
  const ways = page.getByRole('list', { name: 'Ways to do it' });
  await ways.getByRole('button', { name: /^Why: Flood all joints/ }).click();
  await expect(ways).toContainText(/the others would need a heat of their own/);
});

test('steps are changed, kept for the workshop, and come back with the next plan', async ({
  page,
  baseURL,
}) => {
  await signIn(page, baseURL!);
  const { siteId } = await ownSite(page, 'Own steps');
  await page.goto(`/sites/${siteId}/plan`);
  await solved(page);
  await takeWay(page, 'Iron with pump and braid');
  const steps = page.getByRole('region', { name: 'Steps and materials' });
  await page.keyboard.press('y');
  await expect(steps).toContainText('Flux strips the oxide');
  await page.keyboard.press('e');
  await steps.getByRole('button', { name: 'Leave “Clean” out' }).click();
  await expect(steps).toContainText('Left out: Clean');
  await steps.getByText('Add a step').click();
  await steps.getByLabel('Title').fill('Extractor on');
  await steps.getByLabel('What to do').fill('And listen that it pulls.');
  await steps.getByLabel('Comes after').selectOption({ label: 'nothing: first of all' });
  await steps.getByRole('button', { name: 'Add it' }).click();
  await expect(steps.getByRole('listitem').first()).toContainText('Extractor on');
  await expect(steps.getByRole('button', { name: 'Leave “Set the station” out' })).toBeDisabled();
  await steps.getByRole('button', { name: 'Keep for this workshop' }).click();
  await expect(steps.getByRole('status')).toContainText(/Kept for every plan/);
  await page.reload();
  await solved(page);
  await takeWay(page, 'Iron with pump and braid');
  await expect(steps.getByRole('listitem').first()).toContainText('Extractor on');
  // Taken back, so that no other plan has it.
  await page.keyboard.press('e');
  await steps.getByRole('button', { name: 'Undo every change' }).click();
  await steps.getByRole('button', { name: 'Keep for this workshop' }).click();
  await expect(steps.getByRole('status')).toContainText(/Kept for every plan/);
});

test('a whole board: twenty capacitors in both orders, kept and gone on from', async ({ page, baseURL }) => {
  await signIn(page, baseURL!);
  await page.goto('/boards/demo-dimmer-4');
  await ready(page);
  await page.keyboard.press('w');
  await page.waitForURL('**/recap');
  await solved(page);
  const orders = page.getByRole('table');
  await expect(orders).toContainText('Chance of a mix-up');
  const rows = page
    .getByRole('list', { name: 'In this order' })
    .getByRole('listitem')
    .filter({ has: page.getByRole('link') });
  await expect(rows).toHaveCount(20);
  await expect(rows.first()).toContainText('C101');
  await expect(rows.nth(1)).toContainText('C201');
  await expect(rows.first()).toContainText('Cut the bent leads flush first');
  await page.keyboard.press('r');
  await expect(rows.nth(1)).not.toContainText('C201');
  await expect(page.getByRole('region', { name: 'Pick list' })).toContainText(/4 ×\s*470 µF 63 V/);
  await page.keyboard.press('k');
  await expect(page.getByText(/^Kept by MK/)).toBeVisible();
  await page.reload();
  await solved(page);
  await expect(page.getByRole('button', { name: /By area/ })).toHaveAttribute('aria-pressed', 'true');

  // Its kit: out of which drawer, in the order of fitting; what is short is ordered for this board.
  await page.keyboard.press('d');
  await page.waitForURL('**/kit');
  await ready(page);
  await expect(page.getByRole('table').last().getByRole('row')).toHaveCount(21);
  await expect(page.getByRole('heading', { name: 'In the order of fitting' })).toBeVisible();
  const order = page.getByRole('form', { name: 'Order what is short' });
  await order.getByLabel('Ordered from').fill('the counter');
  await page.keyboard.press('Enter');
  await expect(page.getByText(/Ordered from the counter for this board/)).toBeVisible();
  await page.reload();
  await ready(page);
  await expect(page.getByText(/on their way for this board/).first()).toBeVisible();
  await expect(order).toHaveCount(0);
  await page.getByRole('link', { name: 'To the whole board' }).click();
  await page.waitForURL('**/recap');
  await solved(page);
  await rows.first().getByRole('link').click();
  await page.waitForURL('**/plan?goal=replace');
  await ready(page);
  await expect(page.getByLabel('Goal', { exact: true })).toHaveValue('replace');
});

test('the Rig: a tool from a preset, its calibration in the plan, stock counted and running low', async ({
  page,
  baseURL,
}) => {
  await signIn(page, baseURL!);
  await page.goto('/');
  await ready(page);
  await page.getByRole('link', { name: 'Rig', exact: true }).click();
  await ready(page);
  await page.keyboard.press('n');
  const tools = page.getByRole('region', { name: 'Tools' });
  await tools.getByLabel('Begin from').selectOption({ label: 'Infrared preheater' });
  await tools.getByLabel('Lowest, °C').fill('900');
  await tools.getByRole('button', { name: 'Add it' }).click();
  await expect(tools.getByRole('alert')).toContainText(/900/);
  await tools.getByLabel('Lowest, °C').fill('80');
  await tools.getByLabel('Name').fill('Test heater');
  await tools.getByRole('button', { name: 'Add it' }).click();
  await expect(page.getByText('Test heater is on the rig.')).toBeVisible();
  // Out of use again: no other plan should meet it.
  await tools.getByRole('button', { name: /Test heater/ }).click();
  await tools.getByRole('button', { name: 'Out of use' }).click();
  await expect(tools).toContainText('Out of use: Test heater');

  const stock = page.getByRole('region', { name: 'Stock' });
  await stock.getByRole('button', { name: /Polyimide tape/ }).click();
  await stock.getByLabel(/There is now/).fill('12');
  await stock.getByRole('button', { name: 'Write it' }).click();
  await expect(page.getByText(/Running out:.*Polyimide tape, 12 cm² left/)).toBeVisible();
  await page.reload();
  await expect(page.getByText(/Running out:.*Polyimide tape/)).toBeVisible();
});
