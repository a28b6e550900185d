import { recapAnswer, type RecapAnswer } from '~/schema/exchange/recap/recapAnswer';

/** A whole board's plan of nothing, as an early version kept it: fields that came later have their defaults. */
export function emptyRecap(): RecapAnswer {
  const empty = {
    by: 'value',
    refs: [],
    minutes: 0,
    areaVisits: 0,
    trays: 0,
    wait_min: 0,
    soaks: 0,
    mixUps: 0,
    heat_s: 0,
  };
  return recapAnswer.parse({
    modelVersion: 'x',
    sites: [],
    byValue: empty,
    byArea: { ...empty, by: 'area' },
    picks: [],
  });
}
