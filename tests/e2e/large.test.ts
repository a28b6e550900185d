import { expect, ready, ownBoard, signIn, test } from './bench';

/** A board of thousands of pads: nobody waits for it but whoever opens it (findings A15). */

const PINS = 64;
const PACKS = 60;

test('a board of 3,840 pads is imported, opened and checked, with its sheet apart from the page', async ({
  page,
  baseURL,
}) => {
  await signIn(page, baseURL!);
  const boardId = await ownBoard(page, 'Many pads', { length_mm: 200, width_mm: 160 });
  const sites = Array.from({ length: PACKS }, (_, i) => ({
    ref: `U${i + 1}`,
    side: 'top',
    x_mm: 12 + (i % 10) * 18,
    y_mm: 12 + Math.floor(i / 10) * 20,
    alloy: 'sac305',
    package: { family: 'qfp', pins: PINS, pitch_mm: 0.5 },
    pads: Array.from({ length: PINS }, (_, k) => ({
      name: String(k + 1),
      net: `N${k}`,
      connections: [{ kind: 'track', width_mm: 0.2 }],
    })),
  }));
  const files = [{ name: 'parts.csv', kind: 'table', count: PACKS }];
  const data = { by: 'MK', files, sites, copper: [], profile: null };
  const taken = await page.request.post(`/api/boards/${boardId}/imports`, { data });
  expect(taken.status()).toBe(201);
  const { siteIds } = (await taken.json()) as { siteIds: readonly string[] };

  const answer = await page.goto(`/boards/${boardId}`);
  expect((await answer!.body()).byteLength).toBeLessThan(60_000);
  await ready(page);
  await expect(page.getByRole('listbox').first()).toBeVisible();
  await expect(page.getByText('U1').first()).toBeVisible();

  const check = await page.goto(`/sites/${siteIds[0]}/check`);
  expect((await check!.body()).byteLength).toBeLessThan(60_000);
  await ready(page);
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Many pads');

  // Whatever else is opened of it comes without its parts, and has them a moment later.
  for (const path of ['photos', 'import', 'recap'].map((at) => `boards/${boardId}/${at}`)) {
    const other = await page.goto(`/${path}`);
    expect((await other!.body()).byteLength, path).toBeLessThan(60_000);
    await ready(page);
  }
  for (const path of [`boards/${boardId}/place`, `sites/${siteIds[0]}/edit`]) {
    const other = await page.goto(`/${path}`);
    expect((await other!.body()).byteLength, path).toBeLessThan(120_000);
    await ready(page);
    await expect(page.getByRole('textbox', { name: 'Reference' }), path).toBeVisible();
  }
});
