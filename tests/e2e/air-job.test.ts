import { clockOf, expect, ownBoard, ready, saved, signIn, solved, takeWay, test, upTo } from './bench';

/** A pack of eight leads alone on a board. */
async function placePack(page: Parameters<typeof ownBoard>[0], boardId: string): Promise<string> {
  const answer = await page.request.post(`/api/boards/${boardId}/sites`, {
    data: {
      ref: 'U1',
      side: 'top',
      x_mm: 50,
      y_mm: 40,
      alloy: 'sn60pb40',
      package: { family: 'soic', pins: 8 },
      pads: Array.from({ length: 8 }, (_, i) => ({
        name: String(i + 1),
        net: `N${i + 1}`,
        connections: [{ kind: 'track', width_mm: 0.3 }],
      })),
    },
  });
  return ((await answer.json()) as { id: string }).id;
}

test('a hot-air job is planned, run by keys and recorded: every pad took its heat', async ({
  page,
  baseURL,
}) => {
  await signIn(page, baseURL!);
  const boardId = await ownBoard(page, 'Hot-air job');
  const siteId = await placePack(page, boardId);
  await page.goto(`/sites/${siteId}/plan`);
  await solved(page);
  await takeWay(page, 'ot air');
  await page.getByRole('button', { name: /Accept and run/ }).click();
  await page.waitForURL('**/jobs/**');
  await ready(page);
  await saved(page);

  await upTo(page, /air|Air/);
  await page.keyboard.press(' ');
  await expect(page.getByRole('timer')).toBeVisible();
  await expect.poll(() => clockOf(page)).toBeGreaterThan(1);
  await page.keyboard.press('m');
  await page.keyboard.press(' ');
  await saved(page);

  const entries = async () => {
    const answer = await page.request.get(`${page.url().replace('/jobs/', '/api/jobs/')}/events`);
    return ((await answer.json()) as { events: { kind: string; pad?: string }[] }).events;
  };
  expect((await entries()).filter((e) => e.kind === 'heat-off')).toHaveLength(1);
  // One heat, eight pads under it: what it cost is the server's own entry, some moments after the fact.
  await expect
    .poll(async () => (await entries()).filter((e) => e.kind === 'exposure').map((e) => e.pad), {
      timeout: 20_000,
    })
    .toEqual(Array.from({ length: 8 }, (_, i) => String(i + 1)));
});
