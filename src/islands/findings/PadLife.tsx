import { PAD_STATES } from '~/core/record/padStates';
import { standingEvents } from '~/core/record/standing';
import { byWhat } from '~/schema/words/words';
import type { JobLine, SiteSheet } from '~/schema/sheets/boardSheet';
import type { FindingRecord } from '~/schema/records/site/finding';
import type { ContinuityReadingRecord } from '~/schema/records/site/continuityReading';
import type { PadExposure } from '~/core/record/heatLife';
import type { PhotoRecord } from '~/schema/records/board/photo';
import { FindingPhotos } from '~/islands/photos/FindingPhotos';
import { ohms, VERDICT_WORDS } from '~/ui/continuityWords';
import { budget, degrees } from '~/ui/figures';
import { StateBadge } from '~/ui/land/StateBadge';
import css from './findings.module.css';
import { day } from '~/ui/dates';

export interface LifeEntry {
  /** The finding that photos go with. */
  readonly findingId: string | null;
  readonly at_ms: number;
  readonly text: string;
  readonly by: string;
  readonly state: FindingRecord['state'] | null;
}

/** All that is known of one pad, oldest first: what was found, what heat it took, what was done. */
export function lifeOf(
  site: SiteSheet,
  padName: string,
  findings: readonly FindingRecord[],
  jobs: readonly JobLine[],
  readings: readonly ContinuityReadingRecord[] = [],
  shares: readonly PadExposure[] = [],
  elsewhere: readonly SiteSheet[] = [],
): LifeEntry[] {
  const pad = site.pads.find((p) => p.name === padName);
  if (!pad) return [];
  const otherName = (id: string | null): string => {
    const own = site.pads.find((p) => p.id === id && id !== pad.id);
    if (own) return own.name;
    const owner = elsewhere.find((s) => s.pads.some((p) => p.id === id));
    return owner ? `${owner.ref} pin ${owner.pads.find((p) => p.id === id)!.name}` : '?';
  };
  const found = findings
    .filter((f) => f.padId === pad.id || f.otherPadId === pad.id)
    .map((f): LifeEntry => {
      const other =
        f.otherPadId === null ? '' : ` with ${otherName(f.padId === pad.id ? f.otherPadId : f.padId)}`;
      const where = f.foundAs === 'as-received' ? ', as received' : ', here';
      return {
        findingId: f.id,
        at_ms: f.at_ms,
        by: f.by,
        state: f.state,
        text: `${PAD_STATES[f.state].name.toLowerCase()}${other}${where}${f.note ? `. ${f.note}` : ''}`,
      };
    });
  const heated = jobs
    .filter((job) => job.siteId === site.id)
    .flatMap((job) =>
      standingEvents(job.events).flatMap((event): LifeEntry[] =>
        event.kind === 'exposure' && event.pad === padName
          ? [
              {
                findingId: null,
                at_ms: event.at_ms,
                by: event.by,
                state: null,
                text: `heated ${event.duration_s.toFixed(1)} s, pad to ${degrees(event.peak_C)}${byWhat(event.measured)}, about ${budget(event.padDose)} of its budget`,
              },
            ]
          : [],
      ),
    );
  const read = readings
    .filter((r) => r.padId === pad.id || r.otherPadId === pad.id)
    .map((r): LifeEntry => ({
      findingId: null,
      at_ms: r.at_ms,
      by: r.by,
      state: null,
      text: `${r.kind === 'continuity' ? 'continuity' : `apart from ${otherName(r.padId === pad.id ? r.otherPadId : r.padId)}`} ${ohms(r.value_Ohm)}, ${r.verdict === 'good' && r.kind === 'continuity' ? 'verified' : VERDICT_WORDS[r.verdict]}`,
    }));
  const shared = shares
    .filter((e) => e.padId === pad.id)
    .map((e): LifeEntry => ({
      findingId: null,
      at_ms: e.at_ms,
      by: e.by,
      state: null,
      text: `warmed to ${degrees(e.peak_C)} by a touch beside it, about ${budget(e.dose)} of its budget`,
    }));
  return [...found, ...heated, ...shared, ...read].sort((a, b) => a.at_ms - b.at_ms);
}

/** One pad's life as a list; a finding is followed by the next, never overwritten. */
export function PadLife(props: {
  readonly site: SiteSheet;
  readonly pad: string;
  readonly findings: readonly FindingRecord[];
  readonly jobs: readonly JobLine[];
  readonly readings: readonly ContinuityReadingRecord[];
  readonly shares: readonly PadExposure[];
  /** The board's other sites: a bridge may end there. */
  readonly elsewhere: readonly SiteSheet[];
  readonly photos: readonly PhotoRecord[];
  readonly onPhoto: (photo: PhotoRecord) => void;
  readonly onError: (error: unknown) => void;
}) {
  const life = lifeOf(
    props.site,
    props.pad,
    props.findings,
    props.jobs,
    props.readings,
    props.shares,
    props.elsewhere,
  );
  return (
    <section aria-label={`Life of pin ${props.pad}`} className={css['life']}>
      <h3>Pin {props.pad}, so far</h3>
      {life.length === 0 ? (
        <p className="quiet">Sound, and never heated here.</p>
      ) : (
        <ol>
          {life.map((entry, i) => (
            <li key={i}>
              <svg viewBox="-1 -1 2 2" aria-hidden="true">
                {entry.state ? (
                  <StateBadge state={entry.state} x={0} y={0} size={1.3} />
                ) : (
                  <circle className={css['heat']} r={0.4} />
                )}
              </svg>
              <span>
                {entry.text}
                {entry.findingId !== null && (
                  <FindingPhotos
                    boardId={props.site.boardId}
                    of={{ findingId: entry.findingId }}
                    photos={props.photos.filter((photo) => photo.findingId === entry.findingId)}
                    onPhoto={props.onPhoto}
                    onError={props.onError}
                  />
                )}
              </span>
              <span className="digits">
                {day(entry.at_ms)} {entry.by}
              </span>
            </li>
          ))}
        </ol>
      )}
    </section>
  );
}
