import { wholeCelsius } from '~/core/quantity/convert';
import { padNamesOf } from '~/core/packages/form';
import type { Candidate } from '../candidate';
import { phasesOf } from '../goals';
import { searchWarmToo } from '../hand/handSearch';
import { methodsFor } from '../ways';
import type { MethodId } from '../ways/method';
import type { Working } from '../plan/pieces/piece';
import { rank, tried, type Tried } from '../plan/rank';
import { copperWeight, type PhaseRequest, type PlanRequest, type Setting } from '../request';
import { preference } from '../limits/frontier';

/** One half of one site's job, at nominal values. */
export interface RecapPhase {
  readonly method: MethodId;
  readonly setting: Setting;
  readonly minutes: number;
  /** Worst pad and laminate, shares of their budgets. */
  readonly damage: number;
  /** Under the tip in all. */
  readonly heat_s: number;
}

/** One site of a whole-board job: off, dress, on. */
export interface RecapSite {
  readonly ref: string;
  readonly value: string;
  readonly x_m: number;
  readonly y_m: number;
  /** Null where no tool in the hand does it within every limit: it is planned on its own. What is off is only fitted. */
  readonly work: { readonly off: RecapPhase | null; readonly on: RecapPhase } | null;
  readonly clinched: boolean;
  /** Pins on planes or reliefs, and what is done at each. */
  readonly planePins: readonly { readonly pad: string; readonly todo: string }[];
  readonly needsPreheat: boolean;
}

export interface RecapAsk {
  readonly value: string;
  readonly request: PlanRequest;
}

/**
 * Plans one site at nominal values, cold, and over a preheater where cold will not do. Sites that are alike in part,
 * copper and budget share the answer through `known`.
 */
export function* recapSite(
  { value, request }: RecapAsk,
  known: Map<string, RecapSite['work']>,
): Working<RecapSite> {
  const { site } = request;
  const key = JSON.stringify([
    site.part,
    site.alloy,
    site.connections,
    site.padStates,
    site.clinched,
    request.history,
    request.worth,
  ]);
  let work = known.get(key);
  if (work === undefined) {
    const takenOff = phasesOf(request.goal)[0] === 'remove';
    const off = takenOff ? yield* bestByHand({ ...request, phase: 'remove' }) : null;
    const on = takenOff && !off ? null : yield* bestByHand({ ...request, phase: 'fit' });
    work = on && { off, on };
    known.set(key, work);
  }
  return {
    ref: site.ref,
    value,
    x_m: site.x_m,
    y_m: site.y_m,
    work,
    clinched: site.clinched,
    planePins: planePins(request, work),
    needsPreheat: work !== null && [work.off, work.on].some((p) => p !== null && p.setting.preheat !== null),
  };
}

function* bestByHand(request: PhaseRequest): Working<RecapPhase | null> {
  const methods = methodsFor(request).filter(
    (m) => m.heat.kind === 'hand' && m.rules(request).every((rule) => !rule.forbids),
  );
  const answers = new Map<string, Candidate[]>();
  const list: Tried[] = [];
  for (const method of methods) {
    if (method.heat.kind !== 'hand') continue;
    const { key } = method.heat;
    const candidates = answers.get(key) ?? (yield* searchWarmToo(request, method.heat));
    answers.set(key, candidates);
    list.push(tried(method, method.rules(request), candidates));
  }
  const first = rank(request, list)[0];
  const best = first && preference(first.candidates)[0];
  if (!first?.feasible || !best) return null;
  return {
    method: first.method.id,
    setting: best.setting,
    minutes: first.price!.minutes,
    damage: best.damage,
    heat_s: best.pins.reduce((sum, pin) => sum + (pin.off_s ?? 0), 0),
  };
}

/** What to do at each pin that meets a plane, in the trade's words. */
function planePins(request: PlanRequest, work: RecapSite['work']): RecapSite['planePins'] {
  const { site } = request;
  return padNamesOf(site.part).flatMap((pad) => {
    const weight = copperWeight(site.connections[pad] ?? []);
    if (weight === 0) return [];
    const first = work?.off ?? work?.on;
    const hot = first?.setting.kind === 'hand' ? first.setting.perPad_K?.[pad] : undefined;
    const todo = !first
      ? 'plan it on its own: no hand tool clears it here'
      : first.setting.preheat
        ? `last, with the board warmed at ${wholeCelsius(first.setting.preheat.setpoint_K)} °C`
        : hot
          ? `last, station turned to ${wholeCelsius(hot)} °C`
          : weight === 2
            ? 'last, with the widest tip; stop at its clock'
            : 'last; its relief holds heat a little longer';
    return [{ pad, todo }];
  });
}
