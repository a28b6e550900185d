import { MODEL_VERSION } from '~/core/method/plan/plan';
import { methodOf } from '~/core/method/ways';
import type { RecapPlan } from '~/core/method/recap/plan';
import type { Leg, Sequence } from '~/core/method/recap/sequence';
import type { RecapPhase } from '~/core/method/recap/site';
import { optionAnswerOf } from '../plan/optionAnswerOf';
import type { RecapAnswer, SequenceAnswer } from './recapAnswer';
import type { OptionAnswer } from '../plan/planAnswer';

/** How a setting is said. */
type Said = (option: OptionAnswer) => string;

/** A whole-board plan in bench units; `said` puts its settings in words, as they are kept. */
export const recapAnswerOf = (plan: RecapPlan, said: Said): RecapAnswer => ({
  modelVersion: MODEL_VERSION,
  sites: plan.sites.map((site) => ({
    ref: site.ref,
    value: site.value,
    off: site.work?.off ? phaseAnswer(site.work.off, said) : null,
    on: site.work && phaseAnswer(site.work.on, said),
    clinched: site.clinched,
    needsPreheat: site.needsPreheat,
    planePins: [...site.planePins],
  })),
  byValue: sequenceAnswer(plan.byValue),
  byArea: sequenceAnswer(plan.byArea),
  picks: plan.picks.map((line) => ({ ...line, refs: [...line.refs], lookAlikes: [...line.lookAlikes] })),
});

function phaseAnswer(
  { method, setting, minutes, damage, heat_s }: RecapPhase,
  said: Said,
): NonNullable<RecapAnswer['sites'][number]['off']> {
  const option = optionAnswerOf(method, {
    setting,
    pins: [],
    feasible: true,
    time_s: null,
    damage,
    binding: null,
  });
  return {
    method: methodOf(method).name,
    setting: said(option),
    option,
    minutes,
    damage,
    heat_s,
  };
}

const sequenceAnswer = ({ legs, before_s, after_s, total_s, wait_s, ...of }: Sequence): SequenceAnswer => ({
  ...of,
  refs: legs.map((leg) => leg.ref),
  legs: legs.map((leg) => ({
    ref: leg.ref,
    before: BEFORE.flatMap(({ part, what }) =>
      leg[part] > 0 ? [{ what, minutes: inMinutes(leg[part]) }] : [],
    ),
    wait_min: inMinutes(leg.wait_s),
    own_min: inMinutes(leg.own_s),
    minutes: inMinutes(leg.total_s),
  })),
  before_min: inMinutes(before_s),
  after_min: inMinutes(after_s),
  minutes: inMinutes(total_s),
  wait_min: inMinutes(wait_s),
});

/** What can come before a site, in the order it is done. */
const BEFORE = [
  { part: 'move_s', what: 'lens and light over' },
  { part: 'station_s', what: 'station set' },
  { part: 'tray_s', what: 'tray' },
  { part: 'soak_s', what: 'board warmed' },
  { part: 'wait_s', what: 'neighbour cools' },
] as const satisfies readonly { part: keyof Leg; what: string }[];

const inMinutes = (time_s: number): number => Math.round(time_s / 6) / 10;
