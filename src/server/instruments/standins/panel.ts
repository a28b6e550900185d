import type { InstrumentDo, Knob } from '~/schema/exchange/instruments/wire';

export const number = (id: string, name: string, unit: string, low: number, high: number): Knob => ({
  id,
  name,
  unit,
  range: [low, high],
  words: [],
});
export const word = (id: string, name: string, words: readonly string[]): Knob => ({
  id,
  name,
  unit: '',
  range: null,
  words: [...words],
});

/** Knobs and faults by their ids, within what each takes. */
export function panel(
  knobs: readonly Knob[],
  faultIds: readonly string[],
  state: Record<string, number | string | boolean>,
) {
  const take = (asked: InstrumentDo): string | null => {
    if (asked.what === 'fault') {
      if (!faultIds.includes(asked.id)) return `there is no fault "${asked.id}"`;
      state[asked.id] = asked.on;
      return null;
    }
    const knob = knobs.find((k) => k.id === asked.id);
    if (!knob) return `there is no knob "${asked.id}"`;
    const { value } = asked;
    if (knob.range) {
      const [low, high] = knob.range;
      if (typeof value !== 'number' || value < low || value > high)
        return `${knob.name} goes from ${low} to ${high} ${knob.unit}`;
    } else if (typeof value !== 'string' || (knob.words.length > 0 && !knob.words.includes(value)))
      return `${knob.name} is one of ${knob.words.join(', ')}`;
    state[asked.id] = value;
    return null;
  };
  return { state, take };
}
