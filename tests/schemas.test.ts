import { describe, expect, it } from 'vitest';
import { z } from 'zod';
import { dryInput } from '~/schema/exchange/dry/dryRequest';
import { foundAnswer } from '~/schema/exchange/plan/planAnswer';
import { planInput } from '~/schema/exchange/plan/planRequest';
import { simulateInput } from '~/schema/exchange/simulate/simulateRequest';

/** The command line's shapes as JSON Schema under docs/schemas; `npm run schemas` writes them anew. */
describe('published JSON Schemas are current', () => {
  it.each([
    ['simulate-input', simulateInput],
    ['plan-input', planInput],
    ['plan-answer-found', foundAnswer],
    ['dry-input', dryInput],
  ] as const)('%s', async (name, schema) => {
    const published = z.toJSONSchema(schema, { io: 'input', unrepresentable: 'any' });
    await expect(`${JSON.stringify(published, null, 2)}\n`).toMatchFileSnapshot(
      `../docs/schemas/${name}.schema.json`,
    );
  });
});
