import { expect, ownBoard, ready, signIn, test } from './bench';

const MEMORY = {
  ref: 'U5',
  value: 'EE16-15',
  side: 'top',
  x_mm: 50,
  y_mm: 40,
  alloy: 'sn60pb40',
  package: { family: 'soic', pins: 8 },
  pads: Array.from({ length: 8 }, (_, i) => ({
    name: String(i + 1),
    connections: [{ kind: 'track', width_mm: 0.3 }],
  })),
};

test('a memory that holds the only copy: not given up, read twice, carried over into a new part and verified', async ({
  page,
  baseURL,
}) => {
  await signIn(page, baseURL!);
  const boardId = await ownBoard(page, 'Contents test');
  const placed = await page.request.post(`/api/boards/${boardId}/sites`, { data: MEMORY });
  const { id } = (await placed.json()) as { id: string };
  await page.goto(`/boards/${boardId}?site=${id}`);
  await ready(page);
  await page.getByRole('link', { name: 'Contents' }).click();
  await page.waitForURL('**/memory');
  await ready(page);
  const standing = page.getByRole('status').first();
  await page.getByText('yes', { exact: true }).click();
  await expect(standing).toContainText('holds the only copy');

  // Until it is read, no plan gives it up.
  await page.goto(`/sites/${id}/plan?goal=replace`);
  await ready(page);
  await expect(page.getByText(/holds the only copy of its contents, so it is not given up/)).toBeVisible();
  await expect(page.getByLabel('Goal', { exact: true }).locator('option[value="replace"]')).toHaveCount(0);
  await page.goBack();
  await ready(page);

  // A bad contact: two reads that differ are no contents, and the map says where.
  const programmer = page.getByRole('region', { name: 'Programmer' });
  await programmer.getByLabel('What is wrong (provoked)').selectOption('bad-contact');
  await page.keyboard.press('r');
  const done = page.getByRole('region', { name: 'What was done' });
  await expect(done.getByRole('listitem').first()).toContainText('all in bit 3: a bad contact');
  await expect(page.getByRole('img', { name: /stretches differ/ })).toBeVisible();
  await expect(standing).toContainText('holds the only copy');
  await programmer.getByLabel('What is wrong (provoked)').selectOption('none');
  await page.keyboard.press('r');
  await expect(standing).toContainText('read twice alike and are kept here');

  // The board's own number into contents that came as a file, its check sum with it.
  const fresh = Buffer.alloc(8192, 0x5a);
  await page.getByLabel('A file of contents').setInputFiles({
    name: 'issue two.bin',
    mimeType: 'application/octet-stream',
    buffer: fresh,
  });
  const kept = page.getByRole('region', { name: 'Contents that are kept' });
  await expect(kept.getByRole('row').filter({ hasText: 'issue two.bin' })).toBeVisible();
  const own = page.getByRole('region', { name: 'The board’s own into new contents' });
  await own.getByLabel('New contents').selectOption({ label: 'issue two.bin' });
  await own.getByLabel('First byte, hex').fill('40');
  await own.getByLabel('Last byte, hex').fill('zz');
  await page.keyboard.press('Escape');
  await own.getByRole('button', { name: /Make the new contents/ }).click();
  await expect(page.getByRole('alert')).toContainText('“zz” is no address');
  await own.getByLabel('Last byte, hex').fill('5F');
  await own.getByRole('button', { name: /Make the new contents/ }).click();
  await expect(done.getByRole('listitem').first()).toContainText('made of “issue two.bin”');
  await page.getByRole('button', { name: /Compare the two/ }).click();
  await expect(page.getByRole('group', { name: 'Ranges that differ' })).toContainText('00040');

  // Into the new part, verified there and once more on the board; a reload tells the same.
  await programmer.getByText('the new part', { exact: true }).click();
  await page.keyboard.press('w');
  await expect(done.getByRole('listitem').first()).toContainText('written into the new part');
  await page.keyboard.press('y');
  await expect(done.getByRole('listitem').first()).toContainText(/verified before fitting.*alike/);
  await programmer.getByLabel('it is on the board by now').check();
  await page.keyboard.press('y');
  await expect(done.getByRole('listitem').first()).toContainText(/verified on the board.*alike/);
  await page.reload();
  await ready(page);
  await expect(done.getByRole('listitem')).toHaveCount(8);
  const file = await page.request.get(
    (await kept.getByRole('link', { name: 'As a file' }).last().getAttribute('href'))!,
  );
  expect((await file.body()).length).toBe(8192);
});

test('a part of another board goes into a drawer with its heats, and from there to where it is needed', async ({
  page,
  baseURL,
}) => {
  await signIn(page, baseURL!);
  const chip = (ref: string) => ({
    ref,
    value: '6k2',
    side: 'top',
    x_mm: 30,
    y_mm: 30,
    alloy: 'sn60pb40',
    package: { family: 'chip', code: '1206' },
    pads: ['1', '2'].map((name) => ({ name, connections: [{ kind: 'track', width_mm: 0.4 }] })),
  });
  const place = async (name: string, ref: string): Promise<readonly [string, string]> => {
    const boardId = await ownBoard(page, name);
    const placed = await page.request.post(`/api/boards/${boardId}/sites`, { data: chip(ref) });
    return [boardId, ((await placed.json()) as { id: string }).id];
  };
  const [from, giver] = await place('Donor board', 'R31');
  const [to, wanting] = await place('Wanting board', 'R5');

  // The swap check finds it on the other board.
  await page.goto(`/parts?site=${wanting}`);
  await ready(page);
  const swap = page.getByRole('region', { name: 'Swap check' });
  await swap.getByRole('button', { name: 'Check it' }).click();
  await expect(swap.getByRole('link', { name: 'R31, Donor board' })).toBeVisible();

  // It came off and was kept: into a drawer with it.
  await page.request.post(`/api/boards/${from}/entries`, {
    data: { clientId: `off-${giver}`, by: 'MK', body: { kind: 'part', siteId: giver, is: 'off-kept' } },
  });
  await page.goto(`/boards/${from}?site=${giver}`);
  await ready(page);
  await page.getByRole('button', { name: 'The part of R31 goes into a drawer' }).click();
  await page.getByRole('textbox', { name: 'Drawer' }).fill('Z77');
  await page.keyboard.press('Enter');
  await expect(page.getByText(/Gave its part to drawer Z77/)).toBeVisible();

  // Held until it is tested; released, it is taken out for the other board, and each end says where the part is.
  await page.goto('/parts?q=z77');
  await ready(page);
  const line = page.getByRole('region', { name: 'Drawers' }).getByRole('listitem').first();
  await expect(line).toContainText('held');
  await line.getByText('released', { exact: true }).click();
  await line.getByRole('button', { name: 'Write it' }).last().click();
  await expect(page.getByText(/is released/)).toBeVisible();
  await page.goto(`/parts?site=${wanting}`);
  await ready(page);
  await swap.getByRole('button', { name: 'Check it' }).click();
  const donor = swap.getByRole('listitem').filter({ hasText: 'Z77' });
  await expect(donor).toContainText('soldered before');
  await donor.getByRole('button', { name: /It goes on R5/ }).click();
  await expect(swap.getByText(/goes on R5; 0 left/)).toBeVisible();
  await page.goto(`/boards/${to}?site=${wanting}`);
  await ready(page);
  await expect(page.getByRole('link', { name: 'R31, Donor board' })).toBeVisible();
  await page.goto(`/boards/${from}?site=${giver}`);
  await ready(page);
  await expect(page.getByRole('link', { name: 'R5, Wanting board' })).toBeVisible();
});
