import { isEmpty, occupancyInWords, type JobTrace } from './occupancy';
import type { OpenItem, OpenKind, OpenRecord, OpenSite, SettledItem } from './openItem';
import { cleaningItem, roundItem } from './openRound';
import { presentFindings } from './padFindings';
import { PAD_STATES, type PadStateId } from './padStates';
import { repairFor } from './repairs';
import { runState } from './runState';
import { standingEvents } from './standing';

/** Order in which open work is done: what is under way, what lies in a tray, what is hurt, then what is proved. */
const ORDER: readonly OpenKind[] = [
  'job',
  'half-off',
  'part-off',
  'round',
  'defect',
  'unverified',
  'override',
  'socket-empty',
  'uncleaned',
  'untested',
];

/** All that a board is not done without, the next thing to do first. */
export function openWork(record: OpenRecord): SettledItem[] {
  const items = [
    ...record.sites.flatMap((site) => [...partItems(site, record.jobs), ...padItems(site, record)]),
    ...record.jobs.flatMap((job) => jobItems(job, record.sites)),
    ...roundItem(record),
    ...cleaningItem(record),
    ...testItem(record),
  ];
  const last = new Map(record.settlements.map((s) => [s.key, s]));
  return items
    .map((item) => ({ ...item, settled: last.get(item.key) ?? null }))
    .sort((a, b) => ORDER.indexOf(a.kind) - ORDER.indexOf(b.kind));
}

function partItems({ id, ref, occupancy }: OpenSite, jobs: readonly JobTrace[]): OpenItem[] {
  const { kind, since_ms, jobId } = occupancy;
  // Work under way on a site says what it is about itself.
  const running = jobs.some((job) => job.siteId === id && job.status === 'running');
  if (running) return [];
  const item = { siteId: id, jobId, key: `part:${id}:${kind}:${since_ms}` };
  const says = `${ref}: ${occupancyInWords(occupancy)}`;
  if (kind === 'half-off')
    return [{ ...item, kind: 'half-off', says, next: `Take ${ref} off, or seat it again` }];
  if (kind === 'never-populated') return [];
  if (isEmpty(occupancy)) return [{ ...item, kind: 'part-off', says, next: `Fit ${ref}` }];
  return kind === 'socket-empty'
    ? [{ ...item, kind: 'socket-empty', says, next: `Fill the socket of ${ref}` }]
    : [];
}

function padItems(site: OpenSite, { findings, readings }: OpenRecord): OpenItem[] {
  const present = presentFindings(findings);
  const byState = new Map<PadStateId, { names: string[]; ids: string[] }>();
  const items: OpenItem[] = [];
  for (const pad of site.pads) {
    for (const now of present.get(pad.id) ?? []) {
      if (!PAD_STATES[now.state].defect) continue;
      const group = byState.get(now.state) ?? { names: [], ids: [] };
      group.names.push(pad.name);
      group.ids.push(now.id);
      byState.set(now.state, group);
    }
    const now = present.get(pad.id)?.at(-1);
    if (now?.state !== 'repaired') continue;
    const before = findings.findLast((f) => f.padId === pad.id && PAD_STATES[f.state].defect);
    const byMeter = before ? repairFor(before.state)?.verify.includes('read and recorded') : true;
    const read = readings.some(
      (r) => r.passed && r.at_ms >= now.at_ms && (r.padId === pad.id || r.otherPadId === pad.id),
    );
    if (byMeter && !read)
      items.push({
        key: `unverified:${now.id}`,
        kind: 'unverified',
        siteId: site.id,
        jobId: null,
        says: `${site.ref} pin ${pad.name}: repaired, not read by meter since`,
        next: `Check continuity of ${site.ref} pin ${pad.name}`,
      });
  }
  for (const [state, { names, ids }] of byState) {
    const pins = `pin${names.length > 1 ? 's' : ''} ${names.join(', ')}`;
    // A part that is missing is told of as its site is.
    if (state === 'missing') continue;
    items.push({
      key: `defect:${ids.join('+')}`.slice(0, 400),
      kind: 'defect',
      siteId: site.id,
      jobId: null,
      says: `${site.ref} ${pins}: ${PAD_STATES[state].name.toLowerCase()}`,
      next: `Put right ${site.ref} ${pins}: ${PAD_STATES[state].name.toLowerCase()}`,
    });
  }
  return items;
}

function jobItems(job: JobTrace, sites: readonly OpenSite[]): OpenItem[] {
  const ref = sites.find((s) => s.id === job.siteId)?.ref ?? '?';
  const state = runState(job.steps, job.events);
  const about = { siteId: job.siteId, jobId: job.id };
  const step = job.steps[state.stepIndex];
  const under: OpenItem[] =
    job.status === 'running'
      ? [
          {
            ...about,
            key: `job:${job.id}`,
            kind: 'job',
            says: `${ref}: its job is open`,
            next: step ? `Run ${ref}: ${step.title}` : `Close the job on ${ref} with its outcome`,
          },
        ]
      : [];
  const overrides = [...state.done].flatMap(([id, { passed, seq }]): OpenItem[] =>
    passed?.kind === 'override'
      ? [
          {
            ...about,
            key: `override:${job.id}:${seq}`,
            kind: 'override',
            says: `${ref}: "${job.steps.find((s) => s.id === id)?.title ?? 'a hold point'}" was passed against its hold point: ${passed.reason}${passed.signedBy === undefined ? '' : ` (signed by ${passed.signedBy})`}`,
            next: `Look at ${ref} again: a hold point was passed`,
          },
        ]
      : [],
  );
  return [...under, ...overrides];
}

/** What was heated is tried before it is handed back. */
function testItem({ jobs, tested_ms }: OpenRecord): OpenItem[] {
  const heated_ms = Math.max(
    0,
    ...jobs.flatMap((job) =>
      standingEvents(job.events).flatMap((e) => (e.kind === 'heat-on' ? [e.at_ms] : [])),
    ),
  );
  if (heated_ms === 0 || (tested_ms ?? 0) >= heated_ms) return [];
  return [
    {
      key: `untested:${heated_ms}`,
      kind: 'untested',
      siteId: null,
      jobId: null,
      says: 'Not tested since it was last heated',
      next: 'Test the board',
    },
  ];
}
