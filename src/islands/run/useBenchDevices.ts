import { useStore } from '@nanostores/react';
import { useEffect } from 'react';
import { $instruments, $readings, lookAtJob, seriesOf } from '~/islands/live/liveStore';
import { OFF_V } from '~/core/record/supplyGate';
import type { SupplyTyped } from './shown';
import type { InstrumentLine } from '~/schema/sheets/instruments';

/** Devices that tell of this job: real ones, and simulated ones that have this job's site under their tools. */
export function useBenchDevices(jobId: string): readonly InstrumentLine[] {
  useEffect(() => lookAtJob(jobId), [jobId]);
  return useStore($instruments).filter(
    ({ simulated, laidFor, state }) => state !== 'gone' && (!simulated || laidFor === jobId),
  );
}

export const loggersOf = (devices: readonly InstrumentLine[]): InstrumentLine[] =>
  devices.filter(({ kind }) => kind === 'thermocouple-logger');

/** The station that gives this kind of heat; null where none is connected. */
export const stationOf = (devices: readonly InstrumentLine[], tool: string): InstrumentLine | null =>
  devices.find(({ kind, state }) => kind === STATIONS[tool] && state === 'live') ?? null;

/** Guns and tweezers stand on stations of their own, which none of these is. */
const STATIONS: Readonly<Record<string, InstrumentLine['kind']>> = {
  Iron: 'iron-station',
  Air: 'air-station',
};

/** The bench supply that is connected; null where none is. */
export const supplyOf = (devices: readonly InstrumentLine[]): InstrumentLine | null =>
  devices.find(({ kind, state }) => kind === 'bench-supply' && state === 'live') ?? null;

/**
 * What a supply reads at its output, and its limit; told whenever something else stands in their place. One whose output is
 * off feeds nothing, and another may be meant.
 */
export function useSupplyRead(
  supply: InstrumentLine | null,
  wanted: boolean,
  typed: SupplyTyped,
  tell: (typed: Partial<SupplyTyped>) => void,
): boolean {
  useStore($readings);
  const read = (channel: string): number | null =>
    supply && (seriesOf(supply.id, channel).last ?? supply.latest[channel] ?? null);
  const [volts, limit] = [read('v'), read('limit')];
  const gives = wanted && volts !== null && Math.abs(volts) >= OFF_V ? volts.toFixed(1) : null;
  const least = wanted && limit !== null ? String(limit) : null;
  useEffect(() => {
    if (gives !== null && least !== null && (typed.gives !== gives || typed.limit !== least))
      tell({ gives, limit: least });
  }, [gives, least]);
  return gives !== null && least !== null;
}

/** What a station says it is set to, °C; told whenever something else stands in its place. */
export function useStationSet(
  station: InstrumentLine | null,
  wanted: boolean,
  shown: string,
  tell: (set_C: number) => void,
): number | null {
  useStore($readings);
  const set = station && (seriesOf(station.id, 'set').last ?? station.latest['set'] ?? null);
  const set_C = wanted && set !== null ? Math.round(set) : null;
  useEffect(() => {
    if (set_C !== null && shown !== String(set_C)) tell(set_C);
  }, [set_C, shown]);
  return set_C;
}
