import { expect, test as base, type Page } from '@playwright/test';
import { portOf } from './workers';

/** A test at the bench computer of its own worker, with no page watched. */
export const bare = base.extend({
  baseURL: async ({}, use, info) => use(`http://127.0.0.1:${portOf(info.parallelIndex)}`),
});

/** Every page in these tests fails its test on a console error, a page error or a failed request. */
export const test = bare.extend<{ quiet: { allow: (pattern: RegExp) => void } }>({
  quiet: [
    async ({ page }, use) => {
      const allowed: RegExp[] = [];
      const heard: string[] = [];
      const hear = (line: string): void => {
        if (!allowed.some((pattern) => pattern.test(line))) heard.push(line);
      };
      page.on('console', (message) => message.type() === 'error' && hear(`console: ${message.text()}`));
      page.on('pageerror', (error) => hear(`page error: ${error.message}`));
      page.on('requestfailed', (request) => {
        // A page that is left cancels what it was still asking for.
        if (request.failure()?.errorText !== 'net::ERR_ABORTED') hear(`failed: ${request.url()}`);
      });
      page.on(
        'response',
        (response) => response.status() >= 400 && hear(`${response.status()}: ${response.url()}`),
      );
      await use({ allow: (pattern) => void allowed.push(pattern) });
      expect(heard).toEqual([]);
    },
    { auto: true },
  ],
});

export { expect };

export const ready = (page: Page) => page.locator('main [data-ready]').first().waitFor();
export const solved = (page: Page) => page.locator('[data-solved]').waitFor({ timeout: 75_000 });
export const saved = (page: Page) => page.locator('[data-unsent="0"]').waitFor();

export async function signIn(page: Page, baseURL: string): Promise<void> {
  await page.context().addCookies([{ name: 'ithermon_by', value: 'MK', url: baseURL }]);
}

export const BOARD = {
  name: 'Test rig board',
  owner: 'MK',
  fault: 'dead',
  construction: {
    length_mm: 100,
    width_mm: 80,
    thickness_mm: 1.6,
    laminate: 'fr4-standard',
    copperLayers: [
      { weight_oz: 1, coverage: 0.3 },
      { weight_oz: 1, coverage: 0.4 },
    ],
  },
};

/** A capacitor between OUT and GND, but for its name and place. */
export const CAPACITOR = {
  side: 'top',
  alloy: 'sn60pb40',
  package: {
    family: 'radial',
    pins: 2,
    pitch_mm: 5,
    leadDiameter_mm: 0.6,
    holeDiameter_mm: 0.9,
    bodyDiameter_mm: 8,
  },
  pads: [
    { name: '1', net: 'OUT', connections: [{ kind: 'track', width_mm: 0.4 }] },
    { name: '2', net: 'GND', connections: [{ kind: 'thermal-relief', layers: [2] }] },
  ],
};

/** A board of the test's own, bare; its identifier is given back. */
export async function ownBoard(
  page: Page,
  name: string,
  changes: object = {},
  told: object = {},
): Promise<string> {
  const construction = { ...BOARD.construction, ...changes };
  const board = await page.request.post('/api/boards', { data: { ...BOARD, name, construction, ...told } });
  return ((await board.json()) as { id: string }).id;
}

/** Puts a capacitor between OUT and GND on a board; its identifier is given back. */
export async function placeCapacitor(
  page: Page,
  boardId: string,
  ref: string,
  x_mm: number,
  y_mm = 40,
): Promise<string> {
  const site = await page.request.post(`/api/boards/${boardId}/sites`, {
    data: { ...CAPACITOR, ref, x_mm, y_mm },
  });
  return ((await site.json()) as { id: string }).id;
}

/** A board of the test's own with one capacitor; the site's address is given back. */
export async function ownSite(page: Page, name: string): Promise<{ boardId: string; siteId: string }> {
  const boardId = await ownBoard(page, name);
  const siteId = await placeCapacitor(page, boardId, 'C1', 50);
  return { boardId, siteId };
}

/** Opens a plan, takes the plan's own choice and accepts it: the job's page. */
export async function accepted(page: Page, siteId: string): Promise<void> {
  await page.goto(`/sites/${siteId}/plan`);
  await solved(page);
  await page.getByRole('button', { name: /Accept and run/ }).click();
  await page.waitForURL('**/jobs/**');
  await ready(page);
  await saved(page);
}

/** What a step asks to be read: stored charge as good as gone, a display as the plan has it; how many presses that took. */
export async function readBack(page: Page): Promise<number> {
  const step = page.getByRole('region', { name: 'This step' });
  const charge = step.getByLabel('Left over the reservoirs, V (below 60)');
  if ((await charge.count()) > 0) {
    await charge.fill('1');
    await step.getByLabel('Again a minute later, V').fill('2');
    return 2;
  }
  const asks = step.getByLabel('The unit asks, V');
  if ((await asks.count()) > 0) {
    const fields = [
      asks,
      step.getByLabel('At the plug, V (− if turned)'),
      step.getByLabel('Current limit, A'),
    ];
    let typed = 0;
    for (const [i, figure] of ['12', '12', '.5'].entries()) {
      // What was told of the board, or of the bench, stands there already.
      if (!(await fields[i]!.isEditable()) || (await fields[i]!.inputValue()) !== '') continue;
      await fields[i]!.fill(figure);
      typed += figure.length;
    }
    return typed;
  }
  const field = step.getByLabel('Its display shows, °C');
  if ((await field.count()) === 0) return 0;
  const [, planned] = /(\d+) °C/.exec(await step.innerText())!;
  await field.fill(planned!);
  return planned!.length;
}

/** Confirms and ends steps one after another until the one with that title stands. */
export async function upTo(page: Page, title: RegExp | string): Promise<void> {
  const heading = page.getByRole('region', { name: 'This step' }).getByRole('heading', { level: 2 });
  for (let i = 0; i < 20; i++) {
    const now = await heading.innerText();
    if (typeof title === 'string' ? now === title : title.test(now)) return;
    await readBack(page);
    await page
      .getByRole('button', {
        name: /^(Confirmed|Measured|Read back|Supply is right|Done|End it early|Next step|It is off|It moved freely|Yes, they moved freely)/,
      })
      .click();
    const early = page.getByRole('region', { name: 'Why it ends early' });
    if ((await early.count()) > 0) await early.getByRole('button').first().click();
    await expect
      .poll(
        async () =>
          `${await heading.innerText()}${await page.getByText(/ends early|Yes, they moved freely/).count()}`,
      )
      .not.toBe(`${now}0`);
  }
  throw new Error(`no step ${String(title)}`);
}

/** Takes a way by its name, unless it is the one that is set. */
export async function takeWay(page: Page, name: string): Promise<void> {
  const ways = page.getByRole('list', { name: 'Ways to do it' });
  const way = ways.getByRole('button', { name: new RegExp(`^(?!Why).*${name}`, 's') });
  if ((await way.getAttribute('aria-pressed')) === 'true') return;
  await way.click();
  await solved(page);
}

export const clockOf = async (page: Page): Promise<number> =>
  parseFloat(await page.getByRole('timer').innerText());
