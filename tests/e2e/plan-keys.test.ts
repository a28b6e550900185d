import { expect, ownSite, ready, saved, signIn, solved, test } from './bench';

/** The planner by keyboard alone, and what a reload leaves as it was. */

test('a plan from its goal to the job without a mouse', async ({ page, baseURL }) => {
  await signIn(page, baseURL!);
  const { siteId } = await ownSite(page, 'By keys');
  await page.goto(`/sites/${siteId}/plan`);
  await ready(page);
  // Goal, with the keys of a list: letters typed slowly by a busy machine begin a new word each.
  const goal = page.getByLabel('Goal', { exact: true });
  await goal.focus();
  for (let i = 0; i < 4 && (await goal.inputValue()) !== 'replace'; i++)
    await page.keyboard.press('ArrowDown');
  await goal.blur();
  await expect(page).toHaveURL(/goal=replace/);
  await solved(page);
  const land = page.getByRole('listbox', { name: /Pads seen/ });
  await expect(land.getByRole('option', { selected: true })).toHaveAccessibleName(/Pin 2/);
  await page.keyboard.press('i');
  await expect(land.getByRole('option', { selected: true })).toHaveAccessibleName(/Pin 1/);
  await page.keyboard.press('m');
  await solved(page);
  await page.keyboard.press('r');
  await page.keyboard.press('+');
  await solved(page);
  await page.keyboard.press('y');
  const steps = page.getByRole('region', { name: 'Steps and materials' });
  await expect(steps).toContainText('strips the oxide');
  await expect(steps).toContainText('Not molten at the stop:');
  await page.keyboard.press('a');
  await page.waitForURL('**/jobs/**');
  await ready(page);
  await page.keyboard.press(' ');
  await saved(page);
  await expect(page.getByText(/Step 2 of/)).toBeVisible();
});

test('what was set by hand is there again after a reload, and gone once it became a job', async ({
  page,
  baseURL,
}) => {
  await signIn(page, baseURL!);
  const { siteId } = await ownSite(page, 'Reloaded');
  await page.goto(`/sites/${siteId}/plan`);
  await solved(page);
  await page.getByRole('radio', { name: 'hard to get' }).check();
  await solved(page);
  for (let i = 0; i < 3; i++) await page.keyboard.press('+');
  await solved(page);
  const degrees = page.locator('output[for="setpoint"]');
  const set = await degrees.innerText();
  await page.reload();
  await solved(page);
  await expect(degrees).toHaveText(set);
  await expect(page.getByRole('radio', { name: 'hard to get' })).toBeChecked();
  await expect(page.getByText('recommended', { exact: true })).toHaveCount(0);
  await page.keyboard.press('a');
  await page.waitForURL('**/jobs/**');
  await page.goto(`/sites/${siteId}/plan?goal=remove-keep-part`);
  await solved(page);
  await expect(page.getByText('recommended', { exact: true })).toBeVisible();
});

test('the melt order stands on the lands, and a cell’s distance in its gate', async ({ page }) => {
  await page.goto('/sites/demo-beacon-4-U3/plan');
  await solved(page);
  const lands = page.getByRole('listbox', { name: /Pads seen/ });
  // Pin 7 is on the ground plane, pin 14 on the supply: they melt after the signals.
  await expect(lands.getByRole('option', { name: /^Pin 1,.*melts 1 of/ })).toBeVisible();
  await expect(page.getByText(/Melts first: pins 1–6.*Last: pin 7/)).toBeVisible();
  await page.goto('/sites/demo-tide-1-C4/plan');
  await solved(page);
  await expect(page.getByText(/Everything within \d+ mm of C4 passes 60 °C/)).toBeVisible();
  await expect(page.locator('[data-keep-out]')).toContainText(/keep it farther than \d+ mm from C4/);
});

test('the Rig and a whole board by keys', async ({ page, baseURL }) => {
  await signIn(page, baseURL!);
  await page.goto('/rig');
  await ready(page);
  await page.keyboard.press('n');
  const tools = page.getByRole('region', { name: 'Tools' });
  await expect(tools.getByLabel('Begin from')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(tools.getByLabel('Begin from')).toHaveCount(0);
  await page.keyboard.press('s');
  await expect(page.getByRole('region', { name: 'Stock' }).getByLabel('Name')).toBeVisible();
  await page.keyboard.press('Escape');
  await page.goto('/boards/demo-dimmer-4/recap');
  await page.locator('[data-solved]').waitFor({ timeout: 90_000 });
  await page.keyboard.press('r');
  await expect(page.getByRole('button', { name: /By area/ })).toHaveAttribute('aria-pressed', 'true');
  await page.keyboard.press('b');
  await expect(page.getByRole('button', { name: /By value/ })).toHaveAttribute('aria-pressed', 'true');
});
