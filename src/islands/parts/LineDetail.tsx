import { useEffect, useState } from 'react';
import { PART_MOVES, PART_STATES, type PartMoveReason, type PartState } from '~/core/electrical/parts/stock';
import type { PartMove, PartReading, StockPart } from '~/schema/records/parts/stockPart';
import { partInWords } from '~/schema/words/partWords';
import { ApiError, getJson, patchJson, postJson } from '~/ui/api';
import { Button } from '~/ui/controls/Button';
import { Segments, SelectField, TextField } from '~/ui/controls/Field';
import { ErrorNote } from '~/ui/controls/Notes';
import { dayAndTime } from '~/ui/dates';
import { SIGN_FIRST } from '~/ui/preferences';
import { IncomingTest } from './IncomingTest';
import { ReadingForm } from './ReadingForm';
import { ReadingList } from './ReadingList';
import css from './parts.module.css';

const MOVE_WORDS: Readonly<Record<PartMoveReason, string>> = {
  counted: 'counted',
  bought: 'bought',
  fitted: 'fitted',
  thrown: 'thrown away',
  'from-donor': 'from a donor',
};

interface Told {
  readonly moves: readonly PartMove[];
  readonly readings: readonly PartReading[];
  /** Sites that got one of this line. */
  readonly went: readonly At[];
  /** Sites that gave one to it. */
  readonly came: readonly At[];
}

interface At {
  readonly siteId: string;
  readonly ref: string;
  readonly boardId: string;
  readonly board: string;
  readonly at_ms: number;
}

/** One line: how many come and go, what was read of it, and whether it may be fitted. */
export function LineDetail({
  line,
  by,
  onDone,
}: {
  readonly line: StockPart;
  readonly by: string;
  readonly onDone: (line: StockPart, told: string) => void;
}) {
  const [told, setTold] = useState<Told | null>(null);
  const [reason, setReason] = useState<PartMoveReason>('counted');
  const [amount, setAmount] = useState('');
  const [state, setState] = useState<PartState>(line.state);
  const [because, setBecause] = useState(line.because);
  const [error, setError] = useState<unknown>(null);
  const address = `/api/parts/${line.id}`;
  const look = (): void => void getJson<Told>(address).then(setTold, (refused: unknown) => setError(refused));
  useEffect(look, [address, line.count]);

  const doing = async (work: () => Promise<void>): Promise<void> => {
    if (!by) {
      setError(new Error(SIGN_FIRST));
      return;
    }
    try {
      await work();
      setError(null);
    } catch (refused) {
      setError(refused);
      if (refused instanceof ApiError && refused.kind === 'conflict' && refused.current)
        onDone(
          (refused.current as { now: StockPart }).now,
          'Another screen changed it; this is how it stands.',
        );
    }
  };
  const move = (): Promise<void> =>
    doing(async () => {
      const written = await postJson<StockPart>(`${address}/moves`, { reason, amount: Number(amount), by });
      setAmount('');
      onDone(written, `${partInWords(written.part)}: ${written.count} left.`);
    });
  const turn = (): Promise<void> =>
    doing(async () => {
      const { id: _id, count: _count, ...rest } = line;
      const written = await patchJson<StockPart>(address, { ...rest, state, because: because.trim() });
      onDone(written, `${partInWords(written.part)} is ${state}.`);
    });

  return (
    <div className={css['detail']}>
      <ErrorNote error={error} />
      <form
        className={css['row']}
        onSubmit={(event) => {
          event.preventDefault();
          void move();
        }}
      >
        <SelectField
          label="What happened"
          value={reason}
          onChange={setReason}
          options={PART_MOVES.map((value) => ({ value, label: MOVE_WORDS[value] }))}
        />
        <TextField
          label="How many"
          value={amount}
          inputMode="numeric"
          autoComplete="off"
          maxLength={7}
          onChange={(event) => setAmount(event.target.value)}
        />
        <Button type="submit" disabled={amount.trim() === ''}>
          Write it
        </Button>
      </form>
      <ReadingForm part={line.part} address={`${address}/readings`} by={by} onKept={look} />
      <form
        className={css['row']}
        onSubmit={(event) => {
          event.preventDefault();
          void turn();
        }}
      >
        <Segments
          label="May it be fitted"
          value={state}
          onChange={setState}
          options={PART_STATES.map((value) => ({ value, label: value }))}
        />
        {state !== 'released' && (
          <TextField
            label="Why it is held or rejected"
            value={because}
            maxLength={200}
            onChange={(event) => setBecause(event.target.value)}
          />
        )}
        {(state !== line.state || (state !== 'released' && because !== line.because)) && (
          <Button type="submit">Write it</Button>
        )}
      </form>
      {told && line.count > 0 && (line.state !== 'released' || told.readings.length > 0) && (
        <IncomingTest line={line} readings={told.readings} />
      )}
      {told && <ReadingList part={line.part} readings={told.readings} />}
      {told && <Sites head={`Fitted on${line.batch && `, out of batch ${line.batch}`}`} at={told.went} />}
      {told && <Sites head="Came off" at={told.came} />}
      {told && told.moves.length > 0 && (
        <>
          <h3>Came and went</h3>
          <ul className={css['past']}>
            {told.moves.map((m) => (
              <li key={m.id}>
                <span className="quiet">{dayAndTime(m.at_ms)}</span>{' '}
                <span className="digits">
                  {m.change < 0 ? '−' : '+'}
                  {Math.abs(m.change)}
                </span>{' '}
                {MOVE_WORDS[m.reason]}, {m.by}
              </li>
            ))}
          </ul>
        </>
      )}
    </div>
  );
}

/** Sites under a heading; nothing where there are none. */
function Sites({ head, at }: { readonly head: string; readonly at: readonly At[] }) {
  if (at.length === 0) return null;
  return (
    <>
      <h3>{head}</h3>
      <ul className={css['past']}>
        {at.map(({ siteId, ref, boardId, board, at_ms }) => (
          <li key={`${siteId} ${at_ms}`}>
            <span className="quiet">{dayAndTime(at_ms)}</span>{' '}
            <a href={`/boards/${boardId}?site=${siteId}`}>
              {ref}, {board}
            </a>
          </li>
        ))}
      </ul>
    </>
  );
}
