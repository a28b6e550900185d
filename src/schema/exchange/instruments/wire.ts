import { z } from 'zod';
import { oneOf, quantity, text, wholeNumber } from '~/schema/values/fields';

/** The line protocol between the application and a device: JSON lines over TCP, each of one of these shapes (docs/instruments.md). */
export const WIRE_VERSION = 1;

/** What a device is. */
const INSTRUMENT_KINDS = [
  'iron-station',
  'air-station',
  'thermocouple-logger',
  'preheater',
  'component-meter',
  'bench-supply',
] as const;
export type InstrumentKind = (typeof INSTRUMENT_KINDS)[number];

const CHANNEL_UNITS = ['degC', 'W', 'L/min', 'V', 'A', 'Ohm', 'F'] as const;
export type ChannelUnit = (typeof CHANNEL_UNITS)[number];

const name = text(1, 60);
const id = z.string().regex(/^[a-z0-9_-]{1,32}$/, { error: 'must be 1 to 32 of a to z, 0 to 9, - and _' });

const channel = z.strictObject({ id, name, unit: oneOf(CHANNEL_UNITS) });
export type Channel = z.infer<typeof channel>;

/** Something that a person would turn on the device itself; a stand-in has it turned from its panel. */
const knob = z.strictObject({
  id,
  name,
  unit: text(0, 8).default(''),
  /** A number within a range, or one of some words. */
  range: z.tuple([z.number(), z.number()]).nullable().default(null),
  words: z.array(text(1, 24)).max(64).default([]),
});
export type Knob = z.infer<typeof knob>;

const fault = z.strictObject({ id, name });

/** The first line of a device: who it is. */
const hello = z.strictObject({
  hello: z.literal('ithermon-instrument'),
  version: wholeNumber(1, 1000),
  id,
  kind: oneOf(INSTRUMENT_KINDS),
  name,
  simulated: z.boolean().default(false),
  channels: z.array(channel).min(1).max(16),
  knobs: z.array(knob).max(16).default([]),
  /** What a stand-in can be made to do wrong. */
  faults: z.array(fault).max(16).default([]),
});
export type Hello = z.infer<typeof hello>;

/** One reading of some channels at a time of the device's own clock; null where a channel has none, as an open thermocouple. */
const reading = z.strictObject({
  at_s: quantity('s', 0, 1e9),
  v: z
    .record(id, z.number().min(-1e6).max(1e9).nullable())
    .refine((v) => Object.keys(v).length <= 16, { error: 'has more than 16 channels' }),
});

/** How a knob or a fault stands, told by the device when it changes. */
const turned = z.strictObject({
  turned: z.record(id, z.union([z.number(), z.string().max(24), z.boolean()])),
});

const done = z.strictObject({ done: wholeNumber(1, 1e9) });
const refused = z.strictObject({ refused: wholeNumber(1, 1e9), why: text(1, 200) });

export const fromDevice = z.union([reading, hello, turned, done, refused], {
  error: 'is no line of the protocol: hello, a reading, turned, done or refused',
});
export type FromDevice = z.infer<typeof fromDevice>;

/** What is asked of a device. */
export const instrumentDo = z.discriminatedUnion(
  'what',
  [
    z.strictObject({
      what: z.literal('knob'),
      id,
      value: z.union([z.number(), text(0, 24)], { error: 'must be a number or a word' }),
    }),
    z.strictObject({ what: z.literal('fault'), id, on: z.boolean() }),
  ],
  { error: 'what must be knob or fault' },
);
export type InstrumentDo = z.infer<typeof instrumentDo>;

/** What lies under the tool, for stand-ins: the request of `./ithermon simulate`, which is public. */
export interface LayScene {
  readonly what: 'lay';
  readonly scene: unknown;
}

/** Lines of the application. */
export type ToDevice =
  | { readonly welcome: typeof WIRE_VERSION }
  | { readonly sorry: string }
  | ({ readonly do: number } & (InstrumentDo | LayScene));
