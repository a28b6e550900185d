import { z } from 'zod';
import { CHANNEL_PLACES } from '~/core/record/channelPlace';
import { initials, oneOf, quantity, text, whenever_ms, wholeNumber } from '~/schema/values/fields';

const deviceId = z.string().regex(/^[a-z0-9_-]{1,32}$/, { error: 'is no name of a device or a channel' });

/** What a person says of a channel: its name, where it sits, and by how much it reads off. */
export const channelTold = z.strictObject({
  channel: deviceId,
  name: text(1, 60),
  place: oneOf(CHANNEL_PLACES),
  /** Added to what it reads, K; found against a reference. */
  offset_K: quantity('K', -50, 50),
  /** When it was held against a reference; null: never. */
  checkedAt_ms: whenever_ms.nullable(),
  by: initials,
  /** What was seen when this was changed; 0 where nothing was told yet. */
  revision: wholeNumber(0, 1_000_000),
});
export type ChannelTold = z.infer<typeof channelTold>;

export const instrumentChannelRow = channelTold.extend({ instrument: deviceId, at_ms: whenever_ms });
export type InstrumentChannelRow = z.infer<typeof instrumentChannelRow>;
