import type { Piece } from '../core/method/pieces/piece';
import type { Progress } from '../core/method/progress';
import type { PhaseRequest } from '../core/method/request';

/** To a helper: a request comes once, then its pieces one at a time. */
export type ToHelper =
  | { readonly type: 'request'; readonly requestId: number; readonly request: PhaseRequest }
  | { readonly type: 'solve'; readonly pieceId: number; readonly requestId: number; readonly piece: Piece }
  | { readonly type: 'drop'; readonly pieceId: number };

export type FromHelper =
  | { readonly type: 'progress'; readonly pieceId: number; readonly progress: Progress }
  | { readonly type: 'done'; readonly pieceId: number; readonly answer: unknown }
  | { readonly type: 'failed'; readonly pieceId: number; readonly message: string };
