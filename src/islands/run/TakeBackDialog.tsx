import { useEffect, useState } from 'react';
import type { RunEvent } from '~/core/record/runEvents';
import { standingEvents } from '~/core/record/standing';
import type { JobStep } from '~/schema/records/jobs/jobPlan';
import type { WritableEvent } from '~/schema/records/jobs/runEvent';
import type { FindingRecord } from '~/schema/records/site/finding';
import { PAD_STATES } from '~/core/record/padStates';
import { standingFindings } from '~/core/record/standingFindings';
import { Button } from '~/ui/controls/Button';
import { Segments, TextField } from '~/ui/controls/Field';
import { Dialog } from '~/ui/controls/Dialog';
import { time } from '~/ui/dates';
import { seconds } from '~/ui/figures';
import css from './run.module.css';

/** An entry that can be taken back, as the list shows it. */
interface Line {
  readonly key: string;
  readonly at_ms: number;
  readonly says: string;
  /** The end of a heating, whose time can be put right instead. */
  readonly offSeq: number | null;
  readonly off_s: number | null;
  readonly seq: number | null;
  readonly finding: FindingRecord | null;
}

/** Says of an entry that it was not so, or that a heating lasted otherwise. The entry stays; a later one corrects it. */
export function TakeBackDialog({
  isOpen,
  events,
  steps,
  findings,
  padName,
  onClose,
  onWrite,
  onFinding,
}: {
  isOpen: boolean;
  events: readonly RunEvent[];
  steps: readonly JobStep[];
  /** Findings of this job. */
  findings: readonly FindingRecord[];
  padName: (padId: string) => string;
  onClose: () => void;
  onWrite: (event: WritableEvent) => void;
  onFinding: (finding: FindingRecord, reason: string) => void;
}) {
  const lines = linesOf(events, steps, findings, padName);
  const [chosen, setChosen] = useState<string | null>(null);
  const [how, setHow] = useState<'not-so' | 'other-time'>('not-so');
  const [off, setOff] = useState('');
  const [reason, setReason] = useState('');
  useEffect(() => {
    if (!isOpen) return;
    setChosen(null);
    setHow('not-so');
    setOff('');
    setReason('');
  }, [isOpen]);
  const line = lines.find((l) => l.key === chosen) ?? null;
  const retime = line?.offSeq != null && how === 'other-time';
  const off_s = Number(off.replace(',', '.'));
  const ready =
    line !== null && reason.trim() !== '' && (!retime || (off.trim() !== '' && off_s >= 0 && off_s <= 3600));
  const submit = (): void => {
    if (!ready) return;
    if (line.finding) onFinding(line.finding, reason.trim());
    else if (retime)
      onWrite({ kind: 'correction', ofSeq: line.offSeq, elapsed_s: off_s, reason: reason.trim() });
    else onWrite({ kind: 'taken-back', ofSeq: line.seq!, reason: reason.trim() });
    onClose();
  };
  return (
    <Dialog title="Take an entry back" isOpen={isOpen} onClose={onClose}>
      <form
        className={css['takeBack']}
        onSubmit={(event) => {
          event.preventDefault();
          submit();
        }}
      >
        {lines.length === 0 && <p>Nothing is written of this job yet that could be taken back.</p>}
        <ol className={css['entries']}>
          {lines.slice(0, MOST_LINES).map((l) => (
            <li key={l.key}>
              <label>
                <input
                  type="radio"
                  name="entry"
                  checked={chosen === l.key}
                  onChange={() => {
                    setChosen(l.key);
                    setHow('not-so');
                  }}
                />
                <span className="digits">{time(l.at_ms)}</span> {l.says}
              </label>
            </li>
          ))}
        </ol>
        {line?.offSeq != null && (
          <Segments
            label="What was wrong"
            value={how}
            onChange={setHow}
            options={[
              { value: 'not-so', label: 'it did not happen' },
              { value: 'other-time', label: 'it lasted otherwise' },
            ]}
          />
        )}
        {retime && (
          <TextField
            label="Off after, s"
            inputMode="decimal"
            value={off}
            onChange={(event) => setOff(event.target.value)}
          />
        )}
        {line && (
          <TextField
            label="Because"
            maxLength={200}
            value={reason}
            onChange={(event) => setReason(event.target.value)}
          />
        )}
        <Button type="submit" look="primary" disabled={!ready}>
          {retime ? 'Correct it' : 'Was not so'}
        </Button>
      </form>
    </Dialog>
  );
}

/** The last of a long job; earlier ones are history by then. */
const MOST_LINES = 40;

function linesOf(
  events: readonly RunEvent[],
  steps: readonly JobStep[],
  findings: readonly FindingRecord[],
  padName: (padId: string) => string,
): Line[] {
  const titles = new Map(steps.map((s) => [s.id, s.title]));
  const standing = standingEvents(events);
  const offOf = (onSeq: number) => {
    const after = standing.filter((e) => e.seq > onSeq);
    const end = after.find((e) => e.kind === 'heat-off' || e.kind === 'heat-on');
    return end?.kind === 'heat-off' ? end : null;
  };
  const entries = standing.flatMap((e): Line[] => {
    const line = { key: `e${e.seq}`, at_ms: e.at_ms, seq: e.seq, offSeq: null, off_s: null, finding: null };
    switch (e.kind) {
      case 'heat-on': {
        const off = offOf(e.seq);
        if (!off) return [];
        const what = e.pad === 'all' ? 'All joints' : `Pin ${e.pad}`;
        return [
          {
            ...line,
            offSeq: off.seq,
            off_s: off.elapsed_s,
            says: `${what} heated ${seconds(off.elapsed_s)}`,
          },
        ];
      }
      case 'melted':
        return [{ ...line, says: `Pin ${e.pad} molten at ${seconds(e.elapsed_s)}` }];
      case 'note':
        return [{ ...line, says: `Note: ${e.text}` }];
      case 'step-done':
        return [{ ...line, says: `Done: ${titles.get(e.stepId) ?? e.stepId}` }];
      default:
        return [];
    }
  });
  const found = standingFindings(findings).map((f): Line => ({
    key: f.id,
    at_ms: f.at_ms,
    seq: null,
    offSeq: null,
    off_s: null,
    finding: f,
    says: `Found: pin ${padName(f.padId)} ${PAD_STATES[f.state].name.toLowerCase()}`,
  }));
  return [...entries, ...found].sort((a, b) => b.at_ms - a.at_ms);
}
