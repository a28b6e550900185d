import { solvePiece } from '~/core/method/plan/pieces/solve';
import type { Progress } from '~/core/method/progress';
import type { PhaseRequest } from '~/core/method/request';
import { TimeSlice } from '~/workers/timeSlice';
import type { Port } from '~/workers/port';
import { LastTold, type FromHelper, type ToHelper } from './pieceProtocol';

/**
 * Runs on a thread: solves pieces of plans, of the requests it was told last. The one that came last is worked on; what it
 * was laid on waits until it is done.
 */
export function solvePieces({ post, listen }: Port<ToHelper, FromHelper>): void {
  const requests = new LastTold<PhaseRequest>();
  const running = new Set<number>();
  const slice = new TimeSlice();

  listen((message) => {
    switch (message.type) {
      case 'request':
        requests.add(message.requestId, message.request);
        break;
      case 'drop':
        running.delete(message.pieceId);
        break;
      case 'solve':
        running.add(message.pieceId);
        void run(message);
        break;
    }
  });

  async function run({ pieceId, requestId, piece }: Extract<ToHelper, { type: 'solve' }>): Promise<void> {
    try {
      const request = requests.get(requestId);
      if (!request) throw new Error(`request ${requestId} is not here`);
      const steps = solvePiece(request, piece);
      let next = steps.next();
      let latest: Progress | null = null;
      while (!next.done) {
        latest = next.value ?? latest;
        if (slice.isOver()) {
          // Told as often as anyone could look, not as often as it is known.
          if (latest) post({ type: 'progress', pieceId, progress: latest });
          latest = null;
          do await slice.renewed();
          while (running.has(pieceId) && pieceId !== [...running].at(-1));
          if (!running.has(pieceId)) return;
        }
        next = steps.next();
      }
      post({ type: 'done', pieceId, answer: next.value });
    } catch (error) {
      post({ type: 'failed', pieceId, message: error instanceof Error ? error.message : String(error) });
    } finally {
      running.delete(pieceId);
    }
  }
}
