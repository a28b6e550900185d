import { solvePiece } from '~/core/method/plan/pieces/solve';
import type { PhaseRequest } from '~/core/method/request';
import { TimeSlice } from '~/workers/timeSlice';
import type { Port } from '~/workers/port';
import { LastTold, type FromHelper, type ToHelper } from './pieceProtocol';

/** Runs on a thread: solves pieces of plans, one at a time, of the requests it was told last. */
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
      while (!next.done) {
        if (next.value) post({ type: 'progress', pieceId, progress: next.value });
        if (slice.isOver()) {
          await slice.renewed();
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
