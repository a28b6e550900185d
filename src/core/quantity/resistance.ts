import { partValueOf } from './partValue';

/** What a meter shows when nothing conducts, as people write it. */
const OPEN = /^(ol|0l|o\.?l\.?|open|inf|infinite|∞|>.*)$/i;

/** Whether that is how people write that nothing conducts. */
export const isOpen = (text: string): boolean => OPEN.test(text.trim());

/**
 * A resistance as people write it or a meter shows it, Ω: "0.2", "0,2 Ω", "0R2", "4k7", "120 mΩ", "3M3";
 * "OL" or "open" is Infinity. Null where it is none of these.
 */
export const resistanceOf_Ohm = (text: string): number | null =>
  isOpen(text) ? Infinity : (partValueOf(text.replace(/\s+/g, ''), 'resistance', 'meter')?.value ?? null);
