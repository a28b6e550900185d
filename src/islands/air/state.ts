import type { PhaseRequest } from '~/core/method/request';
import type { AirSettingInput } from '~/schema/exchange/plan/planRequest';
import { beginning } from '~/islands/plan/tools';
import type { AirSheet } from '~/schema/sheets/airSheet';
import type { FieldBandAnswer } from '~/schema/exchange/simulate/fieldBand';
import type { MoistureInput } from '~/schema/values/moisture';
import type { FieldPicture } from '~/schema/exchange/simulate/airField';

type AirRun =
  | { readonly status: 'running'; readonly time_s: number; readonly duration_s: number }
  | { readonly status: 'done' }
  | { readonly status: 'stopped' }
  | { readonly status: 'failed'; readonly message: string };

/** What a technician sets: the tool as a plan has it, and how long the air stays on. */
export interface AirSet {
  readonly setting: AirSettingInput;
  readonly airOn_s: number;
}

export interface AirState {
  readonly set: AirSet;
  readonly run: AirRun;
  /** The last finished run; while a new one works it is shown faded. */
  readonly picture: FieldPicture | null;
  /** Setting that the picture belongs to. */
  readonly pictured: AirSet | null;
  /** What is uncertain about the picture, as far as it is drawn; null before the first draw. */
  readonly band: FieldBandAnswer | null;
  readonly drawing: boolean;
  /** Null: the part's moisture level is not known. */
  readonly moisture: MoistureInput | null;
  readonly frame: number;
  readonly side: 'top' | 'bottom';
  readonly pad: string;
}

export type AirAction =
  | { readonly type: 'set'; readonly setting: AirSettingInput }
  | { readonly type: 'on'; readonly airOn_s: number }
  | { readonly type: 'started' }
  | { readonly type: 'progress'; readonly time_s: number; readonly duration_s: number }
  | { readonly type: 'done'; readonly picture: FieldPicture }
  | { readonly type: 'band'; readonly band: FieldBandAnswer }
  | { readonly type: 'drawing stopped' }
  | { readonly type: 'moisture'; readonly moisture: MoistureInput | null }
  | { readonly type: 'failed'; readonly message: string }
  | { readonly type: 'stopped' }
  | { readonly type: 'frame'; readonly frame: number }
  | { readonly type: 'flip' }
  | { readonly type: 'pad'; readonly pad: string };

/** Air stays on this long at first, s. */
const FIRST_ON_s = 120;

/** Usual beginnings, as a plan by hand begins, on a cold board; null where the bench has no hot-air station. */
export function start(sheet: AirSheet, request: PhaseRequest): AirState | null {
  const setting = beginning(request, 'hot-air')?.setting;
  if (setting?.kind !== 'air') return null;
  return {
    set: { setting: { ...setting, preheat: null }, airOn_s: FIRST_ON_s },
    run: { status: 'running', time_s: 0, duration_s: 1 },
    picture: null,
    pictured: null,
    band: null,
    drawing: false,
    moisture: null,
    frame: 0,
    side: sheet.site.side,
    pad: sheet.site.pads[0]!.name,
  };
}

export function reduce(state: AirState, action: AirAction): AirState {
  switch (action.type) {
    case 'set':
      return { ...state, set: { ...state.set, setting: action.setting } };
    case 'on':
      return { ...state, set: { ...state.set, airOn_s: action.airOn_s } };
    case 'started':
      return { ...state, drawing: false, run: { status: 'running', time_s: 0, duration_s: 1 } };
    case 'progress':
      return { ...state, run: { status: 'running', time_s: action.time_s, duration_s: action.duration_s } };
    case 'done':
      return {
        ...state,
        run: { status: 'done' },
        picture: action.picture,
        band: null,
        drawing: true,
        pictured: state.set,
        frame: frameToShow(action.picture, state),
      };
    case 'band':
      return { ...state, band: action.band, drawing: action.band.draws < action.band.of };
    case 'drawing stopped':
      return { ...state, drawing: false };
    case 'moisture':
      return { ...state, moisture: action.moisture };
    case 'failed':
      return { ...state, run: { status: 'failed', message: action.message } };
    case 'stopped':
      return { ...state, run: { status: 'stopped' } };
    case 'frame': {
      const last = (state.picture?.frames.length ?? 1) - 1;
      return { ...state, frame: Math.min(last, Math.max(0, action.frame)) };
    }
    case 'flip':
      return { ...state, side: state.side === 'top' ? 'bottom' : 'top' };
    case 'pad':
      return { ...state, pad: action.pad };
  }
}

/** The first picture opens at the lift, or at the hottest it gets; later ones stay at the time looked at. */
function frameToShow(picture: FieldPicture, state: AirState): number {
  const looked_s = state.picture?.frames[state.frame]?.time_s;
  const wanted_s = looked_s ?? picture.lift?.from_s ?? state.set.airOn_s;
  const at = picture.frames.findIndex((frame) => frame.time_s >= wanted_s);
  return at < 0 ? picture.frames.length - 1 : at;
}
