import type { ChannelUnit } from '~/schema/exchange/instruments/wire';
import type { ChannelPlace } from '~/core/record/channelPlace';
import type { InstrumentState } from '~/schema/sheets/instruments';

export const STATE_WORDS: Readonly<Record<InstrumentState, string>> = {
  live: 'connected',
  silent: 'says nothing',
  gone: 'not connected',
  nonsense: 'sent away: talked nonsense',
  flood: 'sent away: flooded the line',
};

/** Where a channel sits, as it is said. */
export const PLACE_WORDS: Readonly<Record<ChannelPlace, string>> = {
  land: 'a land',
  body: 'the part’s body',
  board: 'the board',
  tool: 'a tool',
  room: 'the room',
  elsewhere: 'not said',
};

const PREFIXES = [
  [1, ''],
  [1e-3, 'm'],
  [1e-6, 'µ'],
  [1e-9, 'n'],
  [1e-12, 'p'],
] as const;

const UNITS: Readonly<Record<ChannelUnit, string>> = {
  degC: '°C',
  W: 'W',
  'L/min': 'L/min',
  V: 'V',
  A: 'A',
  Ohm: 'Ω',
  F: 'F',
};

/** A reading with its unit, as a meter shows it; a dash where there is none. */
export function readingWords(value: number | null, unit: ChannelUnit): string {
  if (value === null) return '–';
  if (unit === 'degC') return `${value.toFixed(1)} °C`;
  if (unit === 'W' || unit === 'L/min') return `${value.toFixed(unit === 'W' ? 1 : 0)} ${UNITS[unit]}`;
  const size = Math.abs(value);
  if (size >= 1000) return `${(value / 1000).toPrecision(4)} k${UNITS[unit]}`;
  const [scale, prefix] = PREFIXES.find(([s]) => size >= s) ?? (size === 0 ? PREFIXES[0] : PREFIXES[4]);
  return `${(value / scale).toPrecision(3)} ${prefix}${UNITS[unit]}`;
}
