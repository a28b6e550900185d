import { isChargeGate } from '../../../src/core/record/chargeGate';
import type { PlanAnswer } from '../../../src/schema/exchange/plan/planAnswer';
import { choiceOfOption } from '../../../src/schema/exchange/plan/optionChoice';
import type { StepAnswer } from '../../../src/schema/exchange/plan/planAnswer';
import { BOARD, SITE, type Shop } from './shop';
import { timed } from './workshop';

/** What a bench came to on which heat under air ended again and again. */
interface UnderAir {
  readonly pages: number;
  readonly heats: number;
  /** Costs that had been appended by the end. */
  readonly costed: number;
  readonly p50_ms: number;
  readonly slowest_ms: number;
}

const BETWEEN_HEATS_ms = 10_000;
const BETWEEN_PAGES_ms = 30;
const HELD_s = 60;

const QFP = {
  ...SITE,
  ref: 'U7',
  package: { family: 'qfp', pins: 100, pitch_mm: 0.5 },
  pads: Array.from({ length: 100 }, (_, i) => ({
    name: String(i + 1),
    net: `N${i + 1}`,
    connections: [{ kind: 'track', width_mm: 0.2 }],
  })),
};

/** Pages asked for one after another while a QFP-100 under air is let go every ten seconds, each to be costed over the whole board. */
export async function underAir(shop: Shop, pages: number): Promise<UnderAir> {
  const { id: boardId } = await shop.made<{ id: string }>('POST', 'api/boards', BOARD);
  const { id: siteId } = await shop.made<{ id: string }>('POST', `api/boards/${boardId}/sites`, QFP);
  const { jobId, steps } = await jobUnderAir(shop, siteId);
  const paths = [
    '',
    `boards/${boardId}`,
    `sites/${siteId}/plan`,
    `jobs/${jobId}`,
    'rig',
    'parts',
    'api/clocks',
  ];
  // A page that was never drawn is compiled as it is.
  for (const path of [...paths, ...paths, ...paths]) await timed(shop, path);
  const times: number[] = [];
  const heats = { ended: 0, over: false };
  const heating = heated(shop, jobId, steps, heats);
  for (let i = 0; i < pages; i++) {
    times.push(await timed(shop, paths[i % paths.length]!));
    await new Promise((go) => setTimeout(go, BETWEEN_PAGES_ms));
  }
  heats.over = true;
  await heating;
  const { text } = await shop.ask('GET', `api/jobs/${jobId}/events`);
  const sorted = [...times].sort((a, b) => a - b);
  return {
    pages,
    heats: heats.ended,
    costed: (text.match(/"kind":"exposure"/g) ?? []).length / QFP.pads.length,
    p50_ms: Math.round(sorted[sorted.length >> 1]!),
    slowest_ms: Math.round(sorted.at(-1)!),
  };
}

/** A job whose part comes off under air, and its steps up to the one in which it is heated. */
async function jobUnderAir(
  shop: Shop,
  siteId: string,
): Promise<{ jobId: string; steps: readonly StepAnswer[] }> {
  const page = (await shop.ask('GET', `sites/${siteId}/plan`)).text;
  const inputsKey = /"inputsKey":"([^"]+)"/.exec(page)![1]!;
  const wish = { siteId, inputsKey, goal: 'remove-sacrifice-part' };
  const told = await shop.ask('POST', 'api/plans', { kind: 'plan', by: 'MK', ...wish });
  const { answer } = JSON.parse(told.text.trimEnd().split('\n').at(-1)!) as { answer: PlanAnswer };
  if (answer.outcome !== 'found') throw new Error('no plan for a QFP-100');
  const option = answer.methods.find(({ id }) => id === 'hot-air')?.option;
  if (!option) throw new Error('no way under air for a QFP-100');
  const choices = [choiceOfOption('remove', option)];
  const { jobId } = await shop.made<{ jobId: string }>('POST', 'api/jobs', { by: 'MK', ...wish, choices });
  const { text } = await shop.ask('GET', `jobs/${jobId}`);
  const sheet = JSON.parse(/<script[^>]*id="handed"[^>]*>([^<]*)</.exec(text)![1]!) as {
    sheet: { job: { plan: { steps: StepAnswer[] } } };
  };
  const { steps } = sheet.sheet.job.plan;
  return { jobId, steps: steps.slice(0, steps.findIndex(({ kind }) => kind === 'heat') + 1) };
}

async function heated(
  shop: Shop,
  jobId: string,
  steps: readonly StepAnswer[],
  heats: { ended: number; over: boolean },
): Promise<void> {
  const step = steps.at(-1)!;
  const pad = step.pad ?? 'all';
  let afterSeq = 1;
  const write = async (event: object): Promise<void> => {
    const entry = { clientId: `air-${jobId}-${crypto.randomUUID()}`, afterSeq, by: 'MK', event };
    const { events } = await shop.made<{ events: readonly { seq: number }[] }>(
      'POST',
      `api/jobs/${jobId}/events`,
      entry,
    );
    afterSeq = Math.max(afterSeq, ...events.map(({ seq }) => seq));
  };
  for (const { id, wait_s, reads_C } of steps.slice(0, -1))
    await write({
      kind: 'step-done',
      stepId: id,
      ...(reads_C === null ? {} : { shown_C: reads_C }),
      ...(isChargeGate(id) && { left_V: 0, again_V: 0 }),
      ...(wait_s !== null && { passed: { kind: 'early', left_s: wait_s, reason: 'probed' } }),
    });
  while (!heats.over) {
    await write({ kind: 'heat-on', stepId: step.id, pad });
    await write({ kind: 'heat-off', stepId: step.id, pad, elapsed_s: HELD_s });
    heats.ended++;
    await new Promise((go) => setTimeout(go, BETWEEN_HEATS_ms));
  }
}
