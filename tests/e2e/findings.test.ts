import { expect, ownBoard, ready, signIn, test } from './bench';
import type { Page } from '@playwright/test';

const NETS: Readonly<Record<number, string>> = { 1: 'GND', 2: 'V5', 3: 'GND', 40: 'GND', 41: 'GND' };

/** A board with one 100-pin pack; pins 1, 3, 40 and 41 are ground, pin 2 a supply. */
async function withPack(page: Page, name: string): Promise<string> {
  const boardId = await ownBoard(page, name);
  await page.request.post(`/api/boards/${boardId}/sites`, {
    data: {
      ref: 'U1',
      side: 'top',
      x_mm: 50,
      y_mm: 40,
      alloy: 'sn60pb40',
      package: { family: 'qfp', pins: 100 },
      pads: Array.from({ length: 100 }, (_, i) => ({
        name: String(i + 1),
        net: NETS[i + 1] ?? `N${i + 1}`,
        connections: [{ kind: 'track', width_mm: 0.2 }],
      })),
    },
  });
  await page.goto(`/boards/${boardId}`);
  await ready(page);
  return boardId;
}

test('a surface part is placed by the form, its ground pins in one stroke', async ({ page, baseURL }) => {
  await signIn(page, baseURL!);
  const boardId = await ownBoard(page, 'Placed pack');
  await page.goto(`/boards/${boardId}/place`);
  await ready(page);
  await page.getByLabel('Reference').fill('U9');
  await page.getByLabel('Family').selectOption('qfp');
  await page.getByLabel('Pins', { exact: true }).fill('43');
  await page.getByRole('button', { name: 'Place it', exact: true }).click();
  await expect(page.getByText(/is 43; give a multiple of four pins/).first()).toBeVisible();
  await page.getByLabel('Pins', { exact: true }).fill('44');
  await page.getByLabel('Pitch, mm').fill('0,8');
  await page.getByLabel('Ground pins').fill('6, 18-19');
  await expect(page.getByRole('option', { name: /^Pin 19, GND/ })).toBeVisible();
  await page.getByRole('button', { name: 'Place it', exact: true }).click();
  await page.waitForURL(`**/boards/${boardId}*`);
  await ready(page);
  await expect(page.getByText('QFP, 44 pads, pitch 0.8 mm')).toBeVisible();
});

const state = (page: Page, pin: number, name: RegExp) =>
  expect(page.getByRole('option', { name: new RegExp(`^Pin ${pin}, .*`) })).toHaveAttribute(
    'aria-label',
    name,
  );

test('keyboard alone on a 100-pin pack: a run, a bridge each way, a life that can be read', async ({
  page,
  baseURL,
}) => {
  await signIn(page, baseURL!);
  const boardId = await withPack(page, 'Keyed pack');
  await page.keyboard.press('q');
  // A pin by its number, then three more with Shift: two keystrokes from there mark them all.
  for (const key of ['1', '0']) await page.keyboard.press(key);
  for (let i = 0; i < 3; i++) await page.keyboard.press('Shift+ArrowDown');
  await expect(page.getByText('Mark pins 10 to 13')).toBeVisible();
  await page.keyboard.press('o');
  for (const pin of [10, 11, 12, 13]) await state(page, pin, /Corroded/);
  await state(page, 14, /Sound/);

  // Pins 1 and 2 are two nets: a defect. Pins 40 and 41 are one: joined on purpose.
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('1');
  await page.keyboard.press('Shift+ArrowDown');
  await page.keyboard.press('b');
  await expect(page.getByText('Pin 1 is GND, pin 2 is V5: a defect.')).toBeVisible();
  await state(page, 1, /Bridged/);
  for (const key of ['4', '0']) await page.keyboard.press(key);
  await page.keyboard.press('b');
  await expect(page.getByText(/choose the other pad/)).toBeVisible();
  for (const key of ['4', '1', 'Enter']) await page.keyboard.press(key);
  await expect(page.getByText(/are both GND: recorded as an intentional bridge/)).toBeVisible();
  await state(page, 40, /Intentional bridge/);

  // A finding is followed by the next; both stay to be read, here and after a reload.
  for (const key of ['1', '2']) await page.keyboard.press(key);
  await page.keyboard.press('r');
  // A claim of a repair is asked twice.
  await expect(page.getByText(/claims a repair on pin 12/)).toBeVisible();
  await state(page, 12, /Corroded/);
  await page.keyboard.press('r');
  await state(page, 12, /Repaired/);
  await page.reload();
  await ready(page);
  await page.getByRole('option', { name: /^Pin 12,/ }).click();
  const life = page.getByRole('region', { name: 'Life of pin 12' });
  await expect(life.getByRole('listitem')).toHaveCount(2);
  await expect(life.getByRole('listitem').first()).toContainText('corroded, as received');
  expect(boardId).toBeTruthy();
});

test('by mouse: a box over pads takes them, a note and “done here” go with the finding', async ({
  page,
  baseURL,
}) => {
  await signIn(page, baseURL!);
  await withPack(page, 'Dragged pack');
  const lands = page.getByRole('listbox');
  await lands.scrollIntoViewIfNeeded();
  const [first, last] = await Promise.all(
    [5, 9].map((pin) => page.getByRole('option', { name: new RegExp(`^Pin ${pin},`) }).boundingBox()),
  );
  await page.mouse.move(first!.x - 30, first!.y - 1);
  await page.mouse.down();
  await page.mouse.move(last!.x + last!.width + 2, last!.y + last!.height / 2, { steps: 5 });
  await page.mouse.move(last!.x + last!.width + 4, last!.y + last!.height + 1);
  await page.mouse.up();
  await expect(page.getByText(/Mark pins 5 to 9/)).toBeVisible();
  await page.getByText('done here').click();
  await page.getByLabel(/Note that goes with it/).fill('<i>wicked twice</i>');
  await page.getByLabel(/^Mark pins/).selectOption('insufficient');
  await state(page, 7, /Insufficient/);
  const life = page.getByRole('region', { name: /Life of pin/ });
  await expect(life).toContainText('insufficient solder, here. <i>wicked twice</i>');
  await expect(page.getByLabel(/Note that goes with it/)).toHaveValue('');

  // Closer to the pack, and further again.
  await page.getByRole('button', { name: 'Closer' }).click();
  await expect(lands).toHaveAttribute('viewBox', /^/);
  const near = await lands.getAttribute('viewBox');
  await page.getByRole('button', { name: 'Further' }).click();
  expect(await lands.getAttribute('viewBox')).not.toBe(near);
});
