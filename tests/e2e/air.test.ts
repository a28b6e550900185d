import { expect, ready, solved, test } from './bench';

test('hot air by mouse: from the board to a lift window, foil, and through time', async ({ page }) => {
  await page.goto('/boards/demo-beacon-4');
  await ready(page);
  await page.getByRole('button', { name: /^U7 E,/ }).click();
  await page.getByRole('link', { name: /^Plan/ }).click();
  await page.waitForURL('**/sites/demo-beacon-4-U7/plan');
  await ready(page);
  await page.getByRole('button', { name: /Hot-air map/ }).click();
  await page.waitForURL('**/sites/demo-beacon-4-U7/air');
  await solved(page);
  await expect(page.getByText(/a joint of R34 nears its melt/)).toBeVisible();
  await expect(page.getByRole('img', { name: /top face by temperature/ })).toBeVisible();

  await page.getByLabel('Nozzle', { exact: true }).selectOption({ label: '12 × 12 mm' });
  await page.getByRole('button', { name: /No foil/ }).click();
  await page.getByText('150 °C, 120 s first').click();
  await page.getByRole('slider', { name: 'Air on for' }).fill('200');
  await solved(page);
  await expect(
    page.getByText(/All molten and settled at \d+ s, but a joint of C31 nears its melt/),
  ).toBeVisible();
  await expect(page.getByText(/Expect the last pad between \d+ and \d+ s/)).toBeVisible({ timeout: 60_000 });
  await page.getByLabel('Moisture level').selectOption('3');
  await page.getByLabel('Hours out').fill('400');
  await expect(page.getByText(/bake \d+ h at 125 °C first/)).toBeVisible();

  const picture = page.getByRole('img', { name: /face by temperature/ });
  const before = await picture.getAttribute('aria-label');
  await page.getByRole('slider', { name: 'Time' }).fill('2');
  await expect(picture).not.toHaveAttribute('aria-label', before!);
  await page.getByRole('button', { name: /top side/ }).click();
  await expect(page.getByRole('img', { name: /bottom face by temperature/ })).toBeVisible();
  await page.getByRole('option', { name: /^Pin 17,/ }).click();
  await expect(page.getByRole('listitem').filter({ hasText: /^17/ })).toBeVisible();
});

test('hot air by keyboard, stopped half-way and gone on with', async ({ page }) => {
  await page.goto('/sites/demo-beacon-4-U7/air');
  await ready(page);
  await solved(page);
  const degrees = page.locator('output[for="air"]');
  await page.keyboard.press('+');
  await expect(degrees).toHaveText('370°C');
  await solved(page);
  const clock = page.locator('output[for="time"]');
  const stood = await clock.textContent();
  await page.keyboard.press('ArrowRight');
  await expect(clock).not.toHaveText(stood!);

  // Ten minutes of air is long enough to be stopped in.
  await page.getByRole('slider', { name: 'Air on for' }).fill('600');
  await page.getByRole('button', { name: /Stop/ }).waitFor();
  await page.keyboard.press('Escape');
  await expect(page.getByText(/Stopped\. Change anything/)).toBeVisible();
  await page.getByRole('slider', { name: 'Air on for' }).fill('100');
  await solved(page);
  await page.keyboard.press('>');
  await expect(page.locator('output[for="flow"]')).toHaveText('48 L/min');
  await solved(page);
});

test('a through-hole part has both sheets, a key apart', async ({ page }) => {
  await page.goto('/sites/demo-beacon-4-C7/plan');
  await ready(page);
  await page.keyboard.press('h');
  await page.waitForURL('**/sites/demo-beacon-4-C7/air');
  await solved(page);
  await expect(page.getByText(/Melt order/)).toBeVisible();
  await page.keyboard.press('h');
  await page.waitForURL('**/sites/demo-beacon-4-C7/plan');
});

test('a site that is not there answers as such', async ({ page, quiet }) => {
  quiet.allow(/404/);
  const answer = await page.goto('/sites/no-such-site/air');
  expect(answer!.status()).toBe(404);
});
