import { format, formatISO } from 'date-fns';

/** Days and times as they are said at the bench: by its own clock, everywhere. A server and its screens stand in one zone. */

/** A day: 9 Mar 2026. */
export const day = (at_ms: number): string => format(at_ms, 'd MMM yyyy');

/** A day and a time: 9 Mar 2026 14:05. */
export const dayAndTime = (at_ms: number): string => format(at_ms, 'd MMM yyyy HH:mm');

/** A time of day, to the second: 14:05:09. */
export const time = (at_ms: number): string => format(at_ms, 'HH:mm:ss');

/** The same for machines, with its offset. */
export const stamp = (at_ms: number): string => formatISO(at_ms);
