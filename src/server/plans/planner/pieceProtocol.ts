import type { Piece } from '~/core/method/plan/pieces/piece';
import type { Progress } from '~/core/method/progress';
import type { PhaseRequest } from '~/core/method/request';

/** To a helper: a request comes once, then its pieces, one at a time. */
export type ToHelper =
  | { readonly type: 'request'; readonly requestId: number; readonly request: PhaseRequest }
  | { readonly type: 'solve'; readonly pieceId: number; readonly requestId: number; readonly piece: Piece }
  | { readonly type: 'drop'; readonly pieceId: number };

export type FromHelper =
  | { readonly type: 'progress'; readonly pieceId: number; readonly progress: Progress }
  | { readonly type: 'done'; readonly pieceId: number; readonly answer: unknown }
  | { readonly type: 'failed'; readonly pieceId: number; readonly message: string };

/** As many requests as plans are likely to be at work at a time; an older one is told again. */
const KEPT = 8;

/** What a helper was told last, by id. It and who told it keep one each, and forget alike. */
export class LastTold<Value> {
  private readonly values = new Map<number, Value>();

  add(id: number, value: Value): void {
    this.values.set(id, value);
    if (this.values.size > KEPT) this.values.delete(this.values.keys().next().value!);
  }

  get(id: number): Value | undefined {
    return this.values.get(id);
  }
}
