import { readFileSync } from 'node:fs';
import { Ajv2020 } from 'ajv/dist/2020.js';
import { readCsv } from '~/formats/thermalLog/csv';
import { describe, expect, it } from 'vitest';
import { z } from 'zod';
import { dryInput } from '~/schema/exchange/dry/dryRequest';
import {
  combineInput,
  dischargeInput,
  judgeInput,
  jumperInput,
  swapInput,
} from '~/schema/exchange/parts/questions';
import { bundleManifest } from '~/schema/values/bundle';
import { BUNDLED } from '~/server/store/bundle/bundledTables';
import { rowShape } from '~/server/store/bundle/rowShape';
import { thermalProfile } from '~/schema/values/thermalProfile';
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
    ['swap-input', swapInput],
    ['judge-input', judgeInput],
    ['combine-input', combineInput],
    ['discharge-input', dischargeInput],
    ['jumper-input', jumperInput],
    ['thermal-profile', thermalProfile],
  ] as const)('%s', async (name, schema) => {
    const published = z.toJSONSchema(schema, { io: 'input', unrepresentable: 'any' });
    await expect(`${JSON.stringify(published, null, 2)}\n`).toMatchFileSnapshot(
      `../docs/schemas/${name}.schema.json`,
    );
  });
});

describe('what a bundle holds (docs/bundle.md)', () => {
  it.each([
    ['manifest', bundleManifest] as const,
    ...BUNDLED.map((one) => [one.name, rowShape(one)] as const),
  ])('%s', async (name, schema) => {
    const published = z.toJSONSchema(schema, { io: 'output', unrepresentable: 'any' });
    await expect(`${JSON.stringify(published, null, 2)}\n`).toMatchFileSnapshot(
      `../docs/schemas/bundle/${name}.schema.json`,
    );
  });
});

describe('the published form of a thermal log', () => {
  const published = JSON.parse(readFileSync('docs/schemas/thermal-profile.schema.json', 'utf8')) as object;
  const valid = new Ajv2020({ strict: false }).compile(published);

  // JSON Schema 2020-12, judged by another program than the one that wrote it.
  it('takes what we write, and refuses another version, another unit and unknown keys', () => {
    const log = readCsv('elapsed_s,tc1\n0,23\n0.1,\n', 'a log');
    expect(valid(log), JSON.stringify(valid.errors)).toBe(true);
    expect(valid({ ...log, version: 2 })).toBe(false);
    expect(valid({ ...log, channels: [{ id: 'tc1', name: 'A', unit: 'degF' }] })).toBe(false);
    expect(valid({ ...log, wet: true })).toBe(false);
  });
});
