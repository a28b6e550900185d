import { plan, planInPieces } from '~/core/method/plan/plan';
import { Helpers } from '~/server/plans/planner/helpers';
import type { FromHelper, ToHelper } from '~/server/plans/planner/pieceProtocol';
import { startThread } from '~/server/plans/planner/thread';
import { IRON, planRequest, reliefOn, surfaceRequest, trackOn } from '../../tests/support/samples';
import { FACTORS, requestOf } from '../../tests/plans/factors';
import { coveringRows } from '../../tests/plans/pairs';
import { drain, report, timed } from './table';

const request = planRequest(
  { '1': [trackOn(4)], '2': [reliefOn(2)] },
  {
    irons: [{ ...IRON, tips: [...IRON.tips, { shape: 'bevel', width_m: 3e-3, construction: 'cartridge' }] }],
  },
);

/** The planner's helpers, as the server's planning thread has them. */
function helpersOnThreads(): { readonly helpers: Helpers; readonly end: () => void } {
  const ends: (() => void)[] = [];
  const helpers = new Helpers(() => {
    // The bundle of this script lies in a folder of dist, beside the threads'.
    const thread = startThread<ToHelper, FromHelper>(new URL('../pieces.mjs', import.meta.url));
    ends.push(() => thread.terminate());
    return thread;
  });
  helpers.prepare();
  return { helpers, end: () => ends.forEach((end) => end()) };
}

/** A whole plan as the server computes it, and when its first useful answer came. */
async function planTimes(
  helpers: Helpers,
  of: typeof request,
  count: number,
): Promise<{ firsts: number[]; totals: number[] }> {
  const firsts: number[] = [];
  const totals: number[] = [];
  for (let i = 0; i < count; i++) {
    const start = performance.now();
    const steps = planInPieces(of);
    let seen = false;
    let next = steps.next();
    while (!next.done) {
      const { value } = next;
      if (!seen && value.stage === 'first') {
        firsts.push(performance.now() - start);
        seen = true;
      }
      next = steps.next(value.stage === 'ask' ? await helpers.solve(1, value, () => undefined) : undefined);
    }
    totals.push(performance.now() - start);
  }
  return { firsts, totals };
}

export async function plans(): Promise<void> {
  const { helpers, end } = helpersOnThreads();
  // Once for the threads to load and warm up, as the server's rehearsal does.
  await planTimes(helpers, request, 2);
  const iron = await planTimes(helpers, request, 5);
  report('iron plan, two pins, three tips: first answer', '≤ 300 ms', iron.firsts);
  report('iron plan with frontier and bands, complete', '≤ 1 s', iron.totals);
  report(
    'the same on one thread',
    '–',
    timed(3, () => drain(plan(request))),
  );
  const chip = await planTimes(helpers, surfaceRequest({ family: 'soic', pins: 8 }), 3);
  report('SOIC-8, iron and hot air compared: first answer', '≤ 300 ms', chip.firsts);
  const air = { irons: [], tweezers: [] };
  const small = await planTimes(helpers, surfaceRequest({ family: 'soic', pins: 8 }, air), 3);
  report(
    'hot-air plan of an SOIC-8 on 1 mm cells, verified, with bands and cool-down',
    '≤ 1.5 s',
    small.totals,
  );
  const pack = await planTimes(
    helpers,
    surfaceRequest({ family: 'qfp', pins: 100 }, air, ['10', '20', '30']),
    3,
  );
  report('hot-air plan of a QFP-100 on 1 mm cells, verified, with bands and cool-down', '≤ 3 s', pack.totals);
  await overTheCoveringSet(helpers);
  end();
}

/** Every seventh job of the covering set, whole: by what is held in a hand, and with hot air on the bench. */
async function overTheCoveringSet(helpers: Helpers): Promise<void> {
  const jobs = coveringRows(FACTORS)
    .filter((_, i) => i % 7 === 0)
    .map((row) => requestOf(row as Parameters<typeof requestOf>[0]));
  const of = async (which: typeof jobs): Promise<number[]> => {
    const totals: number[] = [];
    for (const job of which) totals.push(...(await planTimes(helpers, job, 1)).totals);
    return totals;
  };
  const [byHand, byAir] = [
    jobs.filter(({ stations }) => stations.length === 0),
    jobs.filter(({ stations }) => stations.length > 0),
  ];
  report(`${byHand.length} jobs of the covering set by hand, whole`, '≤ 1 s', await of(byHand));
  report(`${byAir.length} jobs of the covering set with air, whole`, '≤ 4 s', await of(byAir));
}
