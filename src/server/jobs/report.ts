import { jobMarkdown } from '~/schema/words/jobMarkdown';
import type { Db } from '~/server/store/db';
import { logsOfJob } from '~/server/store/repositories/thermalLogs';
import { runSheet } from './runSheet';

/** A job's traveller or report, as Markdown. */
export function jobReport(
  db: Db,
  jobId: string,
  now_ms: number,
): { readonly name: string; readonly body: string } {
  const sheet = runSheet(db, jobId, now_ms);
  const logs = logsOfJob(db, jobId).map(({ profile, origin, simulated }) => ({
    title: profile.title,
    origin,
    simulated,
    peaks: profile.channels.map(({ id, name }) => ({
      name,
      peak_C: profile.values[id]!.reduce<number | null>(
        (most, v) => (v !== null && (most === null || v > most) ? v : most),
        null,
      ),
    })),
  }));
  const name = `${sheet.board.name} ${sheet.site.ref}`.replace(/[^A-Za-z0-9]+/g, '-').replace(/^-|-$/g, '');
  return { name: `${name || 'job'}.md`, body: jobMarkdown(sheet, logs) };
}
