import { readFileSync } from 'node:fs';
import { expect, ownBoard, placeCapacitor, ready, signIn, test } from './bench';

test('a board is taken out by its page, and its bundle is recognised where it is brought in', async ({
  page,
  baseURL,
}) => {
  await signIn(page, baseURL!);
  const boardId = await ownBoard(page, 'Carried away');
  await placeCapacitor(page, boardId, 'C9', 40);
  await page.goto(`/boards/${boardId}`);
  await ready(page);
  for (const key of ['.', 'u']) await page.keyboard.press(key);
  await page.waitForURL('**/out');
  await ready(page);
  const downloaded = async (name: string): Promise<string> => {
    const [file] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('link', { name }).click(),
    ]);
    return file.path();
  };
  expect(readFileSync(await downloaded('Placement list'), 'utf8')).toMatch(/^Ref,Val,.*\r\nC9,/);
  expect(readFileSync(await downloaded('Report, as Markdown'), 'utf8')).toContain('# Carried away');
  const bundle = await downloaded('The whole record, as a bundle');

  // Brought in where it came from: all of it is known.
  await page.goto('/record');
  await ready(page);
  await page
    .locator('input[type=file]')
    .setInputFiles({ name: 'carried.zip', mimeType: 'application/zip', buffer: readFileSync(bundle) });
  await expect(page.getByText(/the board Carried away\. It would bring nothing new/)).toBeVisible();
  await page.keyboard.press('Escape');

  // Renamed meanwhile: nothing is written before it is said whose name holds.
  const sheet = (await (await page.request.get(`/api/boards/${boardId}/sheet`)).json()) as {
    board: Record<string, unknown>;
  };
  const { id: _id, createdAt_ms: _at, waitingFor: _w, nextAction: _n, outcome: _o, ...told } = sheet.board;
  const renamed = await page.request.patch(`/api/boards/${boardId}`, {
    data: { ...told, name: 'Renamed here' },
  });
  expect(renamed.ok(), await renamed.text()).toBe(true);
  await page
    .locator('input[type=file]')
    .setInputFiles({ name: 'carried.zip', mimeType: 'application/zip', buffer: readFileSync(bundle) });
  await expect(page.getByText('1 row says something else here:')).toBeVisible();
  await page.keyboard.press('i');
  await expect(page.getByText(/Brought in/)).toBeVisible();
  await page.goto(`/boards/${boardId}`);
  await ready(page);
  await expect(
    page.getByRole('link', { name: 'Carried away' }).or(page.getByText('Carried away')).first(),
  ).toBeVisible();
});

test('a bundle that was damaged is refused in words, and the calendar and stock leave as files', async ({
  page,
  baseURL,
  quiet,
}) => {
  quiet.allow(/400/);
  await signIn(page, baseURL!);
  await page.goto('/record');
  await ready(page);
  await page.locator('input[type=file]').setInputFiles({
    name: 'cut.zip',
    mimeType: 'application/zip',
    buffer: Buffer.from('PK\u0003\u0004 cut short'),
  });
  await expect(page.getByRole('alert')).toContainText('is no zip archive, or is damaged');
  const calendar = await page.request.get('/api/calendar.ics');
  expect(await calendar.text()).toMatch(/^BEGIN:VCALENDAR/);
  expect(calendar.headers()['content-type']).toContain('text/calendar');
  expect(await (await page.request.get('/api/stock.csv')).text()).toMatch(/^part,kind,left/);
});
