import type { HeatGiven } from '~/core/method/heatCost';
import { kelvin } from '~/core/quantity/convert';
import type { Dwell } from '~/core/record/runState';
import type { Db } from '~/server/store/db';
import { logsOfHeat } from '~/server/store/repositories/thermalLogs';

/** How the log of a heating marks where it began. */
export const HEAT_ON = 'heat on';

/** The channel that sits on the heated land; null where none is said to. */
export const landChannelOf = (
  channels: readonly { readonly id: string; readonly place: string }[],
): string | null => channels.find(({ place }) => place === 'land')?.id ?? null;

/** What was read on the land of a heating, from heat on, and by what; undefined where nothing was. */
export function measuredOf(db: Db, jobId: string, { onSeq }: Pick<Dwell, 'onSeq'>): HeatGiven['measured'] {
  const log = logsOfHeat(db, jobId, onSeq).find(({ landChannel }) => landChannel !== null);
  const values = log && log.profile.values[log.landChannel!];
  if (!values) return undefined;
  const on_s = log.profile.marks.find(({ what }) => what === HEAT_ON)?.at_s ?? 0;
  const read = log.profile.elapsed_s.flatMap((at_s, i) =>
    values[i] === null ? [] : [{ time_s: at_s - on_s, land_K: kelvin(values[i]!) }],
  );
  return {
    time_s: read.map(({ time_s }) => time_s),
    land_K: read.map(({ land_K }) => land_K),
    by: log.simulated ? 'simulated' : 'thermocouple',
  };
}
