import type { Candidate } from '../../candidate';
import { searchAir } from '../../air/airSearch';
import { searchPreheated, searchWarmToo } from '../../hand/handSearch';
import { methodsFor } from '../../ways';
import { forbids, type Method, type Rule } from '../../ways/method';
import type { Working } from '../pieces/piece';
import type { Progress } from '../../progress';
import { rank, tried, type Tried } from '../rank';
import { matesOf, type PhaseRequest } from '../../request';
import { firstOffer } from './firstOffer';

/** Every method at nominal values, tools in the hand first: they answer soonest. Methods that ask alike share. */
export function* tryMethods(request: PhaseRequest): Working<Tried[]> {
  const methods = methodsFor(request);
  const answers = new Map<string, Candidate[]>();
  const list: Tried[] = [];
  const ordered = [...methods].sort((a, b) => Number(a.heat.kind === 'air') - Number(b.heat.kind === 'air'));
  for (const method of ordered) {
    const rules = [...method.rules(request), ...apartFromOthers(request, method)];
    if (rules.some((rule) => rule.forbids)) {
      list.push(tried(method, rules, []));
      continue;
    }
    if (method.heat.kind === 'air') {
      list.push(tried(method, rules, yield* searchAir(request)));
      continue;
    }
    const { key } = method.heat;
    const wordWith = (candidates: readonly Candidate[]): Progress | null =>
      wordOn(request, [...list, tried(method, rules, candidates)]);
    const known = answers.get(key) ?? (yield* searchWarmToo(request, method.heat, wordWith));
    answers.set(key, known);
    list.push(tried(method, rules, known));
    const word = wordOn(request, list);
    if (word) yield word;
  }
  return list;
}

/** What can be said of the best so far; null while there is none. */
function wordOn(request: PhaseRequest, list: readonly Tried[]): Progress | null {
  const first = rank(request, list)[0];
  return first?.feasible && first.best ? firstOffer(request, first) : null;
}

/** Parts that are to come off in one heat need a heat that covers them all. */
const apartFromOthers = (request: PhaseRequest, method: Method): Rule[] =>
  method.heat.kind === 'hand' && matesOf(request).length > 1
    ? [forbids('A tool in the hand frees one part: the others would need a heat of their own.')]
    : [];

/** Hand methods over every preheater, in place of cold; null where all of them were tried warm already. */
export function* warmed(request: PhaseRequest, list: readonly Tried[]): Working<Tried[] | null> {
  const answers = new Map<string, Candidate[]>();
  let any = false;
  const again: Tried[] = [];
  for (const one of list) {
    const { heat } = one.method;
    const warm = one.candidates.some((c) => c.setting.preheat !== null);
    if (heat.kind !== 'hand' || !one.allowed || warm || request.preheaters.length === 0) {
      again.push(one);
      continue;
    }
    any = true;
    const known = answers.get(heat.key) ?? (yield* searchPreheated(request, heat));
    answers.set(heat.key, known);
    again.push(tried(one.method, one.rules, known));
  }
  return any ? again : null;
}
