import { deflateSync } from 'node:zlib';
import {
  accepted,
  expect,
  ownBoard,
  ownSite,
  placeCapacitor,
  ready,
  saved,
  signIn,
  solved,
  test,
  upTo,
} from './bench';
import type { Page } from '@playwright/test';

/** A board with two capacitors that share both nets. */
async function withPair(page: Page, name: string): Promise<{ boardId: string; siteId: string }> {
  const { boardId, siteId } = await ownSite(page, name);
  await placeCapacitor(page, boardId, 'C2', 80);
  return { boardId, siteId };
}

test('the continuity checklist by keyboard: readings in order, a failure with its jumper, a life that tells', async ({
  page,
  baseURL,
}) => {
  await signIn(page, baseURL!);
  const { boardId } = await withPair(page, 'Checklist');
  await page.goto(`/boards/${boardId}`);
  await ready(page);
  await page.keyboard.press('y');
  await page.waitForURL('**/check');
  await ready(page);
  const field = page.getByLabel('Meter reads');
  await expect(field).toBeFocused();
  await expect(page.getByText('C2 pin 1', { exact: false }).first()).toBeVisible();

  await page.keyboard.type('zero');
  await page.keyboard.press('Enter');
  await expect(page.getByText(/“zero” is no reading; type ohms/)).toBeVisible();
  await expect(field).toHaveValue('zero');
  await field.fill('0.2');
  await page.keyboard.press('Enter');
  await expect(page.getByText('1 of 3 read: 1 good')).toBeVisible();
  await field.fill('OL');
  await page.keyboard.press('Enter');
  await expect(page.getByText('2 of 3 read: 2 good')).toBeVisible();
  await field.fill('12');
  await page.keyboard.press('Enter');
  await expect(page.getByText(/12 Ω, fails: too much for this copper/)).toBeVisible();
  const mending = page.getByRole('region', { name: 'Repair' });
  await expect(mending).toContainText('Recorded: track cut, pin 2');
  await expect(mending).toContainText(/Jumper from pin 2 to C2 pin 2: 38 mm\s*.* of gauge \d+/);
  await mending.getByLabel('Current, A').fill('6');
  await expect(mending).toContainText(/of gauge (22|20|18)/);

  await page.reload();
  await ready(page);
  await expect(page.getByText('3 of 3 read: 2 good, 1 fail')).toBeVisible();
  await page.getByLabel('Meter reads').press('Escape');
  await page.keyboard.press('Backspace');
  await page.waitForURL(`**/boards/${boardId}*`);
  await ready(page);
  await page.getByRole('option', { name: /^Pin 2/ }).click();
  await expect(page.getByRole('region', { name: 'Life of pin 2' })).toContainText('continuity 12 Ω, fails');
  await page.getByRole('option', { name: /^Pin 1/ }).click();
  await expect(page.getByRole('region', { name: 'Life of pin 1' })).toContainText(
    'continuity 0.2 Ω, verified',
  );
  await expect(page.getByRole('region', { name: 'Ledger' })).toContainText(
    'Continuity: 3 read, 2 good, 1 failed',
  );
});

/** A grey PNG, made here so that the test brings no file along. */
function png(width: number, height: number): Buffer {
  const chunk = (type: string, data: Buffer): Buffer => {
    const body = Buffer.concat([Buffer.from(type), data]);
    const out = Buffer.alloc(8 + body.length);
    out.writeUInt32BE(data.length, 0);
    body.copy(out, 4);
    out.writeUInt32BE(crc(body), 4 + body.length);
    return out;
  };
  const head = Buffer.alloc(13);
  head.writeUInt32BE(width, 0);
  head.writeUInt32BE(height, 4);
  head.set([8, 0, 0, 0, 0], 8);
  const rows = Buffer.alloc(height * (width + 1), 120);
  for (let y = 0; y < height; y++) rows[y * (width + 1)] = 0;
  return Buffer.concat([
    Buffer.from([137, 80, 78, 71, 13, 10, 26, 10]),
    chunk('IHDR', head),
    chunk('IDAT', deflateSync(rows)),
    chunk('IEND', Buffer.alloc(0)),
  ]);
}

function crc(bytes: Buffer): number {
  let value = 0xffffffff;
  for (const byte of bytes) {
    value ^= byte;
    for (let k = 0; k < 8; k++) value = value & 1 ? (value >>> 1) ^ 0xedb88320 : value >>> 1;
  }
  return (value ^ 0xffffffff) >>> 0;
}

test('a hostile photo is refused by name; a real one is laid under the face by two points', async ({
  page,
  baseURL,
  quiet,
}) => {
  quiet.allow(/400/);
  await signIn(page, baseURL!);
  const boardId = await ownBoard(page, 'Photographed');
  await page.goto(`/boards/${boardId}/photos`);
  await ready(page);
  const input = page.locator('input[type=file]');
  await input.setInputFiles({
    name: 'board.jpg',
    mimeType: 'image/jpeg',
    buffer: Buffer.from(
      '<svg xmlns="http://www.w3.org/2000/svg"><script>document.title="got"</script></svg>',
    ),
  });
  await expect(page.getByRole('alert')).toContainText('send a JPEG, PNG, WebP or AVIF photo');
  await expect(page.getByText('No photo yet')).toBeVisible();
  expect(await page.title()).not.toBe('got');

  await input.setInputFiles({ name: '<b>top.png', mimeType: 'image/png', buffer: png(500, 400) });
  const picture = page.getByRole('region', { name: 'Picture' });
  await expect(picture.getByRole('img')).toBeVisible();
  await expect(page.getByText('<b>top.png')).toBeVisible();
  await page.getByRole('button', { name: /Lay it under/ }).click();
  await expect(page.getByRole('alert')).toContainText('Point 1 is not whole');
  // By keyboard alone: pixels and millimetres are figures like any other.
  for (const [point, x, y, px, py] of [
    [0, '0', '80', '0', '0'],
    [1, '100', '0', '500', '400'],
  ] as const) {
    await page.getByLabel('x, mm').nth(point).fill(x);
    await page.getByLabel('y, mm').nth(point).fill(y);
    await page.getByLabel('right, px').nth(point).fill(px);
    await page.getByLabel('down, px').nth(point).fill(py);
  }
  await page.getByRole('button', { name: /Lay it under/ }).click();
  await expect(page.getByText('top face, under the drawing')).toBeVisible();
  await page.goto(`/boards/${boardId}`);
  await ready(page);
  const laid = page.getByRole('group', { name: /top face/ }).locator('image');
  await expect(laid).toHaveAttribute('transform', /^matrix\(0\.2 0 /);
});

test('a photo goes with a finding, and stays with it', async ({ page, baseURL }) => {
  await signIn(page, baseURL!);
  const { boardId } = await ownSite(page, 'Photographed pad');
  await page.goto(`/boards/${boardId}`);
  await ready(page);
  await page.getByRole('option', { name: /^Pin 1/ }).click();
  await page.keyboard.press('q');
  await page.keyboard.press('l');
  const life = page.getByRole('region', { name: 'Life of pin 1' });
  await expect(life).toContainText('lifted, still attached, as received');
  await life.getByLabel('Add a photo').setInputFiles({
    name: 'pad.png',
    mimeType: 'image/png',
    buffer: png(60, 40),
  });
  await expect(life.getByRole('img', { name: /Photo of this finding/ })).toBeVisible();
  await page.reload();
  await ready(page);
  await page.getByRole('option', { name: /^Pin 1/ }).click();
  await expect(life.getByRole('img', { name: /Photo of this finding/ })).toBeVisible();
});

test('an area is drawn by keyboard, lists what lies under it, and is followed by its repair', async ({
  page,
  baseURL,
}) => {
  await signIn(page, baseURL!);
  const { boardId } = await withPair(page, 'Patch');
  await page.goto(`/boards/${boardId}`);
  await ready(page);
  for (const key of ['.', 'd']) await page.keyboard.press(key);
  const press = async (key: string, times: number): Promise<void> => {
    for (let i = 0; i < times; i++) await page.keyboard.press(key);
  };
  // The cross begins at C1; a square of ten millimetres about it.
  await press('ArrowLeft', 5);
  await press('ArrowDown', 5);
  await page.keyboard.press(' ');
  await press('ArrowRight', 10);
  await page.keyboard.press(' ');
  await press('ArrowUp', 10);
  await page.keyboard.press(' ');
  await press('ArrowLeft', 10);
  await page.keyboard.press(' ');
  await page.keyboard.press('Enter');
  const place = page.getByRole('region', { name: 'Place on the face' });
  await expect(place).toContainText('Under it: 2 pads of 1 part');
  await place.getByLabel('It is').selectOption('corroded');
  await place.getByLabel('Note').fill('green');
  await place.getByRole('button', { name: 'Record it' }).click();
  await expect(place).toContainText('Area of 1.0 cm²');
  await place.getByLabel('Now it is').selectOption('repaired');
  await place.getByLabel('Note').fill('washed');
  await place.getByRole('button', { name: 'Record what it is now' }).click();
  await expect(place).toContainText(/Corroded, as received\. green/);
  await expect(place).toContainText(/Repaired.*washed/);
  await page.reload();
  await ready(page);
  const ledger = page.getByRole('region', { name: 'Ledger' });
  await expect(ledger).toContainText('corroded, as received. green');
  await expect(ledger).toContainText('repaired');
});

test('copper is marked in strokes over a run of pins, and two screens never overwrite each other', async ({
  page,
  context,
  baseURL,
  quiet,
}) => {
  quiet.allow(/409/);
  await signIn(page, baseURL!);
  const { boardId } = await ownSite(page, 'Strokes');
  await page.goto(`/boards/${boardId}`);
  await ready(page);
  const other = await context.newPage();
  await other.goto(`/boards/${boardId}`);
  await ready(other);

  await page.keyboard.press('m');
  await page.getByRole('option', { name: /^Pin 1/ }).click();
  await page.getByRole('listbox').press('Shift+ArrowLeft');
  await expect(page.getByText('pins 1 to 2').first()).toBeVisible();
  await page.getByRole('listbox').press('i');
  await expect(page.getByRole('option', { name: /^Pin 1, OUT, isolated/ })).toBeVisible();
  await page.getByRole('listbox').press('s');
  await expect(page.getByRole('option', { name: /^Pin 2, no net, track/ })).toBeVisible();

  await other.keyboard.press('m');
  await other.getByRole('option', { name: /^Pin 1/ }).click();
  await other.getByRole('listbox').press('g');
  await expect(other.getByRole('alert')).toContainText('changed on another screen');
  await expect(other.getByRole('option', { name: /^Pin 2, no net, track/ })).toBeVisible();
  await other.getByRole('listbox').press('g');
  await expect(other.getByRole('option', { name: /^Pin 1, GND/ })).toBeVisible();
});

test('a part is placed by click from its standard outline, then another like it; an outline is kept', async ({
  page,
  baseURL,
}) => {
  await signIn(page, baseURL!);
  const boardId = await ownBoard(page, 'By click');
  await page.goto(`/boards/${boardId}/place`);
  await ready(page);
  await page.getByLabel('Reference').fill('U1');
  await page.getByLabel('Outline', { exact: true }).selectOption({ label: 'SOIC-8, JEDEC MS-012' });
  const face = page.getByRole('group', { name: /top face/ });
  const box = (await face.boundingBox())!;
  await page.mouse.click(box.x + box.width * 0.3, box.y + box.height / 2);
  expect(Number(await page.getByLabel(/^x, mm/).inputValue())).toBeCloseTo(29, -1);
  await page.getByLabel('Ground pins').fill('4');
  await page.getByRole('button', { name: /then another like it/ }).click();
  await expect(page.getByText('U1 is placed.')).toBeVisible();
  await expect(page.getByLabel('Reference')).toHaveValue('U2');
  await page.mouse.click(box.x + box.width * 0.7, box.y + box.height / 2);

  await page.getByRole('button', { name: /All \d+ figures/ }).click();
  await page.getByLabel('Body height, mm').fill('2.65');
  const name = `Tall eight ${boardId.slice(-6)}`;
  await page.getByLabel('Keep this outline as').fill(name);
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByLabel('Outline', { exact: true })).toHaveValue(/^own /);
  await page.getByRole('button', { name: 'Place it', exact: true }).click();
  await page.waitForURL(`**/boards/${boardId}*`);
  await ready(page);
  await expect(page.getByRole('button', { name: /^U2\b.*top side/ })).toBeVisible();

  await page.goto(`/boards/${boardId}/place`);
  await ready(page);
  await page.getByLabel('Outline', { exact: true }).selectOption({ label: name });
  await expect(page.getByLabel('Body height, mm')).toHaveValue('2.65');
});

test('what is told of a board is changed against its revision; its label carries its number, which finds it', async ({
  page,
  baseURL,
  quiet,
}) => {
  quiet.allow(/409/);
  await signIn(page, baseURL!);
  const boardId = await ownBoard(page, 'Told');
  await page.goto(`/boards/${boardId}/edit`);
  await ready(page);
  await page.getByLabel('Year it was made, if known').fill('1899');
  await page.getByRole('button', { name: 'Write the change' }).click();
  await expect(page.getByText(/give a whole number from 1950/)).toBeVisible();
  await page.getByLabel('Year it was made, if known').fill('1999');
  await page.getByLabel(/Screws, links, cables/).fill('four screws');
  // Another screen is first.
  const told = { name: 'Told elsewhere', owner: 'MK', fault: 'dead', revision: 1 };
  const construction = {
    length_mm: 100,
    width_mm: 80,
    thickness_mm: 1.6,
    laminate: 'fr4-standard',
    copperLayers: [{ weight_oz: 1, coverage: 0.3 }],
  };
  await page.request.patch(`/api/boards/${boardId}`, { data: { ...told, construction } });
  await page.getByRole('button', { name: 'Write the change' }).click();
  await expect(page.getByRole('alert')).toContainText('changed on another screen');
  await expect(page.getByText(/Changed elsewhere: name, what it is made of\./)).toBeVisible();
  await expect(page.getByLabel(/Screws, links, cables/)).toHaveValue('four screws');
  // Nothing was lost: written once more, it is written knowingly.
  await page.getByRole('button', { name: 'Write the change' }).click();
  await page.waitForURL(`**/boards/${boardId}*`);
  await ready(page);
  await page.getByRole('region', { name: 'Why it is here' }).locator('summary').click();
  await expect(page.getByText('Refit as found: four screws')).toBeVisible();
  for (const key of ['.', 'l']) await page.keyboard.press(key);
  // No address that is this machine's alone: its number, which the bench finds.
  await expect(page.getByText(/Its code is the board’s number/)).toBeVisible();
  await expect(page.getByText(baseURL!)).toHaveCount(0);
  await expect(page.getByRole('article').locator('svg')).toBeVisible();
  // One label, one page of the printer's roll.
  const pdf = (await page.pdf({ preferCSSPageSize: true })).toString('latin1');
  expect(pdf.match(/\/Type\s*\/Page[^s]/g)).toHaveLength(1);
  await page.goto('/');
  await ready(page);
  await page.getByRole('searchbox').fill(boardId);
  await expect(page.getByRole('link', { name: /^Told/ })).toHaveCount(1);
  await page.getByRole('searchbox').fill('C101');
  await expect(page.getByRole('link', { name: /Dome dimmer, channels 1 to 4.*C101, 10 µF/ })).toBeVisible();
  await page.getByRole('searchbox').fill('lifted');
  await expect(
    page
      .getByRole('listitem')
      .filter({ hasText: /pin \d+: lifted/ })
      .first(),
  ).toBeVisible();
});

test('a pad whose budget is gone is warned of before the next plan, and the board shows it', async ({
  page,
  baseURL,
}) => {
  await signIn(page, baseURL!);
  const { boardId, siteId } = await ownSite(page, 'Overheated');
  await accepted(page, siteId);
  const jobId = page.url().split('/').at(-1)!;
  const append = async (afterSeq: number, event: object): Promise<void> => {
    const clientId = `over-${jobId}-${afterSeq}`;
    const answer = await page.request.post(`/api/jobs/${jobId}/events`, {
      data: { clientId, afterSeq, by: 'MK', event },
    });
    expect(answer.ok(), await answer.text()).toBe(true);
  };
  await upTo(page, /pin 1$/);
  await saved(page);
  // The first pin by the record's own door: it was held far too long.
  const { events } = (await (await page.request.get(`/api/jobs/${jobId}/events`)).json()) as {
    events: { seq: number }[];
  };
  let seq = events.at(-1)!.seq;
  await append(seq++, { kind: 'heat-on', stepId: 'heat-1', pad: '1' });
  await append(seq, { kind: 'heat-off', stepId: 'heat-1', pad: '1', elapsed_s: 600 });
  // What it cost is the server's own entry, some moments after the fact.
  await expect
    .poll(async () => (await page.request.get(`/api/jobs/${jobId}/events`)).text(), { timeout: 20_000 })
    .toContain('"exposure"');

  await page.goto(`/boards/${boardId}`);
  await ready(page);
  await expect(
    page.getByText(/^C1 pin 1, the most spent of 1 heated: \d+ % spent, nothing left/),
  ).toBeVisible();
  await page.goto(`/sites/${siteId}/plan`);
  await page.getByRole('button', { name: /Stop computing/ }).click();
  await page.getByRole('button', { name: /Hotter/ }).click();
  await solved(page);
  await expect(page.getByText('This would overspend.')).toBeVisible();
  await expect(page.getByText(/Pin 1 has nothing left/)).toBeVisible();
});

test('a site that was placed wrongly is corrected, and taken off while the record holds nothing of it', async ({
  page,
  baseURL,
  quiet,
}) => {
  quiet.allow(/40[09]/);
  await signIn(page, baseURL!);
  const { boardId } = await ownSite(page, 'Corrected');
  await page.goto(`/boards/${boardId}`);
  await ready(page);
  for (const key of ['.', 'w']) await page.keyboard.press(key);
  await page.waitForURL('**/edit');
  await ready(page);
  await page.getByLabel('Reference').fill('C9');
  await page.getByLabel(/^x, mm/).fill('400');
  await page.getByRole('button', { name: 'Write the correction' }).click();
  await expect(page.getByText(/is 400 mm, off the board/).first()).toBeVisible();
  await page.getByLabel(/^x, mm/).fill('20');
  await page.getByRole('button', { name: 'Write the correction' }).click();
  await page.waitForURL(`**/boards/${boardId}*`);
  await ready(page);
  await expect(page.getByRole('heading', { name: /^C9/ })).toBeVisible();
  await expect(page.getByRole('option', { name: /^Pin 2, GND/ })).toBeVisible();

  await page.getByRole('option', { name: /^Pin 1/ }).click();
  await page.keyboard.press('q');
  await page.keyboard.press('d');
  await expect(page.getByRole('region', { name: 'Life of pin 1' })).toContainText('cold joint, dull');
  await page.getByRole('link', { name: /^Correct/ }).click();
  await page.waitForURL('**/edit');
  await ready(page);
  await page.getByRole('button', { name: 'Delete C9 from the record' }).click();
  await page.getByRole('button', { name: 'Yes, delete C9' }).click();
  await expect(page.getByRole('alert')).toContainText('which the record keeps; it stays');

  await page.request.post(`/api/boards/${boardId}/sites`, {
    data: {
      ref: 'R1',
      side: 'top',
      x_mm: 70,
      y_mm: 40,
      alloy: 'sn60pb40',
      package: { family: 'chip', code: '0603' },
      pads: ['1', '2'].map((name) => ({ name, net: '', connections: [] })),
    },
  });
  await page.goto(`/boards/${boardId}`);
  await ready(page);
  await page.keyboard.press('ArrowDown');
  await expect(page.getByRole('heading', { name: /^R1/ })).toBeVisible();
  for (const key of ['.', 'w']) await page.keyboard.press(key);
  await page.waitForURL('**/edit');
  await ready(page);
  await page.getByRole('button', { name: 'Delete R1 from the record' }).click();
  await page.getByRole('button', { name: 'Yes, delete R1' }).click();
  await page.waitForURL(`**/boards/${boardId}*`);
  await ready(page);
  await expect(page.getByRole('button', { name: /^R1,/ })).toHaveCount(0);
});
