import type { Check } from './checklist';
import { METER } from './meterLimits';

/** `doubtful`: neither a short nor clear; the next step is named with it. */
export const VERDICTS = ['good', 'bad', 'doubtful'] as const;
export type Verdict = (typeof VERDICTS)[number];

/** A part that joins the two nets of a check by its own two pads; `value_Ohm` where it is a resistor of known value. */
export interface Between {
  readonly ref: string;
  readonly value_Ohm: number | null;
}

export interface Judgement {
  readonly verdict: Verdict;
  /** What the reading was held against, Ω. */
  readonly limit_Ohm: number;
  readonly why: string;
}

/**
 * Judges one reading. `reading_Ohm` is Infinity for an open display. A resistor between two nets explains a
 * reading near its own value; any other part between them makes a low reading doubtful, never a proof.
 */
export function judge(check: Check, reading_Ohm: number, between: readonly Between[]): Judgement {
  if (check.kind === 'continuity') {
    const good = reading_Ohm <= check.limit_Ohm;
    return {
      verdict: good ? 'good' : 'bad',
      limit_Ohm: check.limit_Ohm,
      why: good
        ? 'connected'
        : Number.isFinite(reading_Ohm)
          ? 'too much for this copper: a bad joint or a cracked track lies between'
          : 'nothing joins them',
    };
  }
  const short_Ohm = METER.short.value;
  const clear_Ohm = METER.clear.value;
  const resistors = between.flatMap(({ ref, value_Ohm }) => (value_Ohm === null ? [] : [{ ref, value_Ohm }]));
  const parallel_Ohm = 1 / resistors.reduce((sum, { value_Ohm }) => sum + 1 / Math.max(1e-3, value_Ohm), 0);
  const explained_Ohm = METER.resistorShare.value * parallel_Ohm;
  if (resistors.length > 0 && reading_Ohm >= explained_Ohm) {
    return {
      verdict: 'good',
      limit_Ohm: explained_Ohm,
      why: `no less than ${resistors.map(({ ref }) => ref).join(' and ')} between the nets`,
    };
  }
  if (reading_Ohm >= clear_Ohm) return { verdict: 'good', limit_Ohm: clear_Ohm, why: 'clear' };
  const others = between.filter(({ value_Ohm }) => value_Ohm === null).map(({ ref }) => ref);
  if (reading_Ohm < short_Ohm && others.length === 0 && !check.unknown) {
    return { verdict: 'bad', limit_Ohm: short_Ohm, why: 'they touch' };
  }
  return {
    verdict: 'doubtful',
    limit_Ohm: reading_Ohm < short_Ohm ? short_Ohm : clear_Ohm,
    why: check.unknown
      ? 'a net is not known here; name it, or compare with a good board'
      : others.length > 0
        ? `${others.join(', ')} lies between these nets; lift one end, or compare with a good board`
        : 'a part in between can read so; swap the probes, or compare with a good board',
  };
}
