import { answerAir, solveArrangement } from '../../air/airSearch';
import { drawAir } from '../../air/airBand';
import { verifyAir } from '../../air/airVerify';
import { drawTouch } from '../../hand/bands';
import { wayDown } from '../../air/coolDown';
import { climb } from '../../hand/handSearch';
import type { HandHeat } from '../../hand/handTrial';
import { METHODS } from '../../ways';
import type { Progress } from '../../progress';
import type { PhaseRequest } from '../../request';
import type { Piece, Working } from './piece';

/** Solves one piece. Null is a pause in which the caller may give it up. */
export function* solvePiece(request: PhaseRequest, piece: Piece): Generator<Progress | null, unknown> {
  switch (piece.kind) {
    case 'ladder':
      return yield* climb(request, heatOf(piece.heat), piece.settings);
    case 'arrangement':
      return yield* solveArrangement(request, piece.arrangement);
    case 'air-answer':
      return yield* answerAir(request, piece.setting);
    case 'draws':
      return yield* drawTouch(request, heatOf(piece.heat), piece);
    case 'air-run':
      return yield* verifyAir(request, piece.setting);
    case 'air-draw':
      return yield* drawAir(request, piece.setting, piece.factors);
    case 'way-down':
      return yield* wayDown(request, piece);
  }
}

function heatOf(key: string): HandHeat {
  for (const { heat } of METHODS) if (heat.kind === 'hand' && heat.key === key) return heat;
  throw new Error(`no method heats as ${key}`);
}

/** Drives a computation on one thread: every piece in turn, as it is asked for. */
export function* serially<Result>(steps: Working<Result>): Generator<Progress, Result> {
  let next = steps.next();
  while (!next.done) {
    if (next.value.stage !== 'ask') {
      yield next.value;
      next = steps.next();
      continue;
    }
    const { request, pieces, enough, shown, silent } = next.value;
    const answers: unknown[] = [];
    for (const piece of pieces) {
      const solving = solvePiece(request, piece);
      let part = solving.next();
      while (!part.done) {
        if (part.value && !silent) yield part.value;
        part = solving.next();
      }
      answers.push(part.value);
      const progress = shown(answers);
      if (progress) yield progress;
      if (enough(part.value)) break;
    }
    next = steps.next(answers);
  }
  return next.value;
}
