import type { PackedMonths } from '~/server/demo/months';
import { FROM, TRUTH } from './recipes';

const DAY_ms = 86_400_000;

/** Two lines of one capacitor: a batch that comes back, and one that does not. */
export const BAD_PART = 'sample-part-bad';
export const GOOD_PART = 'sample-part-good';

export const stock = (): PackedMonths['parts'] =>
  [
    [BAD_PART, TRUTH.badBatch.batch, 'A4'],
    [GOOD_PART, 'Q2511', 'A5'],
  ].map(([id, batch, drawer]) => ({
    id: id!,
    at_ms: FROM - 5 * DAY_ms,
    line: {
      part: { kind: 'capacitor', technology: 'aluminium', value: '100µ', rating_V: 35, temperature_C: 105 },
      drawer,
      batch,
      count: 300,
      low: 10,
      state: id === BAD_PART ? 'rejected' : 'released',
      because: id === BAD_PART ? 'Came back from the field with a high ESR.' : '',
      by: 'RT',
    },
  }));
