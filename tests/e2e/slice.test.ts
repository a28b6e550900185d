import { carry } from './carry';
import { clockOf, expect, ready, saved, signIn, solved, takeWay, test, upTo } from './bench';

/** The whole slice: bench, board, plan, run, finding, outcome, ledger; once by mouse and once by keyboard. */

test('by mouse, with a reload while a pin is under the iron', async ({ page, baseURL }) => {
  await signIn(page, baseURL!);
  await page.goto('/');
  await ready(page);
  await page.getByRole('link', { name: /Beacon driver 4/ }).click();
  await ready(page);
  await page.getByRole('button', { name: /^C7/ }).first().click();
  await page.getByRole('link', { name: /^Plan/ }).click();
  await solved(page);
  await takeWay(page, 'Iron, one lead at a time');

  // What happens at another temperature and with another tip, as they change.
  const melt = page
    .getByRole('table', { name: 'What each joint costs' })
    .getByRole('row', { name: /^2/ })
    .getByRole('cell')
    .first();
  const before = await melt.innerText();
  for (let i = 0; i < 6; i++) await page.getByRole('button', { name: /Hotter/ }).click();
  await solved(page);
  expect(await melt.innerText()).not.toBe(before);
  await page.getByLabel('Tool', { exact: true }).selectOption({ label: 'Cartridge station, 70 W' });
  await page.getByRole('radio', { name: /conical/ }).check();
  await page.getByText('cold', { exact: true }).click();
  await solved(page);
  await expect(page.locator('[data-verdict="doubtful"]')).toContainText(/still solid/);
  await page.getByRole('button', { name: /Recommended/ }).click();
  await solved(page);
  await takeWay(page, 'Iron, one lead at a time');
  await expect(page.locator('.js-plotly-plot').first()).toBeVisible();

  await page.getByRole('button', { name: /Accept and run/ }).click();
  await page.waitForURL('**/jobs/**');
  await ready(page);
  const step = (title: string) => expect(page.getByRole('heading', { name: title, level: 2 })).toBeVisible();
  await step('Power off, cables off');
  await upTo(page, 'Discharge and measure');
  await upTo(page, 'Record orientation and marking');
  await expect(page.getByRole('img', { name: /C7 as it lies on the board, pin 1 marked/ })).toBeVisible();
  await upTo(page, 'Heat pin 1');

  await step('Heat pin 1');
  await page.getByRole('button', { name: /Iron on/ }).click();
  await page.waitForTimeout(900);
  await page.getByRole('button', { name: /Molten now/ }).click();
  await page.getByRole('button', { name: /Iron off/ }).click();
  await expect(page.getByText(/Molten at .* took .* of the pad’s budget/)).toBeVisible();
  await page.getByRole('button', { name: /Next step/ }).click();

  await step('Heat pin 2');
  // The clock began somewhere between the two: a slow machine may take long over the press itself.
  const pressing = Date.now();
  await page.getByRole('button', { name: /Iron on/ }).click();
  const pressed = Date.now();
  await saved(page);
  await page.waitForTimeout(700);
  const seen = await clockOf(page);
  await page.reload();
  await ready(page);
  await step('Heat pin 2');
  await page.waitForTimeout(300);
  const asked = Date.now();
  const after = await clockOf(page);
  expect(after).toBeGreaterThan(seen);
  expect(after).toBeGreaterThan((asked - pressed) / 1000 - 0.6);
  expect(after).toBeLessThan((Date.now() - pressing) / 1000 + 0.6);
  await page.getByRole('button', { name: /Molten now/ }).click();
  await page.getByRole('button', { name: /Iron off/ }).click();
  await page.getByRole('button', { name: /Next step/ }).click();

  await upTo(page, 'Inspect before anything hides it');
  await page.getByRole('option', { name: /Pin 2/ }).click();
  await page.getByLabel('Finding on pin 2').selectOption('lifted');
  await expect(page.getByRole('option', { name: /Pin 2.*Lifted/ })).toBeVisible();
  await page.getByRole('button', { name: /^Done/ }).click();
  await upTo(page, 'Close the job');
  await page.getByRole('button', { name: /Close with an outcome/ }).click();
  await page.getByRole('radio', { name: 'improved' }).check();
  await page.getByLabel(/Root cause/).fill('Dried out beside the regulator');
  await page.getByRole('button', { name: /Close as improved/ }).click();
  await expect(page.getByRole('heading', { name: 'Closed: improved' })).toBeVisible();
  await saved(page);

  await page.getByRole('link', { name: 'To the board' }).click();
  await ready(page);
  const ledger = page.getByRole('region', { name: 'Ledger' });
  await expect(ledger).toContainText('Closed: improved. Dried out beside the regulator');
  await expect(ledger).toContainText('Pin 2: lifted, still attached');
  await expect(ledger).toContainText(/Pin 1: molten at \d/);
  await expect(ledger).toContainText(/Remove, keep the part:/);
});

test('by keyboard alone, with a reload in the middle of a step', async ({ page }) => {
  const keys = async (...list: string[]): Promise<void> => {
    for (const key of list) await page.keyboard.press(key);
  };
  await page.goto('/');
  await ready(page);
  await page.locator('[data-ready].station').waitFor();
  // Who is at the bench.
  await keys('@');
  await page.keyboard.type('AO');
  await keys('Tab');
  await page.locator('body').press('/');
  await page.keyboard.type('door');
  await keys('ArrowDown', 'Enter');
  await page.waitForURL('**/boards/demo-door-7');
  await ready(page);
  await expect(page.getByRole('heading', { name: /^C3/ })).toBeVisible();
  await keys('Enter');
  await page.waitForURL('**/plan');
  await solved(page);
  // Another way, another temperature, and back to the plan's own.
  await keys('m');
  await solved(page);
  await keys('+', 'c');
  await solved(page);
  await keys('a');
  await page.waitForURL('**/jobs/**');
  await ready(page);
  const at = (title: string | RegExp) =>
    expect(page.getByRole('heading', { name: title, level: 2 })).toBeVisible();
  await at('Power off, cables off');
  await carry(page, /^Discharge C3/, { melts: false });
  await carry(page, /^Read the site cold/, { melts: false });
  await carry(page, /^Record orientation and marking/, { melts: false });
  await carry(page, /^Flux$/, { melts: false });
  await at('Flux');
  await keys('y');
  await expect(page.getByText(/Flux strips the oxide/)).toBeVisible();
  await carry(page, /^Add fresh solder/, { melts: false });
  await keys(' ');
  await at(/pin 1$/);
  await keys(' ');
  await page.waitForTimeout(700);
  await keys('m');
  await page.waitForTimeout(300);
  await keys(' ');
  await expect(page.getByText(/Molten at/)).toBeVisible();
  await keys(' ');
  await at(/pin 2$/);
  await keys(' ');
  await saved(page);
  await page.reload();
  await ready(page);
  await at(/pin 2$/);
  await expect(page.getByRole('button', { name: /(Iron|Gun) off/ })).toBeVisible();
  await keys('m', ' ');
  await expect(page.getByText(/Molten at/)).toBeVisible();
  await keys(' ');
  await at(/^(Take the part out|Out with its last leg)$/);
  await keys(' ');
  await at('Clear the holes');
  await carry(page, /^Inspect before anything hides it/, { melts: false });
  // Onto the lands, to pin 2, lifted.
  await keys('q', '2', 'l');
  await expect(page.getByRole('option', { name: /Pin 2.*Lifted/ })).toBeVisible();
  await keys(' ');
  await at('Close the job');
  await keys(' ');
  await expect(page.getByRole('dialog')).toBeVisible();
  await page.getByRole('radio', { name: 'fixed' }).focus();
  // What it came from is chosen by its first letters, then told in words.
  await keys('ArrowRight', 'Tab');
  await page.keyboard.type('kno');
  await keys('Tab');
  await page.keyboard.type('Shaken loose');
  await keys('Tab', 'Enter');
  await expect(page.getByRole('heading', { name: 'Closed: improved' })).toBeVisible();
  await saved(page);
  await page.goto('/boards/demo-door-7');
  await expect(page.getByRole('region', { name: 'Ledger' })).toContainText('Closed: improved. Shaken loose');
});

test('the help sheet lists the keys of the screen it stands on', async ({ page }) => {
  await page.goto('/boards/demo-beacon-4');
  await ready(page);
  await page.locator('[data-ready].station').waitFor();
  await page.keyboard.press('?');
  const sheet = page.getByRole('dialog', { name: 'Keys' });
  await expect(sheet).toContainText('Turn the board over');
  await expect(sheet).toContainText('Lifted, still attached');
  await page.keyboard.press('Escape');
  await expect(sheet).toBeHidden();
});
