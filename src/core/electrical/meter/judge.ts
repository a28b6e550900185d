import { valueInWords } from '~/core/quantity/partValue';
import { CAPACITOR_LIMITS as LIMITS, GAIN, METER_LEADS } from '../partData';
import { esrLimit_Ohm, esrOfLoss_Ohm, LOSS_Hz, toleranceOf, type Part } from '../parts/part';

/** What a meter said of a part; SI. Infinity is open. */
export interface Reading {
  readonly capacitance_F?: number | undefined;
  readonly esr_Ohm?: number | undefined;
  readonly tanDelta?: number | undefined;
  readonly leakage_A?: number | undefined;
  readonly resistance_Ohm?: number | undefined;
  readonly inductance_H?: number | undefined;
  readonly drop_V?: number | undefined;
  /** Collector current over base current. */
  readonly gain?: number | undefined;
  readonly frequency_Hz?: number | undefined;
  /** Something else may lie across it. */
  readonly inCircuit: boolean;
  /** Whether the meter's leads were nulled before a low reading. */
  readonly nulled?: boolean | undefined;
}

export type Verdict = 'good' | 'doubtful' | 'dead';

/** One figure beside what it is held against. */
interface Judged {
  readonly what: string;
  readonly verdict: Verdict;
  readonly read: number;
  readonly low: number | null;
  readonly high: number | null;
  readonly reason: string;
}

export interface Judgement {
  readonly verdict: Verdict;
  /** The figures that decided. */
  readonly reason: string;
  readonly figures: readonly Judged[];
}

const worse = (a: Verdict, b: Verdict): Verdict => {
  const order: readonly Verdict[] = ['good', 'doubtful', 'dead'];
  return order[Math.max(order.indexOf(a), order.indexOf(b))]!;
};

/** A part by what was read of it. Null where nothing was read that tells of its kind. */
export function judge(part: Part, reading: Reading): Judgement | null {
  const figures = [
    ...capacitanceJudged(part, reading),
    ...esrJudged(part, reading),
    ...leakageJudged(part, reading),
    ...resistanceJudged(part, reading),
    ...inductanceJudged(part, reading),
    ...dropJudged(part, reading),
    ...gainJudged(part, reading),
  ];
  if (figures.length === 0) return null;
  const verdict = figures.map((f) => f.verdict).reduce(worse);
  return {
    verdict,
    reason: figures
      .filter((f) => f.verdict === verdict)
      .map((f) => f.reason)
      .join('; '),
    figures,
  };
}

function capacitanceJudged(part: Part, { capacitance_F: read, inCircuit }: Reading): Judged[] {
  if (part.kind !== 'capacitor' || part.value === undefined || read === undefined) return [];
  const [down, up] = toleranceOf(part);
  const [low, high] = [part.value * (1 - down), part.value * (1 + up)];
  const [said, asked] = [valueInWords(read, 'capacitance'), valueInWords(part.value, 'capacitance')];
  const off = `${signed((read / part.value - 1) * 100)} %`;
  const at = { what: 'capacitance', read, low, high };
  if (read < low - LIMITS.deadLoss.value * part.value)
    return [
      { ...at, verdict: 'dead', reason: `${said} where ${asked} is printed (${off}): dried out or open` },
    ];
  if (read < low)
    return [
      {
        ...at,
        verdict: 'doubtful',
        reason: `${said} where ${asked} is printed (${off}), below its tolerance`,
      },
    ];
  if (read <= high)
    return [{ ...at, verdict: 'good', reason: `${said} is within ${asked} and its tolerance` }];
  return [
    {
      ...at,
      verdict: 'doubtful',
      reason: inCircuit
        ? `${said} where ${asked} is printed (${off}): another capacitor lies across it; lift a lead and read again`
        : `${said} where ${asked} is printed (${off}): a leaking capacitor reads high; measure its leakage`,
    },
  ];
}

function esrJudged(part: Part, { esr_Ohm, tanDelta, frequency_Hz, inCircuit, nulled }: Reading): Judged[] {
  if (part.kind !== 'capacitor') return [];
  const read =
    esr_Ohm ??
    (tanDelta !== undefined && part.value !== undefined
      ? esrOfLoss_Ohm(tanDelta, part.value, frequency_Hz ?? LOSS_Hz)
      : undefined);
  const limit = esrLimit_Ohm(part);
  if (read === undefined || !limit) return [];
  const { limit_Ohm: high, from } = limit;
  const of = { own: 'its own sheet’s', loss: 'tan δ / 2πfC:', kind: 'usual for its kind:' }[from];
  const at = { what: 'ESR', read, low: null, high };
  const words = `ESR ${valueInWords(read, 'resistance')}, limit ${of} ${valueInWords(high, 'resistance', 2)}`;
  if (nulled === false && read > high && read <= high + METER_LEADS.notNulled.value)
    return [
      {
        ...at,
        verdict: 'doubtful',
        reason: `${words}: the leads were not nulled, and they alone may be it; null and read again`,
      },
    ];
  if (read > LIMITS.deadEsr.value * high)
    return [
      {
        ...at,
        verdict: 'dead',
        reason: `${words}${inCircuit ? '; what lies across it only makes it read lower' : ''}`,
      },
    ];
  if (read > high) return [{ ...at, verdict: 'doubtful', reason: words }];
  return [
    inCircuit
      ? { ...at, verdict: 'good', reason: `${words}; in circuit others across it may hide worse` }
      : { ...at, verdict: 'good', reason: words },
  ];
}

function leakageJudged(part: Part, { leakage_A: read }: Reading): Judged[] {
  if (
    part.kind !== 'capacitor' ||
    read === undefined ||
    part.value === undefined ||
    part.rating_V === undefined
  )
    return [];
  const high = Math.max(LIMITS.leastLeakage.value, LIMITS.leakagePerCV.value * part.value * part.rating_V);
  const words = `leaks ${micro(read)}, allowed ${micro(high)} (0.01 CV)`;
  const verdict = read <= high ? 'good' : read <= LIMITS.deadLeakage.value * high ? 'doubtful' : 'dead';
  return [
    {
      what: 'leakage',
      read,
      low: null,
      high,
      verdict,
      reason:
        verdict === 'doubtful' ? `${words}: form it at its voltage for some minutes and read again` : words,
    },
  ];
}

function resistanceJudged(part: Part, { resistance_Ohm: read, inCircuit, nulled }: Reading): Judged[] {
  if (read === undefined) return [];
  if (part.kind === 'fuse' || part.kind === 'switch' || part.kind === 'connector' || part.kind === 'socket') {
    const at = { what: 'resistance', read, low: null, high: METER_LEADS.conducts.value };
    if (!Number.isFinite(read)) return [{ ...at, verdict: 'dead', reason: 'open' }];
    return [
      read <= METER_LEADS.conducts.value
        ? { ...at, verdict: 'good', reason: `conducts, ${valueInWords(read, 'resistance')}` }
        : {
            ...at,
            verdict: 'doubtful',
            reason: `${valueInWords(read, 'resistance')} where next to nothing is right`,
          },
    ];
  }
  if (part.kind !== 'resistor' || part.value === undefined) return [];
  const [down, up] = toleranceOf(part);
  const [low, high] = [part.value * (1 - down), part.value * (1 + up)];
  const at = { what: 'resistance', read, low, high };
  const asked = valueInWords(part.value, 'resistance');
  if (!Number.isFinite(read)) return [{ ...at, verdict: 'dead', reason: `open where ${asked} is printed` }];
  const said = `${valueInWords(read, 'resistance')} where ${asked} is printed`;
  if (read > high) {
    const leads = nulled === false && read <= high + METER_LEADS.notNulled.value;
    return [
      leads
        ? { ...at, verdict: 'doubtful', reason: `${said}: the leads were not nulled; null and read again` }
        : { ...at, verdict: 'dead', reason: `${said}: nothing across it makes a resistor read high` },
    ];
  }
  if (read >= low) return [{ ...at, verdict: 'good', reason: `${said}, within its tolerance` }];
  return [
    inCircuit
      ? { ...at, verdict: 'doubtful', reason: `${said}: a path lies across it; lift a lead and read again` }
      : { ...at, verdict: 'dead', reason: said },
  ];
}

function inductanceJudged(part: Part, { inductance_H: read, resistance_Ohm }: Reading): Judged[] {
  if (part.kind !== 'inductor') return [];
  if (resistance_Ohm === Infinity)
    return [
      {
        what: 'resistance',
        read: Infinity,
        low: null,
        high: null,
        verdict: 'dead',
        reason: 'its winding is open',
      },
    ];
  if (read === undefined || part.value === undefined) return [];
  const [down, up] = toleranceOf(part);
  const [low, high] = [part.value * (1 - down), part.value * (1 + up)];
  const said = `${valueInWords(read, 'inductance')} where ${valueInWords(part.value, 'inductance')} is printed`;
  const within = read >= low && read <= high;
  return [
    {
      what: 'inductance',
      read,
      low,
      high,
      verdict: within ? 'good' : read < 0.5 * part.value ? 'dead' : 'doubtful',
      reason: within
        ? `${said}, within its tolerance`
        : `${said}${read < 0.5 * part.value ? ': turns are shorted' : ''}`,
    },
  ];
}

/** What a junction drops at a meter's milliampere, by how it is made, V (common practice). */
const DROPS: Readonly<Record<string, readonly [number, number]>> = {
  schottky: [0.1, 0.45],
  standard: [0.45, 0.8],
  fast: [0.45, 0.85],
  zener: [0.55, 0.9],
};

function dropJudged(part: Part, { drop_V: read, inCircuit }: Reading): Judged[] {
  if ((part.kind !== 'diode' && part.kind !== 'transistor') || read === undefined) return [];
  const [low, high] = DROPS[part.technology ?? 'standard'] ?? [0.45, 0.85];
  const at = { what: 'drop', read, low, high };
  if (!Number.isFinite(read))
    return [{ ...at, verdict: 'dead', reason: 'open both by its sign and against it' }];
  if (read < 0.05)
    return [
      inCircuit
        ? {
            ...at,
            verdict: 'doubtful',
            reason: `${read.toFixed(2)} V: shorted, or a winding lies across it; lift a lead`,
          }
        : { ...at, verdict: 'dead', reason: `${read.toFixed(2)} V: shorted` },
    ];
  const within = read >= low && read <= high;
  return [
    {
      ...at,
      verdict: within ? 'good' : 'doubtful',
      reason: `${read.toFixed(2)} V, ${low} to ${high} V is usual for its kind`,
    },
  ];
}

function gainJudged({ kind, technology }: Part, { gain: read, inCircuit }: Reading): Judged[] {
  const bipolar = technology === undefined || technology === 'npn' || technology === 'pnp';
  if (kind !== 'transistor' || !bipolar || read === undefined) return [];
  const [dead, low] = [GAIN.dead.value, GAIN.low.value];
  const at = { what: 'gain', read, low, high: null };
  if (inCircuit)
    return [
      {
        ...at,
        verdict: 'doubtful',
        reason: `gain ${read.toFixed(0)} in circuit: what lies about it shares the current; lift a lead`,
      },
    ];
  if (read < dead)
    return [{ ...at, verdict: 'dead', reason: `gain ${read.toFixed(0)}: under ${dead} it does not amplify` }];
  return [
    read < low
      ? {
          ...at,
          verdict: 'doubtful',
          reason: `gain ${read.toFixed(0)}: little for a small one; held against its sheet`,
        }
      : { ...at, verdict: 'good', reason: `gain ${read.toFixed(0)}` },
  ];
}

const signed = (value: number): string => `${value < 0 ? '−' : '+'}${Math.abs(value).toFixed(0)}`;
const micro = (current_A: number): string =>
  current_A >= 1e-3 ? `${(current_A * 1e3).toFixed(1)} mA` : `${(current_A * 1e6).toFixed(1)} µA`;
