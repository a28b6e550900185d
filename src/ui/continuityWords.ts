import { group } from 'd3-array';
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

const WHY_UNCHECKED: Readonly<Record<Unchecked['why'], string>> = {
  'net-not-known': 'net not known',
  'alone-on-its-net': 'no other point of the net is recorded',
};

/** Each reason once, with the pins that it holds of: “pins 1 to 6, 8: net not known”. */
export const uncheckedInWords = (unchecked: readonly Unchecked[]): string =>
  [...group(unchecked, ({ why }) => why)]
    .map(([why, those]) => `${pinRuns(those.map(({ pad }) => pad.name))}: ${WHY_UNCHECKED[why]}`)
    .join('; ');

/** Pins that follow one another as runs: “pins 1 to 6, 8 and 9”. */
export function pinRuns(names: readonly string[]): string {
  const runs: string[][] = [];
  for (const name of names) {
    const last = runs.at(-1)?.at(-1);
    if (last !== undefined && Number(name) === Number(last) + 1) runs.at(-1)!.push(name);
    else runs.push([name]);
  }
  const told = runs.flatMap((run) => (run.length > 2 ? `${run[0]} to ${run.at(-1)}` : run));
  const listed = told.length === 1 ? told[0]! : `${told.slice(0, -1).join(', ')} and ${told.at(-1)}`;
  return `${names.length === 1 ? 'pin' : 'pins'} ${listed}`;
}
