/** What a board's lands are covered with when it is made (IPC-2221 §4.3 names, from memory). */
export const FINISHES = {
  unknown: 'not known',
  'hot-air-levelled': 'HASL, leaded (hot-air levelled)',
  'hot-air-levelled-lead-free': 'HASL, lead-free (hot-air levelled)',
  'nickel-gold': 'ENIG (immersion gold over nickel)',
  'immersion-silver': 'immersion silver',
  'immersion-tin': 'immersion tin',
  'organic-preservative': 'organic preservative (OSP)',
  'bare-or-rolled-tin': 'bare copper or rolled tin',
} as const;
export type Finish = keyof typeof FINISHES;
