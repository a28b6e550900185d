/** An entry that waited longer than this to be sent is told as of then: a day, ms. */
export const MOST_AGO_ms = 86_400_000;
