import { AxeBuilder } from '@axe-core/playwright';
import type { Page } from '@playwright/test';

/** What axe-core calls moderate or worse on a page (WCAG 2.2 A and AA), each with where it is. */
export const graveOn = async (page: Page, rules?: readonly string[]): Promise<string[]> => {
  // No page of ours has a frame, so none is looked for; what passes is not described, which takes as long as finding what does not.
  const builder = new AxeBuilder({ page }).setLegacyMode().options({ resultTypes: ['violations'] });
  const { violations } = await (rules ? builder.withRules([...rules]) : builder).analyze();
  return violations
    .filter(({ impact }) => impact !== 'minor')
    .map(({ id, nodes }) => `${id}: ${nodes.map((n) => n.target.join(' ')).join('; ')}`);
};
