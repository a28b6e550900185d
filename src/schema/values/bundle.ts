import { z } from 'zod';
import { text, wholeNumber } from './fields';

export const BUNDLE_FORMAT = 'ithermon-bundle';
export const BUNDLE_VERSION = 1;

const sha256 = z.string().regex(/^[0-9a-f]{64}$/, { error: 'is no SHA-256 digest in hexadecimal' });

/** What a bundle says of itself: whose record it is, what it was written by, and every file in it with its digest. */
export const bundleManifest = z.strictObject({
  format: z.literal(BUNDLE_FORMAT, { error: `is no bundle of Ithermon; its format is not ${BUNDLE_FORMAT}` }),
  version: z.literal(BUNDLE_VERSION, {
    error: `is a bundle of another version than ${BUNDLE_VERSION}; bring it to the application that wrote it, or a newer one`,
  }),
  /** The version of the tables that its rows are of: when their newest migration was made. */
  tables: wholeNumber(0, 9_000_000_000_000),
  scope: z.discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('shop') }),
    z.strictObject({ kind: z.literal('board'), id: text(1, 80), name: text(0, 200) }),
  ]),
  /** Rows of each table. */
  rows: z.record(text(1, 60), wholeNumber(0, 10_000_000)),
  files: z
    .array(z.strictObject({ path: text(1, 200), bytes: wholeNumber(0, 1_000_000_000), sha256 }))
    .max(500_000),
});
export type BundleManifest = z.infer<typeof bundleManifest>;

/** Where a row's bytes lie. */
export const bundleBytes = z.strictObject({
  file: text(1, 200),
  bytes: wholeNumber(0, 1_000_000_000),
  sha256,
});
