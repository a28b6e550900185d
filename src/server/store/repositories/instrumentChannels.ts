import { and, eq } from 'drizzle-orm';
import {
  instrumentChannelRow,
  type ChannelTold,
  type InstrumentChannelRow,
} from '~/schema/records/rig/instrumentChannel';
import { instrumentChannels } from '~/schema/records/rig/instrumentChannel.table';
import type { Db } from '../db';
import { Conflict } from '../errors';

/** What was told of channels, of every instrument that was ever here. */
export const channelsTold = (db: Db): InstrumentChannelRow[] =>
  db
    .select()
    .from(instrumentChannels)
    .all()
    .map((row) => instrumentChannelRow.parse(row));

/** Writes what is said of a channel, unless another screen said something since. */
export function tellChannel(
  db: Db,
  instrument: string,
  told: ChannelTold,
  at_ms: number,
): InstrumentChannelRow {
  return db.transaction(() => {
    const of = and(
      eq(instrumentChannels.instrument, instrument),
      eq(instrumentChannels.channel, told.channel),
    );
    const known = db.select().from(instrumentChannels).where(of).get();
    if ((known?.revision ?? 0) !== told.revision)
      throw new Conflict('this channel was changed on another screen; look at it again', known ?? null);
    const row: InstrumentChannelRow = { ...told, instrument, at_ms, revision: told.revision + 1 };
    if (known) db.update(instrumentChannels).set(row).where(of).run();
    else db.insert(instrumentChannels).values(row).run();
    return row;
  });
}
