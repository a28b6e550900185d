/** What a fault came from, as its job is closed; the words beside it tell the rest. */
export const ROOT_CAUSES = {
  worn: 'worn out by heat or age',
  joint: 'a joint that cracked or was never good',
  'bad-part': 'a new part that was bad',
  'wrong-part': 'a wrong part fitted',
  'turned-part': 'a part fitted the wrong way round',
  knocked: 'knocked, pulled or shaken',
  leaked: 'leaked cell or capacitor',
  surge: 'surge, short or wrong supply',
  wet: 'water, salt or dirt',
  'earlier-repair': 'an earlier repair',
  'our-own': 'our own work',
  'not-found': 'not found',
} as const;

export type RootCauseId = keyof typeof ROOT_CAUSES;
export const ROOT_CAUSE_IDS = Object.keys(ROOT_CAUSES) as [RootCauseId, ...RootCauseId[]];
