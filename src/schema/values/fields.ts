import { z } from 'zod';

/** A number in a unit within a range; its fault names the value given and the range allowed. */
export function quantity(unit: string, min: number, max: number) {
  const wanted = `give a number from ${min} to ${max}${unit ? ` ${unit}` : ''}`;
  // A form's empty field of figures reads as not-a-number.
  const error = ({ input }: { input?: unknown }) =>
    input === undefined || Number.isNaN(input) ? `is missing; ${wanted}` : `is ${shown(input)}; ${wanted}`;
  return z.number({ error }).min(min, { error }).max(max, { error });
}

export function wholeNumber(min: number, max: number) {
  const error = (issue: { input?: unknown }) =>
    issue.input === undefined
      ? `is missing; give a whole number from ${min} to ${max}`
      : `is ${shown(issue.input)}; give a whole number from ${min} to ${max}`;
  return z.int({ error }).min(min, { error }).max(max, { error });
}

/** One of a list of words. */
export function oneOf<const Words extends readonly [string, ...string[]]>(words: Words) {
  return z.enum(words, {
    error: (issue) =>
      `${issue.input === undefined ? 'is missing' : `is ${shown(issue.input)}`}; give one of ${words.join(', ')}`,
  });
}

/** Text a person typed: trimmed, no control characters, between two lengths. Shown escaped everywhere. */
export function text(min: number, max: number) {
  return (
    z
      .string({ error: (issue) => (issue.input === undefined ? 'is missing; give text' : 'must be text') })
      // Marks that turn the direction of writing come along with pasted text and make it say something else.
      .overwrite((given) => given.replaceAll(/[\u200e\u200f\u202a-\u202e\u2066-\u2069]/g, ''))
      .trim()
      .min(min, { error: min === 1 ? 'is empty; write something here' : `needs at least ${min} characters` })
      .max(max, { error: `is too long; keep it to ${max} characters` })
      // Control characters are what this refuses.
      .regex(/^[^\u0000-\u0008\u000b\u000c\u000e-\u001f\u007f]*$/, {
        error: 'has control characters; remove them',
      })
  );
}

/** Initials of the person at the bench. */
export const initials = z
  .string({ error: 'is missing; give your initials' })
  .trim()
  .regex(/^\p{L}[\p{L}\d.-]{0,7}$/u, { error: 'must be one to eight letters; give your initials' });

export const recordId = z
  .string({ error: 'is missing' })
  .regex(/^[A-Za-z0-9_-]{1,64}$/, { error: 'is not an identifier; letters, digits, - and _ only' });

export const boardSide = oneOf(['top', 'bottom']);

export const whenever_ms = z.int({ error: 'must be a time in milliseconds since 1970' }).min(0);

function shown(value: unknown): string {
  if (typeof value === 'number' && !Number.isFinite(value)) return 'not a number';
  // What is nested is not spelt out: it may be as deep as anyone likes.
  if (Array.isArray(value)) return 'a list';
  if (typeof value === 'object' && value !== null) return 'an object';
  const json = JSON.stringify(value) as string | undefined;
  if (json === undefined) return typeof value;
  return json.length > 40 ? `${json.slice(0, 37)}…` : json;
}
