/** How ids begin of what was made up to show what a workshop's months look like. */
export const SAMPLE = 'sample-';

/** Whether something is of the sample months: it teaches nothing of the bench it stands on. */
export const isSample = (id: string): boolean => id.startsWith(SAMPLE);
