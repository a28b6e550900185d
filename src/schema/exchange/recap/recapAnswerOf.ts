import { MODEL_VERSION } from '~/core/method/plan/plan';
import { methodOf } from '~/core/method/ways';
import type { RecapPlan } from '~/core/method/recap/plan';
import type { RecapPhase } from '~/core/method/recap/site';
import { optionAnswerOf } from '../plan/planAnswerOf';
import type { RecapAnswer } from './recapAnswer';
import type { OptionAnswer } from '../plan/planAnswer';

/** How a setting is said. */
type Said = (option: OptionAnswer) => string;

/** A whole-board plan in bench units; `said` puts its settings in words, as they are kept. */
export const recapAnswerOf = (plan: RecapPlan, said: Said): RecapAnswer => ({
  modelVersion: MODEL_VERSION,
  sites: plan.sites.map((site) => ({
    ref: site.ref,
    value: site.value,
    off: site.work && phaseAnswer(site.work.off, said),
    on: site.work && phaseAnswer(site.work.on, said),
    clinched: site.clinched,
    needsPreheat: site.needsPreheat,
    planePins: [...site.planePins],
  })),
  byValue: { ...plan.byValue, refs: [...plan.byValue.refs] },
  byArea: { ...plan.byArea, refs: [...plan.byArea.refs] },
  picks: plan.picks.map((line) => ({ ...line, refs: [...line.refs] })),
});

const phaseAnswer = (phase: RecapPhase, said: Said): NonNullable<RecapAnswer['sites'][number]['off']> => ({
  method: methodOf(phase.method).name,
  setting: said(
    optionAnswerOf(phase.method, {
      setting: phase.setting,
      pins: [],
      feasible: true,
      time_s: null,
      damage: phase.damage,
      binding: null,
    }),
  ),
  minutes: phase.minutes,
  damage: phase.damage,
  heat_s: phase.heat_s,
});
