import { inOneGo } from '~/core/stepwise';
import { plan } from '~/core/method/plan/plan';
import { planAnswerOf } from '~/schema/exchange/plan/planAnswerOf';
import { planInput } from '~/schema/exchange/plan/planRequest';
import { planRequestOf } from '~/schema/exchange/si/plan';
import { parseInput } from '~/schema/values/faults';
import { print, readInput } from '../input';

/** Choose for me. */
export function run([target]: readonly string[]): void {
  const request = planRequestOf(parseInput(planInput, readInput(target)));
  print(planAnswerOf(inOneGo(plan(request))));
}
