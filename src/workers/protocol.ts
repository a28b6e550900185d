import type { CentroidColumns } from '~/formats/placement/columns';
import type { Packed } from '~/formats/archive/unzip';
import type { ImportChoices } from '~/formats/import/choices';
import type { ImportGround } from '~/formats/import/collected';
import type { ImportPreview } from '~/formats/import/importPlan';
import type { ImportProgress } from '~/formats/import/importProgress';
import type { FieldBandAnswer } from '~/schema/exchange/simulate/fieldBand';
import type { GentlerAnswer } from '~/schema/exchange/outcomes/gentler';
import type { FoundAnswer, OptionAnswer, PinAnswer, PlanAnswer } from '~/schema/exchange/plan/planAnswer';
import type { Normal } from '~/core/learning/lasting';
import type { TipLessonNow } from '~/core/learning/lessons';
import type { PhaseDraws } from '~/core/learning/worlds';
import type { Courses } from '~/core/method/courses';
import type { Exposure } from '~/core/method/heatCost';
import type { Phase } from '~/core/method/goals';
import type { PlanAsk } from '~/schema/exchange/plan/planAsk';
import type { RecapAnswer } from '~/schema/exchange/recap/recapAnswer';
import type { AirFieldAsk, FieldPicture } from '~/schema/exchange/simulate/airField';

export type { CentroidColumns, ImportChoices, ImportGround, ImportPreview };
export type ImportFile = Packed;

/** What a screen may ask of the worker that heats boards. */
export type HeatTask =
  | { readonly kind: 'field'; readonly ask: AirFieldAsk; readonly frames: number }
  | {
      readonly kind: 'field-band';
      readonly ask: AirFieldAsk;
      readonly draws: number;
      readonly seed: number;
    };

/** Of the worker that reads files. */
export interface ImportTask {
  readonly kind: 'import';
  readonly files: readonly ImportFile[];
  readonly ground: ImportGround;
  readonly choices: ImportChoices;
}

/** What a screen may have computed, by a worker of the page or by the server's planner. */
export type Task = PlanAsk | HeatTask | ImportTask;

export type TaskKind = Task['kind'];

export type ToWorker<Asked = Task> =
  | { readonly type: 'solve'; readonly jobId: number; readonly task: Asked }
  | { readonly type: 'cancel'; readonly jobId: number };

/** Nominal temperatures of one pin, °C. */
export interface CurveAnswer {
  readonly pad: string;
  readonly time_s: readonly number[];
  readonly tip_C: readonly number[];
  readonly land_C: readonly number[];
  readonly coldestSolder_C: readonly number[];
  readonly body_C: readonly number[];
  readonly fullMelt_s: number | null;
  readonly lastToMelt: string;
}

export type ProgressMessage =
  | { readonly stage: 'search'; readonly done: number; readonly of: number }
  | { readonly stage: 'remedies'; readonly done: number; readonly of: number }
  | { readonly stage: 'verify'; readonly done: number; readonly of: number }
  | {
      readonly stage: 'first';
      readonly phase: Phase;
      readonly option: OptionAnswer;
      readonly frontier: readonly OptionAnswer[];
    }
  | { readonly stage: 'curves'; readonly phase: Phase; readonly curves: readonly CurveAnswer[] }
  | { readonly stage: 'band'; readonly phase: Phase; readonly pin: PinAnswer }
  | { readonly stage: 'field'; readonly time_s: number; readonly duration_s: number }
  | ({ readonly stage: 'import' } & ImportProgress)
  | { readonly stage: 'field-band'; readonly band: FieldBandAnswer | null };

export interface AnswerOf {
  readonly plan: PlanAnswer;
  readonly explore: FoundAnswer;
  readonly recap: RecapAnswer;
  readonly cost: readonly Exposure[];
  readonly courses: Courses;
  readonly draws: PhaseDraws;
  readonly gentler: readonly GentlerAnswer[];
  readonly 'tip-lesson': TipLessonNow | null;
  readonly 'board-lesson': Normal | null;
  readonly field: FieldPicture;
  readonly 'field-band': FieldBandAnswer;
  readonly import: ImportPreview;
}

export type AnyAnswer = AnswerOf[keyof AnswerOf];

export type FromWorker =
  | { readonly type: 'progress'; readonly jobId: number; readonly progress: ProgressMessage }
  | { readonly type: 'done'; readonly jobId: number; readonly answer: AnyAnswer }
  | { readonly type: 'failed'; readonly jobId: number; readonly message: string };
