import { CAPACITOR, expect, ownBoard, ready, signIn, test } from './bench';

/** From a dead reading to a part that fits, taken out of its drawer and told of on the board: by keyboard alone. */
test('a dead reading, a part that fits, fitted and recorded, by keys', async ({ page, baseURL }) => {
  await signIn(page, baseURL!);
  const boardId = await ownBoard(page, 'Parts test');
  const placed = await page.request.post(`/api/boards/${boardId}/sites`, {
    data: { ...CAPACITOR, ref: 'C1', value: '390 µF 25 V', x_mm: 50, y_mm: 40 },
  });
  const { id: siteId } = (await placed.json()) as { id: string };
  const line = async (value: string, volts: number, drawer: string): Promise<void> => {
    const part = { kind: 'capacitor', technology: 'aluminium', value, rating_V: volts };
    const answer = await page.request.post('/api/parts', {
      data: { part, drawer, batch: `T-${drawer}`, count: 3, by: 'MK' },
    });
    expect(answer.status()).toBe(201);
  };
  await line('390µ', 35, 'Z91');
  await line('390µ', 16, 'Z92');

  // One out of the second drawer reads dead.
  await page.goto('/parts');
  await ready(page);
  await page.keyboard.press('/');
  await page.keyboard.type('390uf z92');
  await page.keyboard.press('Enter');
  const drawers = page.getByRole('region', { name: 'Drawers' });
  await expect(drawers.getByRole('listitem').filter({ hasText: 'Z92' })).toBeVisible();
  await expect(drawers.getByText('Z91')).toHaveCount(0);
  await page.keyboard.press('ArrowDown');
  await page.getByLabel('Capacitance, as read').focus();
  await page.keyboard.type('130u');
  await page.keyboard.press('Tab');
  await page.keyboard.type('14');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('status').filter({ hasText: 'dead' })).toContainText('ESR 14 Ω');
  await expect(page.getByRole('heading', { name: 'Readings' })).toBeVisible();

  // What may stand on C1: asked from its board.
  await page.goto(`/boards/${boardId}?site=${siteId}`);
  await ready(page);
  await page.keyboard.press('.');
  await page.keyboard.press('p');
  await page.waitForURL('**/parts?site=*');
  await ready(page);
  const swap = page.getByRole('region', { name: 'Swap check' });
  await expect(swap.getByLabel('Value, as written')).toHaveValue('390 µF 25 V');
  await swap.getByLabel('Voltage there, V').focus();
  await page.keyboard.type('18');
  await page.keyboard.press('Enter');
  const fits = swap.getByRole('listitem').filter({ hasText: 'Z91' });
  await expect(fits).toContainText('fits');
  await expect(swap.getByRole('listitem').filter({ hasText: 'Z92' })).toContainText('do not fit');
  await fits.getByRole('button', { name: /It goes on C1/ }).focus();
  await page.keyboard.press('Enter');
  await expect(swap.getByText(/goes on C1; 2 left in Z91/)).toBeVisible();

  // The board tells it, with its batch; what else got one is one press away.
  await page.goto(`/boards/${boardId}?site=${siteId}`);
  await ready(page);
  const fitted = page.getByRole('list', { name: 'Out of the drawers, and into them' });
  await expect(fitted).toContainText('390 µF 35 V aluminium capacitor, batch T-Z91');
  await fitted.getByRole('link', { name: 'What else got one' }).click();
  await expect(page.getByRole('link', { name: 'C1, Parts test' })).toBeVisible();
});

test('a discharge says how long, and a value that is none is told at its field', async ({
  page,
  baseURL,
  quiet,
}) => {
  quiet.allow(/400/);
  await signIn(page, baseURL!);
  await page.goto('/parts');
  await ready(page);
  await page.keyboard.press('b');
  await page.getByLabel('Capacitor').fill('150x');
  await page.getByLabel('It holds, V').fill('340');
  await page.getByLabel('Through, Ω').fill('10k');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toContainText('150x');
  await page.getByLabel('Capacitor').fill('150µ');
  await page.keyboard.press('Enter');
  await expect(page.getByText('2.6 s', { exact: true })).toBeVisible();
});

test('what runs low is ordered, ticked in when it came, and held until it is tested', async ({
  page,
  baseURL,
}) => {
  await signIn(page, baseURL!);
  const part = { kind: 'fuse', technology: 'quick', rating_A: 3.15, rating_V: 250 };
  const made = await page.request.post('/api/parts', {
    data: { part, drawer: 'Z93', batch: 'T-Z93', count: 1, low: 9, by: 'MK' },
  });
  expect(made.status()).toBe(201);
  await page.goto('/parts');
  await ready(page);
  await page.keyboard.press('o');
  const orders = page.getByRole('region', { name: 'Orders' });
  const form = orders.getByRole('form', { name: 'A new order' });
  await expect(form.getByLabel(/3.15 A quick fuse/)).toHaveValue('17');
  await form.getByLabel('Ordered from').fill('Kellerbau supplies test');
  await form.getByLabel('Expected in, days').fill('5');
  await page.keyboard.press('Enter');
  const line = orders.getByRole('listitem').filter({ hasText: 'Kellerbau supplies test' });
  await expect(line).toBeVisible();
  const fuses = line.getByRole('group', { name: /3.15 A quick fuse/ });
  await fuses.getByLabel('Of 17 came').fill('12');
  await fuses.getByLabel('Batch, as on the bag').fill('T-Z93-new');
  await page.keyboard.press('Enter');
  await expect(orders.getByText(/in its drawers, held until it is tested/)).toBeVisible();
  await page.goto('/parts?q=t-z93-new');
  await ready(page);
  const drawer = page.getByRole('region', { name: 'Drawers' }).getByRole('listitem').first();
  await expect(drawer).toContainText('12');
  await expect(drawer).toContainText('held');
  await expect(drawer).toContainText(/Incoming test of 12: 0 of \d+ read/);
});
