import type { Preheat } from '~/core/thermal/preheat';
import type { PhaseRequest } from '../../request';
import { methodsFor } from '../../ways';
import type { Method } from '../../ways/method';
import {
  BORROWED_IRON,
  BORROWED_PREHEATER,
  BORROWED_TWEEZERS,
  borrowedGun,
  borrowedStation,
} from './borrowed';
import type { RemedyKind } from './stuck';
import type { Trial } from './trial';

/** A tool that the bench has none of, in the first way that opens with it: whatever way was stuck. */
export function borrowedTools(request: PhaseRequest, preheat: Preheat | null): Trial[] {
  const { site } = request;
  const gun = borrowedGun(site.part);
  const trials: (Trial | null)[] = [
    request.irons.length === 0
      ? opened('iron', request, { ...request, irons: [BORROWED_IRON] }, preheat)
      : null,
    request.tweezers.length === 0
      ? opened('tweezers', request, { ...request, tweezers: [BORROWED_TWEEZERS] }, preheat)
      : null,
    request.guns.length === 0 && gun ? opened('gun', request, { ...request, guns: [gun] }, preheat) : null,
  ];
  if (request.stations.length === 0) {
    const aired = { ...request, stations: [borrowedStation(site.part)] };
    trials.push(opened('hot-air', request, aired, null));
    if (request.preheaters.length === 0)
      trials.push(
        opened('hot-air-and-preheat', request, { ...aired, preheaters: [BORROWED_PREHEATER] }, null),
      );
  } else if (request.preheaters.length === 0) {
    trials.push(
      opened('hot-air-and-preheat', request, { ...request, preheaters: [BORROWED_PREHEATER] }, null, isAir),
    );
  }
  return trials.filter((trial) => trial !== null);
}

const isAir = (method: Method): boolean => method.heat.kind === 'air';

/** The first way that may be used with the tool and could not without it. */
function opened(
  kind: RemedyKind,
  request: PhaseRequest,
  equipped: PhaseRequest,
  preheat: Preheat | null,
  which: (method: Method) => boolean = (method) => !isOpen(method, request),
): Trial | null {
  const method = methodsFor(equipped).find((m) => which(m) && isOpen(m, equipped));
  return method ? { kind, method, request: equipped, preheat, onBench: false } : null;
}

const isOpen = (method: Method, request: PhaseRequest): boolean =>
  method.rules(request).every((rule) => !rule.forbids);
