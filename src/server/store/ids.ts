import { randomBytes } from 'node:crypto';

/** A short unguessable identifier with a prefix that says what it names. */
export const newId = (prefix: string): string => `${prefix}_${randomBytes(9).toString('base64url')}`;
