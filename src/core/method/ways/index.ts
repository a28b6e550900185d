import type { PhaseRequest } from '../request';
import { clearBridge } from './bridge';
import { cutThenPins, legAtATime, pumpOrWick } from './byIron';
import { floodAndSweep, leadedFlood, lowMeltFlood } from './flood';
import { gun } from './gun';
import { hotAir } from './hotAir';
import type { Method, MethodId } from './method';
import {
  bigTipAndPreheat,
  blobBothEnds,
  cutLeads,
  drag,
  jointByJoint,
  tweezers,
  twistOff,
  wickThenLift,
} from './surface';

export const METHODS: readonly Method[] = [
  gun,
  legAtATime,
  pumpOrWick,
  tweezers,
  blobBothEnds,
  twistOff,
  wickThenLift,
  floodAndSweep,
  bigTipAndPreheat,
  lowMeltFlood,
  leadedFlood,
  hotAir,
  cutLeads,
  cutThenPins,
  clearBridge,
  jointByJoint,
  drag,
];

export function methodOf(id: MethodId): Method {
  const found = METHODS.find((method) => method.id === id);
  if (!found) throw new Error(`no method ${id}`);
  return found;
}

/** Methods that are for this phase and part at all, forbidden or not. */
export const methodsFor = (request: PhaseRequest): Method[] =>
  METHODS.filter((method) => method.phases.includes(request.phase) && method.suits(request));
