import { useState } from 'react';
import type { PartInput } from '~/schema/exchange/parts/part';
import type { JudgeAnswer } from '~/schema/exchange/parts/questions';
import { postJson } from '~/ui/api';
import { Button } from '~/ui/controls/Button';
import { Segments, SelectField, TextField } from '~/ui/controls/Field';
import { ErrorNote } from '~/ui/controls/Notes';
import { SIGN_FIRST } from '~/ui/preferences';
import { figure } from './partDraft';
import { useMeter } from './useMeter';
import css from './parts.module.css';

type Field =
  'capacitance' | 'esr_Ohm' | 'tanDelta' | 'gain' | 'leakage_A' | 'resistance' | 'inductance' | 'drop_V';

const ASKED: Partial<Record<PartInput['kind'], readonly (readonly [Field, string])[]>> = {
  capacitor: [
    ['capacitance', 'Capacitance, as read'],
    ['esr_Ohm', 'ESR, Ω'],
    ['tanDelta', 'Or tan δ'],
    ['leakage_A', 'Leakage, A'],
  ],
  resistor: [['resistance', 'Resistance, as read (OL: open)']],
  inductor: [
    ['inductance', 'Inductance, as read'],
    ['resistance', 'Resistance, Ω (OL: open)'],
  ],
  diode: [['drop_V', 'Drop, V (open)']],
  transistor: [
    ['drop_V', 'Drop of a junction, V (open)'],
    ['gain', 'Gain'],
  ],
  fuse: [['resistance', 'Resistance, Ω (OL: open)']],
  switch: [['resistance', 'Resistance, Ω (OL: open)']],
  connector: [['resistance', 'Resistance, Ω (OL: open)']],
  socket: [['resistance', 'Resistance, Ω (OL: open)']],
};

/** Kinds whose reading goes with the frequency it is taken at, and the usual ones. */
const OVER_FREQUENCY: ReadonlySet<PartInput['kind']> = new Set(['capacitor', 'inductor']);
const FREQUENCIES_Hz = [100, 120, 1000, 10_000, 100_000] as const;

/** Fields whose figure is a number and nothing else. */
const PLAIN: ReadonlySet<Field> = new Set(['leakage_A', 'drop_V', 'tanDelta', 'gain']);

const readAs = (field: Field, typed: string): number | string =>
  PLAIN.has(field) && !/^(ol|open)$/i.test(typed.trim())
    ? figure(typed)!
    : field === 'drop_V'
      ? 'open'
      : typed.trim();

/** What a meter reads of one of a line: kept with what it was judged. */
export function ReadingForm({
  part,
  address,
  by,
  withPart = false,
  onKept,
}: {
  readonly part: PartInput;
  readonly address: string;
  readonly by: string;
  /** What it is taken for goes with the reading: nothing else says it. */
  readonly withPart?: boolean;
  readonly onKept: () => void;
}) {
  const [typed, setTyped] = useState<Partial<Record<Field, string>>>({});
  const [where, setWhere] = useState<'out' | 'in'>(withPart ? 'in' : 'out');
  const [answer, setAnswer] = useState<JudgeAnswer | null>(null);
  const [error, setError] = useState<unknown>(null);
  const [frequency_Hz, setFrequency] = useState('');
  const [nulled, setNulled] = useState(false);
  const meter = useMeter();
  const asked = ASKED[part.kind] ?? [];
  if (asked.length === 0) return null;
  const fields: ReadonlySet<string> = new Set(asked.map(([field]) => field));
  const keep = async (): Promise<void> => {
    if (!by) {
      setError(new Error(SIGN_FIRST));
      return;
    }
    const figures = Object.fromEntries(
      asked.flatMap(([field]) => (typed[field]?.trim() ? [[field, readAs(field, typed[field])]] : [])),
    );
    try {
      const kept = await postJson<{ answer: JudgeAnswer }>(address, {
        ...(withPart ? { part } : {}),
        reading: {
          ...figures,
          inCircuit: where === 'in',
          ...(frequency_Hz === '' ? {} : { frequency_Hz: Number(frequency_Hz) }),
          ...(nulled ? { nulled } : {}),
        },
        by,
      });
      setAnswer(kept.answer);
      setTyped({});
      setError(null);
      onKept();
    } catch (refused) {
      setError(refused);
    }
  };
  return (
    <form
      className={css['row']}
      aria-label="A reading"
      onSubmit={(event) => {
        event.preventDefault();
        void keep();
      }}
    >
      {asked.map(([field, label]) => (
        <TextField
          key={field}
          label={label}
          value={typed[field] ?? ''}
          maxLength={20}
          autoComplete="off"
          onChange={(event) => setTyped({ ...typed, [field]: event.target.value })}
        />
      ))}
      <Segments
        label="Read"
        value={where}
        onChange={setWhere}
        options={[
          { value: 'out', label: 'by itself' },
          { value: 'in', label: 'in circuit' },
        ]}
      />
      {OVER_FREQUENCY.has(part.kind) && (
        <SelectField
          label="At"
          value={frequency_Hz}
          onChange={setFrequency}
          options={[
            { value: '', label: 'not said' },
            ...FREQUENCIES_Hz.map((f) => ({
              value: String(f),
              label: f < 1000 ? `${f} Hz` : `${f / 1000} kHz`,
            })),
          ]}
        />
      )}
      <label className={css['nulled']}>
        <input type="checkbox" checked={nulled} onChange={(event) => setNulled(event.target.checked)} />
        leads nulled
      </label>
      {meter && (
        <Button
          onClick={() =>
            void meter
              .read()
              .then(
                (shows) => setTyped(Object.fromEntries(Object.entries(shows).filter(([f]) => fields.has(f)))),
                setError,
              )
          }
        >
          Take what the {meter.name.toLowerCase()} shows{meter.simulated ? ' (simulated)' : ''}
        </Button>
      )}
      <Button type="submit" disabled={!Object.values(typed).some((t) => t.trim())}>
        Judge it
      </Button>
      <ErrorNote error={error} />
      {answer && (
        <p role="status" className={css['verdict']} data-verdict={answer.verdict}>
          <strong>{answer.verdict}</strong>: {answer.reason}.
        </p>
      )}
    </form>
  );
}
