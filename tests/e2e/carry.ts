import { expect, type Page } from '@playwright/test';
import { readBack, ready, saved, solved } from './bench';

/** Carrying jobs through by keys, and reading what the board's page says of them. */

export const step = (page: Page) => page.getByRole('region', { name: 'This step' });

/** Presses keys one after another until a step of that title stands, and says how many it took. */
export async function carry(page: Page, until: RegExp, { melts }: { melts: boolean }): Promise<number> {
  let presses = 0;
  const press = async (key: string): Promise<void> => {
    const before = await signature();
    await page.keyboard.press(key);
    presses += 1;
    await expect.poll(signature).not.toBe(before);
  };
  const signature = async (): Promise<string> =>
    `${await step(page).getByRole('heading', { level: 2 }).innerText()} ${(await step(page).getByRole('button').allInnerTexts()).join(' ')} ${await step(page).locator('button[disabled]').count()}`;
  for (let i = 0; i < 400; i++) {
    if (until.test(await step(page).getByRole('heading', { level: 2 }).innerText())) return presses;
    const underHeat =
      (await step(page)
        .getByRole('button', { name: /^(Iron|Gun|Tips|Air) off/ })
        .count()) > 0;
    if (underHeat && melts) await press('m');
    presses += await readBack(page);
    await press(' ');
  }
  throw new Error(`no step ${String(until)}`);
}

export async function closeAs(page: Page, outcome: string, fill?: readonly [RegExp, string]): Promise<void> {
  await page.keyboard.press('x');
  await page.getByRole('radio', { name: outcome, exact: true }).check();
  if (outcome === 'parked') await page.getByRole('radio', { name: 'a part' }).check();
  if (fill) await page.getByLabel(fill[0]).fill(fill[1]);
  await page.getByRole('button', { name: `Close as ${outcome}` }).click();
  await expect(page.getByRole('heading', { name: `Closed: ${outcome}` })).toBeVisible();
  await saved(page);
}

export async function planned(page: Page, siteId: string, goal: string): Promise<void> {
  await page.goto(`/sites/${siteId}/plan?goal=${goal}`);
  await solved(page);
  await page.getByRole('button', { name: /Accept and run/ }).click();
  await page.waitForURL('**/jobs/**');
  await ready(page);
  await saved(page);
}

export const openBoardPage = async (page: Page, boardId: string): Promise<void> => {
  await page.goto(`/boards/${boardId}`);
  await ready(page);
};
export const work = (page: Page) => page.getByRole('region', { name: 'Open work' });
export const ledger = (page: Page) => page.getByRole('region', { name: 'Ledger' });

/** The ledger with all of its lines: a long one draws the rest as it is read, or by its button. */
export async function wholeLedger(page: Page) {
  const all = ledger(page).getByRole('button', { name: /^Show all/ });
  if ((await all.count()) > 0) await all.press('Enter');
  return ledger(page);
}
