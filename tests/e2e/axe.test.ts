import { expect, ready, test } from './bench';
import { graveOn } from './grave';
import { SIZES } from './sizes';

/**
 * Every view at four widths and in both themes: nothing runs over its edge, and nothing that axe-core calls moderate or worse (WCAG 2.2
 * A and AA).
 */
const VIEWS: readonly (readonly [name: string, path: string])[] = [
  ['bench', '/'],
  ['board', '/boards/demo-beacon-4'],
  ['board with a history', '/boards/demo-projector-m2'],
  ['plan', '/sites/demo-tide-1-C4/plan'],
  ['hot air', '/sites/demo-beacon-4-U7/air'],
  ['continuity', '/sites/demo-door-7-J1/check'],
  ['run', '/jobs/demo-job-wind'],
  ['job that is done', '/jobs/demo-job-tide'],
  ['plan and done', '/jobs/demo-job-tide/plan'],
  ['whole board', '/boards/demo-projector-m2/recap'],
  ['photos', '/boards/demo-beacon-4/photos'],
  ['import', '/boards/demo-beacon-4/import'],
  ['place a site', '/boards/demo-beacon-4/place'],
  ['correct a site', '/sites/demo-tide-1-C4/edit'],
  ['take in a board', '/boards/new'],
  ['what is told of a board', '/boards/demo-beacon-4/edit'],
  ['label', '/boards/demo-beacon-4/label'],
  ['rig', '/rig'],
  ['record', '/record'],
  ['take out', '/boards/demo-beacon-4/out'],
  ['outcomes', '/outcomes'],
  ['outcomes over time', '/outcomes?view=time&harm=bridged'],
  ['outcomes held against plans', '/outcomes?view=held&sort=tool'],
  ['outcomes by heat', '/outcomes?view=heat'],
  ['outcomes by cause', '/outcomes?view=causes'],
  ['counted jobs', '/outcomes/jobs?with=bridged'],
  ['month', '/outcomes/month?month=2026-10'],
  ['parts', '/parts'],
  ['swap check', '/parts?site=demo-beacon-4-C7'],
  ['kits', '/parts?place=kits'],
  ['contents', '/sites/demo-projector-m2-U21/memory'],
  ['simulated instruments', '/stand-ins'],
];

for (const [name, path] of VIEWS) {
  test(`axe finds nothing and nothing runs over: ${name}, at four widths, in daylight and lamp off`, async ({
    page,
    baseURL,
  }) => {
    await page.context().addCookies([{ name: 'ithermon_by', value: 'MK', url: baseURL! }]);
    const answer = await page.goto(path);
    expect(answer!.status()).toBe(200);
    await ready(page);
    for (const [width, height] of SIZES) {
      await page.setViewportSize({ width, height });
      // A chart follows its frame a moment later.
      await expect
        .poll(() => page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth), {
          message: `${width} wide`,
        })
        .toBeLessThanOrEqual(0);
      expect(await graveOn(page), `${width} wide`).toEqual([]);
    }
    // A theme changes colours alone.
    await page.evaluate(() => {
      document.documentElement.dataset['theme'] = 'lamp-off';
    });
    expect(await graveOn(page, ['color-contrast'])).toEqual([]);
  });
}

/** Dialogs, by the keys that open each. */
const DIALOGS: readonly (readonly [name: string, path: string, keys: string])[] = [
  ['hand back', '/boards/demo-tide-1', 'h'],
  ['park', '/boards/demo-beacon-4', 'z'],
  ['scrap', '/boards/demo-beacon-4', 'x'],
  ['what stands on a site', '/boards/demo-beacon-4', '.s'],
  ['more', '/boards/demo-beacon-4', '.'],
  ['start a clock', '/boards/demo-beacon-4', '.c'],
  ['close a job', '/jobs/demo-job-wind', 'x'],
  ['take an entry back', '/jobs/demo-job-wind', 'g'],
  ['note', '/jobs/demo-job-wind', 'n'],
];

test('axe finds nothing serious in any dialog, and each is left by Escape with the keys working again', async ({
  page,
  baseURL,
}) => {
  test.setTimeout(120_000);
  await page.context().addCookies([{ name: 'ithermon_by', value: 'MK', url: baseURL! }]);
  for (const [name, path, keys] of DIALOGS) {
    await page.goto(path);
    await ready(page);
    for (let time = 0; time < 2; time++) {
      for (const key of keys) await page.keyboard.press(key);
      const dialog = page.getByRole('dialog');
      await expect(dialog, name).toBeVisible();
      if (time === 0) expect(await graveOn(page), name).toEqual([]);
      await page.keyboard.press('Escape');
      await expect(dialog, name).toHaveCount(0);
    }
  }
});
