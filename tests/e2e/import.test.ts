import { readFileSync } from 'node:fs';
import { expect, ownBoard, ready, signIn, test } from './bench';
import type { FileChooser, Page } from '@playwright/test';

const FOLDER = 'samples/beacon-driver/beacon-driver';
const FILES = ['.ipc', '-top.gbr', '-bottom.gbr', '.drl', '-profile.gbr', '-places.csv'].map(
  (end) => `${FOLDER}${end}`,
);
const LIKE_BEACON = {
  length_mm: 160,
  width_mm: 100,
  copperLayers: [0.3, 0.9, 0.9, 0.3].map((coverage) => ({ weight_oz: 1, coverage })),
};

const read = (page: Page) => page.locator('[data-read]').waitFor();
const choose = (page: Page, files: string[] | { name: string; mimeType: string; buffer: Buffer }) =>
  page.locator('input[type=file]').setInputFiles(files);

test('a blank board gets its face from files: preview, one part struck out, accepted, undone', async ({
  page,
  baseURL,
}) => {
  await signIn(page, baseURL!);
  const boardId = await ownBoard(page, 'Blank beacon', LIKE_BEACON);
  await page.goto(`/boards/${boardId}`);
  await ready(page);
  await page.getByRole('link', { name: /Import files/ }).click();
  await page.waitForURL('**/import');
  await ready(page);
  await choose(page, FILES);
  await read(page);
  await expect(
    page.getByText(/9 parts, \d+ nets, copper of 2 layers, its edge, \d+ holes\. Nothing is written yet\./),
  ).toBeVisible();
  await expect(page.getByText('QFP, 44 pads, pitch 0.8 mm')).toBeVisible();
  // Nothing is written until it is accepted: a reload finds the board blank.
  await page.reload();
  await ready(page);
  await page.goto(`/boards/${boardId}`);
  await expect(page.getByText('No part on this board yet')).toBeVisible();

  await page.goto(`/boards/${boardId}/import`);
  await ready(page);
  await choose(page, FILES);
  await read(page);
  await page.getByRole('checkbox', { name: 'R34' }).uncheck();
  await expect(page.getByText(/8 parts/)).toBeVisible();
  // Its lands fit a socket as well as the part itself: that is for a person to say.
  await page.getByRole('button', { name: /^Dual in-line, 14 pins/ }).click();
  await page.getByLabel('Its pads fit').selectOption('Socket, dual in-line, 14 pins, pitch 2.54 mm');
  await page.getByRole('button', { name: /Write it to the board/ }).click();
  await page.waitForURL(`**/boards/${boardId}*`);
  await ready(page);
  await expect(page.getByRole('button', { name: /^U7,/ })).toBeVisible();
  await expect(page.getByRole('button', { name: /^R34,/ })).toHaveCount(0);
  await page.getByRole('button', { name: /^U3,/ }).click();
  await expect(page.getByText(/Socket, dual in-line, 14 pins/)).toBeVisible();
  await expect(page.getByText(/Imported 8 parts from beacon-driver\.ipc/)).toBeVisible();
  await expect(page.locator('svg image')).toBeVisible();

  // The same files again: every reference is taken but the one that was struck out.
  for (const key of ['.', 'i']) await page.keyboard.press(key);
  await page.waitForURL('**/import');
  await ready(page);
  await choose(page, FILES);
  await read(page);
  await expect(page.getByText('the board has a site of this reference already')).toHaveCount(8);

  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText('undone', { exact: true })).toBeVisible();
  await page.goto(`/boards/${boardId}`);
  await expect(page.getByText('No part on this board yet')).toBeVisible();
  await expect(page.getByText(/Import undone: 8 parts/)).toBeVisible();
});

test('by keyboard alone, with lines that are not understood named', async ({ page, baseURL }) => {
  await signIn(page, baseURL!);
  const boardId = await ownBoard(page, 'Keyed import', LIKE_BEACON);
  // Listened for from the start: the browser has to be told before a dialog is asked for.
  let chooser: FileChooser | null = null;
  page.on('filechooser', (opened) => (chooser = opened));
  await page.goto(`/boards/${boardId}/import`);
  await ready(page);
  const netlist = [
    'P  UNITS CUST 1',
    '327IN               R1    -1          A01X+020000Y+020000X0900Y1300R000 S0',
    '327OUT              R1    -2          A01X+022000Y+020000X0900Y1300R000 S0',
    '<b>this line is rubbish</b>',
    '999',
  ].join('\n');
  await page.keyboard.press('n');
  await expect.poll(() => chooser !== null).toBe(true);
  await chooser!.setFiles({ name: 'two.ipc', mimeType: 'text/plain', buffer: Buffer.from(netlist) });
  await read(page);
  await expect(page.getByText('1 line not understood')).toBeVisible();
  await page.getByText('1 line not understood').click();
  // Markup in a file is shown as it stands.
  await expect(page.getByText('<b>this line is rubbish</b>')).toBeVisible();
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('x');
  await expect(page.getByRole('checkbox', { name: 'R1' })).not.toBeChecked();
  await page.keyboard.press('x');
  await page.keyboard.press('a');
  await page.waitForURL(`**/boards/${boardId}*`);
  await ready(page);
  await expect(page.getByText('Chip, two terminations, 2 pads, 0805')).toBeVisible();
});

test('a shift moves what is planned, and what leaves the board is said to', async ({ page, baseURL }) => {
  await signIn(page, baseURL!);
  const boardId = await ownBoard(page, 'Shifted', LIKE_BEACON);
  await page.goto(`/boards/${boardId}/import`);
  await ready(page);
  await choose(page, [`${FOLDER}.ipc`]);
  await read(page);
  const shift = page.getByLabel('Shift x, mm');
  await shift.fill('60');
  await shift.blur();
  await expect(page.getByText(/lies off the board/).first()).toBeVisible();
  await choose(page, {
    name: 'nothing.bin',
    mimeType: 'application/octet-stream',
    buffer: Buffer.from([0, 1, 2]),
  });
  await expect(page.getByText('not understood', { exact: false }).first()).toBeVisible();
});

test('a list without known headings is read once its columns are said', async ({ page, baseURL }) => {
  await signIn(page, baseURL!);
  const boardId = await ownBoard(page, 'Odd list');
  await page.goto(`/boards/${boardId}/import`);
  await ready(page);
  await choose(page, {
    name: 'odd.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('Thing;Across;Up;Kind\nR1;10;20;0603\nR2;12,5;20;0603\n'),
  });
  await read(page);
  await expect(page.getByText(/^0 parts/)).toBeVisible();
  for (const [label, heading] of [
    ['Reference', 'Thing'],
    ['Footprint', 'Kind'],
    ['x', 'Across'],
    ['y', 'Up'],
  ] as const)
    await page.getByLabel(label, { exact: true }).selectOption({ label: heading });
  await expect(page.getByText(/^2 parts/)).toBeVisible();
  await page.getByRole('button', { name: /Write it to the board/ }).click();
  await page.waitForURL(`**/boards/${boardId}*`);
  await ready(page);
  await expect(page.getByRole('button', { name: /^R2\b.*top side/ })).toBeVisible();
});

test('a drill file in the wrong unit is doubted, and the reading that fits is taken by one key', async ({
  page,
  baseURL,
}) => {
  await signIn(page, baseURL!);
  const boardId = await ownBoard(page, 'Doubted files', LIKE_BEACON);
  await page.goto(`/boards/${boardId}/import`);
  await ready(page);
  const files = FILES.map((name) => {
    const text = readFileSync(name, 'utf8');
    const buffer = Buffer.from(name.endsWith('.drl') ? text.replace('METRIC', 'INCH') : text);
    return { name: name.slice(FOLDER.lastIndexOf('/') + 1), mimeType: 'text/plain', buffer };
  });
  await page.locator('input[type=file]').setInputFiles(files);
  await read(page);
  await expect(page.getByText(/beacon-driver\.drl does not fit/)).toBeVisible();
  await page.keyboard.press('f');
  await expect(page.getByText(/beacon-driver\.drl does not fit/)).toHaveCount(0);
  await expect(page.getByText(/9 parts, \d+ nets, copper of 2 layers, its edge, 26 holes/)).toBeVisible();
  // A person's word can be taken back.
  await page.getByRole('button', { name: 'read as written' }).click();
  await expect(page.getByText(/beacon-driver\.drl does not fit/)).toBeVisible();
  await page.keyboard.press('o');
  await expect(page.getByText(/beacon-driver\.drl does not fit/)).toHaveCount(0);
  await expect(page.getByText(/9 parts, \d+ nets, copper of 2 layers, its edge\. Nothing/)).toBeVisible();
});

test('Esc ends the reader of a file that takes long, and the next file is read at once', async ({
  page,
  baseURL,
}) => {
  await signIn(page, baseURL!);
  const boardId = await ownBoard(page, 'Stopped files', LIKE_BEACON);
  await page.goto(`/boards/${boardId}/import`);
  await ready(page);
  // Regions that cross a thousand times at every height: some minutes of painting.
  const region = Array.from(
    { length: 3000 },
    (_, i) => `X${((i * 7919) % 150_000) * 1000}Y${i % 2 === 0 ? 0 : 99_000_000}D01*`,
  ).join('');
  const slow = `%TF.FileFunction,Copper,L1,Top*%%FSLAX46Y46*%%MOMM*%${`G36*X0Y0D02*G01*${region}G37*`.repeat(120)}M02*`;
  await choose(page, { name: 'slow.gbr', mimeType: 'text/plain', buffer: Buffer.from(slow) });
  await expect(page.getByRole('progressbar')).toBeVisible();
  await page.waitForTimeout(1500);
  await page.keyboard.press('Escape');
  await expect(page.getByText(/^Stopped\./)).toBeVisible({ timeout: 2000 });
  await page.getByRole('button', { name: 'leave out' }).click();
  await choose(page, [`${FOLDER}.ipc`]);
  await read(page);
  await expect(page.getByText(/9 parts/)).toBeVisible();
});
