import { useState } from 'react';
import { SAFE_V } from '~/core/record/chargeGate';
import type { dischargeAnswerOf } from '~/schema/exchange/parts/questions';
import { postJson } from '~/ui/api';
import { Button } from '~/ui/controls/Button';
import { TextField } from '~/ui/controls/Field';
import { Caution, ErrorNote } from '~/ui/controls/Notes';
import { seconds } from '~/ui/figures';
import { figure } from './partDraft';
import css from './parts.module.css';

type Answer = ReturnType<typeof dischargeAnswerOf>;

/** Until nothing sparks (common practice). */
const QUIET_V = 5;

/** How long a capacitor takes to bleed, and through what. */
export function BleedPanel() {
  const [typed, setTyped] = useState({ capacitance: '', volts: '', resistor: '' });
  const [answers, setAnswers] = useState<readonly Answer[] | null>(null);
  const [error, setError] = useState<unknown>(null);
  const ask = async (): Promise<void> => {
    const to = (to_V: number): Promise<Answer> =>
      postJson<Answer>('/api/parts/discharge', {
        capacitance: typed.capacitance.trim(),
        voltage_V: figure(typed.volts),
        resistor: typed.resistor.trim(),
        to_V,
      });
    try {
      setAnswers(await Promise.all([to(SAFE_V), to(QUIET_V)]));
      setError(null);
    } catch (refused) {
      setAnswers(null);
      setError(refused);
    }
  };
  const text = (field: keyof typeof typed, label: string) => (
    <TextField
      label={label}
      value={typed[field]}
      autoComplete="off"
      maxLength={20}
      onChange={(event) => setTyped({ ...typed, [field]: event.target.value })}
    />
  );
  const safe = answers?.[0];
  return (
    <section aria-label="Discharge">
      <Caution>
        Unplugged first, always. Through a resistor and never through a blade; two readings, the second after
        the voltage had time to come back. Where local rules ask for a licensed hand, it is theirs.
      </Caution>
      <form
        className={css['row']}
        onSubmit={(event) => {
          event.preventDefault();
          void ask();
        }}
      >
        {text('capacitance', 'Capacitor')}
        {text('volts', 'It holds, V')}
        {text('resistor', 'Through, Ω')}
        <Button type="submit" look="primary">
          How long
        </Button>
      </form>
      <ErrorNote error={error} />
      {safe && (
        <dl className={css['figures']}>
          <dt>Below {SAFE_V} V after</dt>
          <dd className="digits">{seconds(safe.time_s)}</dd>
          <dt>Below {QUIET_V} V after</dt>
          <dd className="digits">{seconds(answers[1]!.time_s)}</dd>
          <dt>The resistor takes at first</dt>
          <dd className="digits">{safe.peak_W.toFixed(1)} W</dd>
          <dt>And in all</dt>
          <dd className="digits">{safe.energy_J.toFixed(1)} J</dd>
          <dt>A bench would take</dt>
          <dd>
            {safe.suggested
              ? `${safe.suggested.resistor}, ${safe.suggested.power_W} W wirewound: below ${SAFE_V} V in ${seconds(safe.suggested.time_s)}`
              : 'no resistor of a bench: a lamp, or a bank made for it'}
          </dd>
        </dl>
      )}
    </section>
  );
}
