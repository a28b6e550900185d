import { useStore } from '@nanostores/react';
import { useEffect } from 'react';
import { $instruments, $readings, lookAtJob, seriesOf } from '~/islands/live/liveStore';
import type { InstrumentLine } from '~/schema/sheets/instruments';

/** Devices that tell of this job: real ones, and simulated ones that have this job's site under their tools. */
export function useBenchDevices(jobId: string): readonly InstrumentLine[] {
  lookAtJob(jobId);
  return useStore($instruments).filter(
    ({ simulated, laidFor, state }) => state !== 'gone' && (!simulated || laidFor === jobId),
  );
}

export const loggersOf = (devices: readonly InstrumentLine[]): InstrumentLine[] =>
  devices.filter(({ kind }) => kind === 'thermocouple-logger');

/** The station that gives this kind of heat; null where none is connected. */
export const stationOf = (devices: readonly InstrumentLine[], heat: 'hand' | 'air'): InstrumentLine | null =>
  devices.find(
    ({ kind, state }) => kind === (heat === 'air' ? 'air-station' : 'iron-station') && state === 'live',
  ) ?? null;

/** What a station says it is set to, °C; told again whenever that is another. */
export function useStationSet(
  station: InstrumentLine | null,
  wanted: boolean,
  tell: (set_C: number) => void,
): number | null {
  useStore($readings);
  const set = station && (seriesOf(station.id, 'set').last ?? station.latest['set'] ?? null);
  const set_C = wanted && set !== null ? Math.round(set) : null;
  useEffect(() => {
    if (set_C !== null) tell(set_C);
    // Only another setting is told: what was typed meanwhile stands until then.
  }, [set_C]);
  return set_C;
}
