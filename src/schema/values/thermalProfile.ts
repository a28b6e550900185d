import { z } from 'zod';
import { quantity, text, whenever_ms } from './fields';

/** More than a day at ten a second is no log of a job. */
const MOST_ROWS = 1_000_000;

const channelId = z.string().regex(/^[A-Za-z0-9_-]{1,32}$/, {
  error: 'must be 1 to 32 letters, digits, - and _',
});

/** Temperatures of some channels over time: the JSON form `thermal-profile`, version 1, as it is written and read. */
export const thermalProfile = z
  .strictObject({
    format: z.literal('thermal-profile', { error: 'must be "thermal-profile"' }),
    version: z.literal(1, { error: 'is another version than 1, which this reads' }),
    title: text(0, 120).default(''),
    /** When its first row was, where that is known. */
    began_ms: whenever_ms.nullable().default(null),
    channels: z
      .array(z.strictObject({ id: channelId, name: text(1, 60), unit: z.literal('degC') }))
      .min(1)
      .max(16),
    elapsed_s: z.array(quantity('s', 0, 1e7)).max(MOST_ROWS),
    /** A row for each channel; null where it had no reading. */
    values: z.record(channelId, z.array(z.number().min(-273.15).max(2000).nullable()).max(MOST_ROWS)),
    /** What happened on the way. */
    marks: z
      .array(z.strictObject({ at_s: quantity('s', 0, 1e7), what: text(1, 60) }))
      .max(1000)
      .default([]),
  })
  .superRefine(({ channels, elapsed_s, values }, context) => {
    const refuse = (path: (string | number)[], message: string): void =>
      context.addIssue({ code: 'custom', path, message });
    for (const { id } of channels) {
      const count = values[id]?.length;
      if (count !== elapsed_s.length)
        refuse(
          ['values', id],
          `has ${count ?? 'no'} values for ${elapsed_s.length} times; give one for each`,
        );
    }
    for (const id of Object.keys(values))
      if (!channels.some((c) => c.id === id)) refuse(['values', id], 'is no channel of this log');
    const back = elapsed_s.findIndex((t, i) => i > 0 && t <= elapsed_s[i - 1]!);
    if (back > 0) refuse(['elapsed_s', back], 'is no later than the one before; give times that rise');
  });
export type ThermalProfile = z.infer<typeof thermalProfile>;
