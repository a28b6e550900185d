import type { PhotoRecord } from '~/schema/records/board/photo';
import { calibration, type Calibration } from '~/schema/values/calibration';

/** One tie as it is entered: pixels in the picture, millimetres on the board, as typed. */
interface TieDraft {
  readonly px: string;
  readonly py: string;
  readonly x_mm: string;
  readonly y_mm: string;
}

const BLANK: TieDraft = { px: '', py: '', x_mm: '', y_mm: '' };

export interface PhotosState {
  readonly photos: readonly PhotoRecord[];
  /** The photo that is being laid. */
  readonly photoId: string | null;
  readonly ties: readonly [TieDraft, TieDraft];
  /** The tie that the next click in the picture sets. */
  readonly tie: 0 | 1;
  readonly sending: number;
  readonly error: unknown;
}

export type PhotosAction =
  | { readonly type: 'sending'; readonly count: number }
  | { readonly type: 'sent'; readonly photo: PhotoRecord }
  | { readonly type: 'choose'; readonly photo: PhotoRecord | null }
  | { readonly type: 'tie'; readonly at: 0 | 1 }
  | { readonly type: 'enter'; readonly at: 0 | 1; readonly of: Partial<TieDraft> }
  | { readonly type: 'point'; readonly px: number; readonly py: number }
  | { readonly type: 'laid'; readonly photo: PhotoRecord }
  | { readonly type: 'failed'; readonly error: unknown };

export function reduce(state: PhotosState, action: PhotosAction): PhotosState {
  switch (action.type) {
    case 'sending':
      return { ...state, sending: state.sending + action.count, error: null };
    case 'sent':
      return {
        ...state,
        sending: Math.max(0, state.sending - 1),
        photos: [...state.photos, action.photo],
      };
    case 'choose':
      return {
        ...state,
        photoId: action.photo?.id ?? null,
        ties: tiesOf(action.photo?.calibration ?? null),
        tie: 0,
        error: null,
      };
    case 'tie':
      return { ...state, tie: action.at };
    case 'enter':
      return { ...state, ties: withTie(state.ties, action.at, action.of) };
    case 'point': {
      const at = { px: action.px.toFixed(0), py: action.py.toFixed(0) };
      return { ...state, ties: withTie(state.ties, state.tie, at), tie: state.tie === 0 ? 1 : 0 };
    }
    case 'laid':
      return {
        ...state,
        error: null,
        photos: state.photos.map((photo) => (photo.id === action.photo.id ? action.photo : photo)),
        ties: tiesOf(action.photo.calibration),
      };
    case 'failed':
      return { ...state, sending: 0, error: action.error };
  }
}

const withTie = (
  ties: PhotosState['ties'],
  at: 0 | 1,
  of: Partial<TieDraft>,
): readonly [TieDraft, TieDraft] =>
  at === 0 ? [{ ...ties[0], ...of }, ties[1]] : [ties[0], { ...ties[1], ...of }];

function tiesOf(known: Calibration | null): readonly [TieDraft, TieDraft] {
  if (!known) return [BLANK, BLANK];
  const draft = (tie: Calibration['a']): TieDraft => ({
    px: String(tie.px),
    py: String(tie.py),
    x_mm: String(tie.x_mm),
    y_mm: String(tie.y_mm),
  });
  return [draft(known.a), draft(known.b)];
}

/** The calibration that two ties make, or what is missing or wrong with them. */
export function calibrationOf(
  ties: PhotosState['ties'],
): { readonly of: Calibration } | { readonly fault: string } {
  const number = (text: string): number => (text.trim() === '' ? NaN : Number(text.replace(',', '.')));
  const [a, b] = ties.map(({ px, py, x_mm, y_mm }) => ({
    px: number(px),
    py: number(py),
    x_mm: number(x_mm),
    y_mm: number(y_mm),
  }));
  const blank = [a!, b!].findIndex((tie) => Object.values(tie).some(Number.isNaN));
  if (blank >= 0) {
    return {
      fault: `Point ${blank + 1} is not whole: click it in the picture and say where it lies on the board.`,
    };
  }
  const parsed = calibration.safeParse({ a, b });
  if (parsed.success) return { of: parsed.data };
  const [issue] = parsed.error.issues;
  return { fault: `${issue!.path.join('.')} ${issue!.message}` };
}
