import type { Check, Unchecked } from '~/core/electrical/checklist';
import { METER } from '~/core/electrical/meterLimits';
import type { ContinuityReadingRecord } from '~/schema/records/site/continuityReading';

/** Ohms as a meter shows them; null is an open display. */
export function ohms(value_Ohm: number | null): string {
  if (value_Ohm === null || !Number.isFinite(value_Ohm)) return 'open';
  if (value_Ohm < 0.01) return `${(value_Ohm * 1e3).toFixed(1)} mΩ`;
  if (value_Ohm < 10) return `${Number(value_Ohm.toPrecision(2))} Ω`;
  if (value_Ohm < 1000) return `${Number(value_Ohm.toPrecision(3))} Ω`;
  if (value_Ohm < 1e6) return `${Number((value_Ohm / 1e3).toPrecision(3))} kΩ`;
  return `${Number((value_Ohm / 1e6).toPrecision(3))} MΩ`;
}

export const expectation = (check: Check): string =>
  check.kind === 'continuity' ? `${ohms(check.limit_Ohm)} or less` : `${ohms(METER.clear.value)} or more`;

export const VERDICT_WORDS = { good: 'good', bad: 'fails', doubtful: 'doubtful' } as const;
/** Said by shape as well as by colour. */
export const VERDICT_SHAPES: Readonly<Record<ContinuityReadingRecord['verdict'], string>> = {
  good: '●',
  bad: '◆',
  doubtful: '▲',
};

export const whyUnchecked = ({ why }: Unchecked): string =>
  why === 'net-not-known' ? 'its net is not known' : 'no other point of its net is recorded';
