import { runState, TOGETHER, type Dwell } from '~/core/record/runState';
import { readCsv } from '~/formats/thermalLog/csv';
import type { ThermalLogRow } from '~/schema/records/jobs/thermalLog';
import type { JobRecord } from '~/schema/records/jobs/job';
import { thermalProfile, type ThermalProfile } from '~/schema/values/thermalProfile';
import { InputError, parseInput } from '~/schema/values/faults';
import type { Channel } from '~/schema/exchange/instruments/wire';
import type { Sample } from '~/schema/sheets/instruments';
import type { InstrumentHub } from '~/server/instruments/hub';
import type { Db } from '~/server/store/db';
import { getJob } from '~/server/store/repositories/jobs';
import { keepLog } from '~/server/store/repositories/thermalLogs';
import type { Costs } from './costs';
import { HEAT_ON, landChannelOf } from './measuredLand';

/** A heat's log begins a little before it and goes on a little after: how it came and how it went. */
export const BEFORE_ms = 2000;
export const AFTER_ms = 4000;

/** What happened in a heating, by the clock of its log. */
export const marksOf = ({ melted_s, off_s }: Pick<Dwell, 'melted_s' | 'off_s'>): ThermalProfile['marks'] => [
  { at_s: BEFORE_ms / 1000, what: HEAT_ON },
  ...(melted_s === null ? [] : [{ at_s: BEFORE_ms / 1000 + melted_s, what: 'molten' }]),
  ...(off_s === null ? [] : [{ at_s: BEFORE_ms / 1000 + off_s, what: 'heat off' }]),
];

/**
 * What thermocouples read of the heating that a job's last entry ended, kept with the job: after the fact is written, and a
 * few seconds later, so that its end is seen. Nothing where no logger told of this job. Where a channel sat on the land,
 * what the heating cost is reckoned anew from its curve.
 */
export function logHeat(
  db: Db,
  hub: InstrumentHub,
  costs: Pick<Costs, 'measured'>,
  jobId: string,
  seq: number,
): void {
  setTimeout(() => {
    try {
      const { job, events } = getJob(db, jobId);
      const dwell = runState(job.plan.steps, events).dwells.find((d) => d.offSeq === seq);
      if (!dwell || dwell.off_s === null) return;
      const from_ms = dwell.on_ms - BEFORE_ms;
      const to_ms = dwell.on_ms + dwell.off_s * 1000 + AFTER_ms;
      const loggers = hub
        .list()
        .filter((d) => d.kind === 'thermocouple-logger' && (!d.simulated || d.laidFor === jobId));
      const samples = hub.since(0).filter(({ at_ms }) => at_ms >= from_ms && at_ms <= to_ms);
      const of = dwell.pad === TOGETHER ? 'all pads' : `pin ${dwell.pad}`;
      for (const logger of loggers) {
        const profile = profileOf(logger, samples, from_ms, `${job.plan.site.ref}, ${of}`, marksOf(dwell));
        if (!profile) continue;
        keepLog(db, {
          id: `${jobId}-${dwell.onSeq}-${logger.id}`.slice(-64),
          jobId,
          ofSeq: dwell.onSeq,
          origin: 'instruments',
          simulated: logger.simulated,
          landChannel: landChannelOf(logger.channels),
          by: job.by,
          at_ms: Date.now(),
          profile,
        });
      }
      costs.measured(jobId, dwell.onSeq);
    } catch (error) {
      // The heat stands in the record with or without its curve.
      console.error(`ithermon: the log of a heat of job ${jobId} was not kept:`, error);
    }
  }, AFTER_ms + 500).unref();
}

/** Readings of one logger as a log; null where there are too few to tell anything. */
export function profileOf(
  { id, channels }: { readonly id: string; readonly channels: readonly Channel[] },
  samples: readonly Sample[],
  from_ms: number,
  title: string,
  marks: ThermalProfile['marks'],
): ThermalProfile | null {
  const own = samples.filter(({ instrument, v }) => instrument === id && Object.keys(v).length > 0);
  const rows = own.filter(({ at_ms }, i) => i === 0 || at_ms > own[i - 1]!.at_ms);
  if (rows.length < 3) return null;
  return {
    format: 'thermal-profile',
    version: 1,
    title: title.slice(0, 120),
    began_ms: Math.round(from_ms),
    channels: channels.flatMap(({ id: channel, name, unit }) =>
      unit === 'degC' ? [{ id: channel, name, unit }] : [],
    ),
    elapsed_s: rows.map(({ at_ms }) => Math.round(at_ms - from_ms) / 1000),
    values: Object.fromEntries(
      channels.filter(({ unit }) => unit === 'degC').map((c) => [c.id, rows.map(({ v }) => v[c.id] ?? null)]),
    ),
    marks: [...marks],
  };
}

/** Keeps a log that was given as a file: CSV, or the JSON form. Throws `InputError` in the file's own lines. */
export function takeLog(
  db: Db,
  job: Pick<JobRecord, 'id'>,
  file: { readonly text: string; readonly name: string; readonly by: string },
  id: string,
  now_ms: number,
): ThermalLogRow {
  const row: ThermalLogRow = {
    id,
    jobId: job.id,
    ofSeq: null,
    origin: 'file',
    simulated: false,
    landChannel: null,
    by: file.by,
    at_ms: now_ms,
    profile: file.text.trimStart().startsWith('{')
      ? parseInput(thermalProfile, asJson(file.text))
      : parseInput(thermalProfile, readCsv(file.text, file.name)),
  };
  keepLog(db, row);
  return row;
}

function asJson(text: string): unknown {
  try {
    return JSON.parse(text) as unknown;
  } catch {
    throw new InputError([{ path: '$', message: 'is not valid JSON; check brackets, commas and quotes' }]);
  }
}
