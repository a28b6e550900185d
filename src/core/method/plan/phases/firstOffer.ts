import type { Progress } from '../../progress';
import type { Ranked } from '../rank';
import type { PhaseRequest } from '../../request';
import { frontierAbout } from '../../limits/frontier';

/** What a search can say at once: its best so far, before anything is drawn. */
export const firstOffer = (
  request: PhaseRequest,
  { method, best, candidates }: Pick<Ranked, 'method' | 'best' | 'candidates'>,
): Progress => ({
  stage: 'first',
  phase: request.phase,
  method: method.id,
  chosen: best!,
  frontier: frontierAbout(candidates, best!),
});
