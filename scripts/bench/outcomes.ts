import { OUTCOMES_VIEWS, outcomesQuery } from '~/schema/exchange/outcomes/outcomesQuery';
import { jobFacts } from '~/schema/records/jobs/jobFacts.table';
import { seedMonths } from '~/server/demo/months';
import { EvidenceDesk } from '~/server/outcomes/evidenceDesk';
import { sheetOf } from '~/server/outcomes/sheet';
import { openDatabase } from '~/server/store/db';
import { factsKept, countedJobs, keepJobFacts } from '~/server/store/repositories/jobFacts';
import { report, timed } from './table';

const JOBS = 20_000;
const YEARS = 5;
const WHO = { own: 'MK', tellsWho: true };
const YEAR_ms = 365 * 86_400_000;

/** Twenty thousand counted jobs of five years: each view as it is made, and as it is asked for again. */
export async function outcomes(): Promise<void> {
  const db = openDatabase(':memory:', 'src/server/store/migrations');
  report(
    'the sample months, written at a first start',
    '≤ 5 s',
    timed(1, () => seedMonths(db, 'samples/months.json.gz', Date.now())),
  );
  db.$client.pragma('foreign_keys = OFF');
  const ids = countedJobs(db).map(({ jobId }) => jobId);
  const samples = ids.map((id) => factsKept(db, id)!);
  db.transaction(() => {
    for (let i = samples.length; i < JOBS; i++) {
      const one = samples[i % samples.length]!;
      const by_ms = -Math.round((YEARS * YEAR_ms * i) / JOBS);
      db.insert(jobFacts)
        .values({
          ...one,
          jobId: `bench-${i}`,
          siteId: `${one.siteId}-${i % 4000}`,
          acceptedAt_ms: one.acceptedAt_ms + by_ms,
          closedAt_ms: one.closedAt_ms + by_ms,
        })
        .run();
    }
  });
  const touched = samples[0]!;
  const desk = new EvidenceDesk(db, null);
  for (const view of OUTCOMES_VIEWS) {
    const query = outcomesQuery.parse({ view, harm: 'bridged', sort: 'tool' });
    report(
      `Outcomes, ${view}, of 20,000 jobs, after a change`,
      '≤ 300 ms',
      timed(5, () => {
        keepJobFacts(db, touched.jobId, touched);
        sheetOf(db, query, WHO);
      }),
    );
    await desk.sheet({ query, who: WHO });
    report(
      `Outcomes, ${view}, of 20,000 jobs, nothing changed`,
      '≤ 50 ms',
      timed(20, () => void desk.sheet({ query, who: WHO })),
    );
  }
  db.$client.close();
}
