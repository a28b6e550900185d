import { chromium } from 'playwright-core';
import { AxeBuilder } from '@axe-core/playwright';
import { CHROMIUM } from './browser.mjs';
const base = process.argv[2];
const browser = await chromium.launch(CHROMIUM);
const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
await context.addCookies([{ name: 'ithermon_by', value: 'MK', url: base }]);
const page = await context.newPage();
for (const path of process.argv.slice(3)) {
  await page.goto(base + path); await page.locator('main [data-ready]').first().waitFor();
  for (const [width, height] of [[1280, 800], [640, 400]]) {
    await page.setViewportSize({ width, height });
    const { violations } = await new AxeBuilder({ page }).analyze();
    for (const v of violations) if (v.impact !== 'minor') console.log(path, width, v.impact, v.id, v.nodes.length, v.nodes[0].target.join(' '), v.nodes[0].failureSummary.split('\n').slice(1, 2).join(' ').slice(0, 160));
  }
}
await browser.close();
