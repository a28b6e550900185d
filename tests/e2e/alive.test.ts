import { BOARD, CAPACITOR, expect, ready, saved, signIn, solved, test } from './bench';
import { OwnServer } from './ownServer';

/**
 * The bench alive, as its issue says it is done: a job planned, run against the stand-ins from pre-warm to drying and closed,
 * by keyboard alone, with a wrong set temperature caught, one thermocouple failing in the middle, a server that is killed and
 * started again, and a second screen that watches; its report shows planned against actual.
 */
test('a whole job with instruments, by keyboard, over a wrong setting, a broken wire, a killed server and a second screen', async ({
  page,
  quiet,
}) => {
  test.setTimeout(240_000);
  // While the server is away its lines break.
  quiet.allow(
    /ERR_CONNECTION_REFUSED|ERR_INCOMPLETE_CHUNKED|ERR_EMPTY_RESPONSE|ERR_CONNECTION_RESET|failed: .*\/api\//,
  );
  // Starting anew it says that it is: the screen keeps what was pressed, and sends it again.
  quiet.allow(/^503: |status of 503/);
  const server = new OwnServer();
  await server.start();
  try {
    const { base } = server;
    await signIn(page, base);
    const at = (path: string): string => `${base}${path}`;
    const board = await page.request.post(at('/api/boards'), { data: BOARD });
    const boardId = ((await board.json()) as { id: string }).id;
    const site = await page.request.post(at(`/api/boards/${boardId}/sites`), {
      data: { ...CAPACITOR, ref: 'C1', x_mm: 50, y_mm: 40 },
    });
    const siteId = ((await site.json()) as { id: string }).id;

    // Planned, with the board warmed from below: by keys.
    await page.goto(at(`/sites/${siteId}/plan?goal=reflow`));
    await solved(page);
    const warmed = page.getByText(/board warmed at \d+ °C/);
    if ((await warmed.count()) === 0) await page.keyboard.press('w');
    await expect(warmed.first()).toBeVisible();
    await solved(page);
    await page.keyboard.press('a');
    await page.waitForURL('**/jobs/**');
    await ready(page);
    await saved(page);
    const jobId = /jobs\/([^/?]+)/.exec(page.url())![1]!;
    const device = async (id: string, body: object): Promise<void> => {
      // On a busy machine a device answers late, and whoever turned its knob turns it again.
      await expect(async () => {
        const answer = await page.request.post(at(`/api/instruments/${id}/do`), { data: body });
        expect(answer.status(), await answer.text()).toBe(200);
      }).toPass({ timeout: 15_000 });
    };
    const lay = async (): Promise<void> => {
      await expect
        .poll(async () => (await page.request.post(at(`/api/jobs/${jobId}/lay`), { data: {} })).status())
        .toBe(200);
    };
    await lay();
    const watching = await page.context().newPage();
    await watching.goto(page.url());
    await ready(watching);
    await page.bringToFront();

    const step = page.getByRole('region', { name: 'This step' });
    const title = step.getByRole('heading', { level: 2 });
    /** One step by keys: what is read is typed, a clock that runs is ended with its usual reason. */
    const byKeys = async (to: RegExp): Promise<void> => {
      for (let i = 0; i < 30; i++) {
        const now = await title.innerText();
        if (to.test(now)) return;
        await page.keyboard.press('Space');
        const early = page.getByRole('region', { name: 'Why it ends early' });
        await expect.poll(async () => `${await title.innerText()}${await early.count()}`).not.toBe(`${now}0`);
        if ((await early.count()) > 0) {
          await page.keyboard.press('Enter');
          await expect(title).not.toHaveText(now);
        }
        await saved(page);
      }
      throw new Error(`no step ${String(to)}`);
    };

    // A station left at another temperature is caught by what it says itself.
    await device('iron-station', { what: 'fault', id: 'other-set', on: true });
    await byKeys(/Set the station/);
    await expect(step.getByRole('alert')).toContainText('display shows 480 °C');
    await page.keyboard.press('Space');
    await expect(title).toHaveText('Set the station');
    const [, planned] = /plan is for (\d+) °C/.exec(await step.innerText())!;
    await device('iron-station', { what: 'fault', id: 'other-set', on: false });
    await device('iron-station', { what: 'knob', id: 'setpoint', value: Number(planned) });
    await expect(step.getByRole('alert')).toHaveCount(0);
    await page.keyboard.press('Enter');
    await expect(title).not.toHaveText('Set the station');

    // The first pin, read by thermocouples; one of them comes off.
    await byKeys(/^Heat pin/);
    const live = page.getByRole('region', { name: 'Live temperatures' });
    await expect(live.getByText(/Channel 1 .*\d+ °C/)).toBeVisible();
    const pad = /pin (\S+)/.exec(await title.innerText())![1]!;
    await page.keyboard.press('Space');
    await device('iron-station', { what: 'knob', id: 'on', value: pad });
    await device('tc-logger', { what: 'fault', id: 'tc1-open', on: true });
    await expect(live.getByText('open: no reading')).toBeVisible();
    await page.keyboard.press('m');
    await page.keyboard.press('Space');
    await device('iron-station', { what: 'knob', id: 'on', value: '' });
    await saved(page);
    const second = await title.innerText();
    await expect(
      watching.getByRole('region', { name: 'This step' }).getByRole('heading', { level: 2 }),
    ).toHaveText(second, { timeout: 2000 });

    // The server is killed in the middle; what is pressed meanwhile waits and is sent once.
    await server.stop('SIGKILL');
    await page.keyboard.press('n');
    await page.keyboard.type('written while the server was away');
    await page.keyboard.press('Enter');
    await expect(page.locator('[data-unsent="1"]')).toBeVisible();
    await server.start();
    await saved(page);
    await lay();

    // The other pin, cleaning, drying, and power only by a supply that was read.
    while (/^Heat pin/.test(await title.innerText())) {
      const now = await title.innerText();
      await page.keyboard.press('Space');
      await expect(step.getByRole('timer', { name: 'Time under heat' })).toBeVisible();
      await page.waitForTimeout(900);
      await page.keyboard.press('m');
      await page.keyboard.press('Space');
      await expect(title).not.toHaveText(now);
      await saved(page);
    }
    await byKeys(/Let it dry/);
    await byKeys(/Supply before first power/);
    // Its output is off: nothing was read, and nothing passes.
    await page.keyboard.type('12');
    await page.keyboard.press('Escape');
    await page.keyboard.press('Space');
    await expect(step.getByRole('alert')).toContainText('Nothing was read at the plug');
    for (const [id, value] of [
      ['volts', 12],
      ['limit', 0.5],
      ['output', 'on'],
    ] as const)
      await device('bench-supply', { what: 'knob', id, value });
    await expect(step.getByText('Bench supply reads 12.0 V, limit 0.5 A.')).toBeVisible();
    await page.keyboard.press('Space');
    await expect(title).toHaveText('Close the job');
    await page.keyboard.press('Space');
    const dialog = page.getByRole('dialog', { name: 'Close the job' });
    await expect(dialog).toBeVisible();
    await dialog.getByRole('radio').first().focus();
    await page.keyboard.press('f');
    await page.keyboard.press('Enter');
    await expect(dialog).toBeHidden();
    await saved(page);
    await expect(watching.getByText(/Closed|fixed/i).first()).toBeVisible();

    // Each entry once and in order, and the report tells planned and actual.
    const { events } = (await (await page.request.get(at(`/api/jobs/${jobId}/events`))).json()) as {
      events: { kind: string; seq: number; text?: string }[];
    };
    expect(events.map((e) => e.seq)).toEqual(events.map((_, i) => i + 1));
    expect(events.filter((e) => e.text?.includes('server was away'))).toHaveLength(1);
    const report = await (await page.request.get(at(`/api/jobs/${jobId}/report`))).text();
    expect(report).toContain('# Report: C1');
    expect(report).toMatch(/\| heat \| melt planned \| melt \| stop \|/);
    expect(report).toMatch(/\| pin 1 \| [\d.]+ s to [\d.]+ s \| [\d.]+ s/);
    expect(report).toContain('12 V asked, limit');
    expect(report).toContain('Clock ended with');
    expect(report).toContain('written while the server was away');
    await watching.close();
    await page.goto('about:blank');
  } finally {
    await server.end();
  }
});
