import { accepted, expect, ownSite, ready, saved, signIn, test, upTo } from './bench';

/** Simulated instruments at a job: laid under the tools by hand, then read by Run as real ones would be. */

test('a station left at another set temperature is caught by what it says itself; a broken thermocouple is told of', async ({
  page,
  baseURL,
}) => {
  await signIn(page, baseURL!);
  const { siteId } = await ownSite(page, 'Instrument test');
  await accepted(page, siteId);
  const turns = async (device: string, body: object): Promise<void> => {
    const answer = await page.request.post(`/api/instruments/${device}/do`, { data: body });
    expect(answer.status(), await answer.text()).toBe(200);
  };
  await upTo(page, 'Set the station');
  const step = page.getByRole('region', { name: 'This step' });
  // Nothing simulated is read into a job that nobody laid under its tools.
  await expect(step.getByText(/says \d+ °C/)).toHaveCount(0);
  const [, planned] = /(\d+) °C/.exec(await step.innerText())!;

  const bench = await page.context().newPage();
  await bench.goto('/stand-ins');
  await ready(bench);
  await bench.locator('main').getByText('C1 Instrument test').click();
  await expect(bench.getByRole('radio', { name: 'C1 Instrument test' })).toBeChecked();
  await bench.getByRole('button', { name: 'Left at another set temperature' }).click();
  await expect(bench.getByRole('button', { name: 'Left at another set temperature' })).toHaveAttribute(
    'aria-pressed',
    'true',
  );

  await page.bringToFront();
  await expect(step.getByText('Iron station says 480 °C.')).toBeVisible();
  await expect(step.getByRole('alert')).toContainText(`the plan is for ${planned} °C`);
  await page.keyboard.press('Space');
  await expect(step.getByRole('heading', { name: 'Set the station' })).toBeVisible();

  await turns('iron-station', { what: 'fault', id: 'other-set', on: false });
  await turns('iron-station', { what: 'knob', id: 'setpoint', value: Number(planned) });
  await expect(step.getByText(`Iron station says ${planned} °C.`)).toBeVisible();
  await expect(step.getByRole('alert')).toHaveCount(0);
  await step.getByRole('button', { name: /Read back/ }).click();
  await saved(page);

  await upTo(page, 'Heat pin 1');
  const live = page.getByRole('region', { name: 'Live temperatures' });
  await expect(live.getByText(/Channel 1.* \d+ °C/)).toBeVisible();
  await page.getByRole('button', { name: /Iron on/ }).click();
  await turns('iron-station', { what: 'knob', id: 'on', value: '1' });
  await expect(live.getByText(/Channel 1.*above the melt/)).toBeVisible({ timeout: 15_000 });
  await page.getByRole('button', { name: /Iron off/ }).click();
  await turns('iron-station', { what: 'knob', id: 'on', value: '' });
  await turns('tc-logger', { what: 'fault', id: 'tc1-open', on: true });
  await expect(live.getByText(/Channel 1.* open: no reading/)).toBeVisible();
  await turns('tc-logger', { what: 'fault', id: 'silent', on: true });
  await expect(live.getByText('Channel 2 says nothing')).toBeVisible({ timeout: 15_000 });
  await turns('tc-logger', { what: 'fault', id: 'silent', on: false });
  await turns('tc-logger', { what: 'fault', id: 'tc1-open', on: false });
  await expect(live.getByText(/Channel 2 \d+ °C/)).toBeVisible();
});

test('a device that talks nonsense or floods is sent away and told of on the Rig, and comes back', async ({
  page,
  baseURL,
}) => {
  await signIn(page, baseURL!);
  await page.goto('/rig');
  await ready(page);
  const rig = page.getByRole('region', { name: 'Instruments' });
  await expect(rig.getByText('Component meter')).toBeVisible();
  for (const id of ['nonsense', 'flood']) {
    await page.request.post('/api/instruments/component-meter/do', { data: { what: 'fault', id, on: true } });
    const line = rig.getByRole('listitem').filter({ hasText: 'Component meter' });
    await expect(line.getByText(/sent away/)).toBeVisible();
    await expect(line.getByText('connected', { exact: true })).toBeVisible({ timeout: 15_000 });
  }
});

test('a channel is told where it sits and by how much it reads off, and keeps it over a reload', async ({
  page,
  baseURL,
}) => {
  await signIn(page, baseURL!);
  await page.goto('/rig');
  await ready(page);
  const line = page
    .getByRole('region', { name: 'Instruments' })
    .getByRole('listitem')
    .filter({ hasText: 'Thermocouple logger' });
  await line.getByRole('button', { name: /^Channel 2: place not said/ }).click();
  await line.getByLabel('Called').fill('Thick wire');
  await line.getByText('the board', { exact: true }).click();
  await line.getByLabel(/Added to what it reads/).fill('-1,5');
  await page.keyboard.press('Enter');
  const said = line.getByRole('button', { name: /^Thick wire: sits on the board, −1.5 K added, checked/ });
  await expect(said).toBeVisible();
  await page.reload();
  await expect(said).toBeVisible();
});
