import { expect, ownSite, ready, signIn, test } from './bench';

/** Clocks of a board: by keyboard alone, over a reload, on the rail, before handing back. */
test('a clock is begun by keyboard, outlasts a reload, is given longer, and stands before handing back', async ({
  page,
  baseURL,
}) => {
  await signIn(page, baseURL!);
  const { boardId } = await ownSite(page, 'Clock test');
  await page.goto(`/boards/${boardId}`);
  await ready(page);
  await page.keyboard.press('.');
  await page.keyboard.press('c');
  const dialog = page.getByRole('dialog', { name: 'Start a clock' });
  await expect(dialog).toBeVisible();
  await dialog.getByRole('radio', { name: 'Pre-warm' }).focus();
  for (let i = 0; i < 5; i++) await page.keyboard.press('ArrowRight');
  await expect(dialog.getByRole('radio', { name: 'Cure' })).toBeChecked();
  await expect(dialog.getByLabel(/Minutes; left empty \d+, two-part epoxy/)).toBeVisible();
  await dialog.getByLabel(/What, in words/).fill('pad 2, held with epoxy');
  await page.keyboard.press('Enter');
  await expect(dialog).toBeHidden();

  const clocks = page.getByRole('region', { name: 'Clocks of this board' });
  const rail = page.getByRole('complementary', { name: 'Running clocks' });
  await expect(clocks.getByText(/Cure, pad 2, held with epoxy/)).toBeVisible();
  await expect(rail.getByText('Cure, pad 2, held with epoxy')).toBeVisible();
  await page.reload();
  await ready(page);
  await expect(clocks.getByText(/Not handed back before it ends/)).toBeVisible();

  await clocks.getByRole('button', { name: 'Longer' }).click();
  await clocks.getByLabel('Longer by, min').fill('600');
  await clocks.getByLabel('Why it is given longer').fill('cold room');
  await page.keyboard.press('Enter');
  await expect(page.getByText(/A clock ends .* instead\. cold room/)).toBeVisible();

  const refused = await page.request.post(`/api/boards/${boardId}/entries`, {
    data: { clientId: 'too-early', by: 'MK', body: { kind: 'handed-back', outcome: 'fixed', cause: '' } },
  });
  expect(refused.status()).toBe(409);
  expect(await refused.text()).toContain('its clock still runs');

  await clocks.getByRole('button', { name: 'End early' }).click();
  await clocks.getByLabel('Why it is ended early').fill('its oven cured it');
  await page.keyboard.press('Enter');
  await expect(clocks.getByText(/Cure, pad 2/)).toHaveCount(0);
  await expect(page.getByText('Clock ended early: its oven cured it')).toBeVisible();
  await expect(rail.getByText('Cure, pad 2, held with epoxy')).toHaveCount(0);
});
