import type { FieldFactors } from '~/core/thermal/field/scenario';
import type { Candidate } from '../../candidate';
import type { Drawn } from '../../air/airDraw';
import type { Arrangement } from '../../air/arrangement';
import type { DrawnTouch } from '../../hand/bands';
import type { CoolDown } from '../../air/wayDown';
import type { Progress } from '../../progress';
import type { AirSetting, HandSetting, PhaseRequest } from '../../request';

/** What each kind of piece answers with. */
interface AnswerOf {
  readonly ladder: readonly Candidate[];
  readonly arrangement: readonly Candidate[];
  readonly 'air-answer': Candidate;
  readonly draws: DrawnTouch;
  readonly 'air-run': Candidate;
  readonly 'air-draw': Drawn;
  readonly 'way-down': CoolDown;
}

/**
 * A part of a plan's computation that needs nothing of the others. Plain data, as its answer is, so that pieces may be
 * solved side by side on other threads.
 */
export type Piece =
  /** One tip's set temperatures, the hottest first. */
  | { readonly kind: 'ladder'; readonly heat: string; readonly settings: readonly HandSetting[] }
  /** One arrangement of air, at every pair of temperatures. */
  | { readonly kind: 'arrangement'; readonly arrangement: Arrangement }
  /** One setting of air by superposition alone. */
  | { readonly kind: 'air-answer'; readonly setting: AirSetting }
  /** Some of the draws of one touch. */
  | {
      readonly kind: 'draws';
      readonly heat: string;
      readonly setting: HandSetting;
      readonly touch: string;
      readonly from: number;
      readonly to: number;
    }
  /** A setting of air through the whole model, at nominal values. */
  | { readonly kind: 'air-run'; readonly setting: AirSetting }
  /** One draw of a setting of air. */
  | { readonly kind: 'air-draw'; readonly setting: AirSetting; readonly factors: FieldFactors }
  /** One way for a board to come down after air, by its place among them. */
  | {
      readonly kind: 'way-down';
      readonly setting: AirSetting;
      readonly air_s: number;
      readonly way: number;
    };

type PieceOf<Kind extends Piece['kind']> = Extract<Piece, { kind: Kind }>;

/** Pieces of one request, handed to whoever drives the computation; it answers with theirs, in their order. */
export interface Ask {
  readonly stage: 'ask';
  readonly request: PhaseRequest;
  readonly pieces: readonly Piece[];
  /** Whether one answer makes the rest pointless; those not solved are left out. */
  readonly enough: (answer: unknown) => boolean;
  /** What there is to show once some are solved, in the order they came. */
  readonly shown: (answers: readonly unknown[]) => Progress | null;
  /** What the pieces say while they are solved is not passed on. */
  readonly silent?: boolean;
}

/** A computation that shows how far it is and asks for pieces; a driver answers them. */
export type Working<Result> = Generator<Progress | Ask, Result, unknown>;

/** Asks for pieces of one kind; answers in the order asked, or those that came by when one was enough. */
export function* ask<Kind extends Piece['kind']>(
  request: PhaseRequest,
  pieces: readonly PieceOf<Kind>[],
  options: {
    readonly enough?: (answer: AnswerOf[Kind]) => boolean;
    readonly shown?: (answers: readonly AnswerOf[Kind][]) => Progress | null;
  } = {},
): Working<readonly AnswerOf[Kind][]> {
  const { enough = () => false, shown = () => null } = options;
  return (yield {
    stage: 'ask',
    request,
    pieces,
    enough: (answer) => enough(answer as AnswerOf[Kind]),
    shown: (answers) => shown(answers as readonly AnswerOf[Kind][]),
  }) as readonly AnswerOf[Kind][];
}

/** The same without a word: for settings that are not the ones on screen. */
export function* silently<Result>(steps: Working<Result>): Working<Result> {
  let next = steps.next();
  while (!next.done) {
    const { value } = next;
    next = steps.next(
      value.stage === 'ask' ? yield { ...value, silent: true, shown: () => null } : undefined,
    );
  }
  return next.value;
}
