import type { BoardSheet, SiteSheet } from '~/schema/sheets/boardSheet';
import type { FaceFindingRecord, FacePoint } from '~/schema/records/board/faceFinding';
import type { PlaceKind } from '~/core/record/faceStates';
import type { PhotoRecord } from '~/schema/records/board/photo';
import type { SiteGroupRecord } from '~/schema/records/board/siteGroup';
import {
  leftWords,
  reduceMarking,
  UNMARKED,
  type FoundAs,
  type Marking,
  type MarkingAction,
} from '~/islands/findings/marking';
import type { SiteFilter } from './find';

export interface BoardState extends Marking {
  readonly side: 'top' | 'bottom';
  readonly siteId: string | null;
  readonly sites: readonly SiteSheet[];
  /** Whether a finding was there when the board came, or came of work here. */
  readonly foundAs: FoundAs;
  /** Goes with the next finding. */
  readonly note: string;
  /** What the panel of a site is for: marking findings, or copper and nets. Letters act in the marking mode alone. */
  readonly mode: 'findings' | 'copper';
  /** What the list of sites is narrowed to. */
  readonly query: string;
  readonly filter: SiteFilter;
  readonly group: readonly string[] | null;
  readonly groups: readonly SiteGroupRecord[];
  readonly faceFindings: readonly FaceFindingRecord[];
  /** The finding on the face that is looked at. */
  readonly placeId: string | null;
  readonly drawing: Drawing | null;
  readonly photos: readonly PhotoRecord[];
}

/** A board as it is first seen: the site it was opened on, else its first; nothing narrowed, nothing begun. */
export const initialState = (sheet: BoardSheet): BoardState => ({
  sites: sheet.sites,
  ...openedOn(sheet),
  ...UNMARKED,
  mode: 'findings',
  findings: sheet.findings,
  foundAs: sheet.jobs.length === 0 ? 'as-received' : 'done-here',
  note: '',
  query: '',
  filter: 'all',
  group: null,
  groups: sheet.groups,
  faceFindings: sheet.faceFindings,
  placeId: null,
  drawing: null,
  photos: sheet.photos,
});

function openedOn({ sites, openOn }: BoardSheet): Pick<BoardState, 'side' | 'siteId'> {
  const site = sites.find((s) => s.id === openOn) ?? sites[0];
  return { side: site?.side ?? 'top', siteId: site?.id ?? null };
}

/** A place on the face that is being drawn. */
interface Drawing {
  readonly kind: PlaceKind;
  readonly points: readonly FacePoint[];
  /** Where the arrow keys have the cross. */
  readonly cursor: FacePoint;
  readonly ended: boolean;
}

export type BoardAction =
  | { readonly type: 'site'; readonly id: string; readonly side: 'top' | 'bottom' }
  | { readonly type: 'flip' }
  | { readonly type: 'found-as'; readonly foundAs: FoundAs }
  | { readonly type: 'note'; readonly note: string }
  | { readonly type: 'mode'; readonly mode: BoardState['mode']; readonly marking: boolean }
  | { readonly type: 'site-changed'; readonly site: SiteSheet }
  | { readonly type: 'query'; readonly query: string }
  | { readonly type: 'filter'; readonly filter: SiteFilter }
  | { readonly type: 'group'; readonly siteIds: readonly string[] | null }
  | { readonly type: 'groups'; readonly groups: readonly SiteGroupRecord[] }
  | { readonly type: 'draw'; readonly kind: PlaceKind; readonly cursor: FacePoint }
  | { readonly type: 'point'; readonly at: FacePoint }
  | { readonly type: 'point-back' }
  | { readonly type: 'cursor'; readonly to: FacePoint }
  | { readonly type: 'draw-end' }
  | { readonly type: 'draw-leave' }
  | { readonly type: 'place'; readonly id: string | null }
  | { readonly type: 'place-found'; readonly finding: FaceFindingRecord }
  | { readonly type: 'photo'; readonly photo: PhotoRecord }
  | MarkingAction;

/** Fewer points than this make no such place. */
export const LEAST_POINTS: Readonly<Record<PlaceKind, number>> = { track: 2, via: 1, area: 3 };

/** Two points closer than this are one: the second press of a double click. */
const SAME_mm = 0.3;

export function reduce(state: BoardState, action: BoardAction): BoardState {
  switch (action.type) {
    case 'site':
      return {
        ...state,
        ...UNMARKED,
        told: leftWords(state),
        siteId: action.id,
        side: action.side,
        placeId: null,
      };
    case 'flip':
      return { ...state, side: state.side === 'top' ? 'bottom' : 'top', drawing: null };
    case 'found-as':
      return { ...state, foundAs: action.foundAs };
    case 'note':
      return { ...state, note: action.note };
    case 'mode':
      return {
        ...state,
        mode: action.mode,
        marking: action.marking,
        pending: null,
        claim: null,
        told: leftWords(state),
      };
    case 'site-changed':
      return {
        ...state,
        error: null,
        sites: state.sites.map((site) => (site.id === action.site.id ? action.site : site)),
      };
    case 'query':
      return { ...state, query: action.query };
    case 'filter':
      return { ...state, filter: action.filter };
    case 'group':
      return { ...state, group: action.siteIds };
    case 'groups':
      return { ...state, groups: action.groups, error: null };
    case 'place':
      return { ...state, placeId: action.id, drawing: null };
    case 'place-found':
      return {
        ...state,
        faceFindings: [...state.faceFindings, action.finding],
        placeId: action.finding.id,
        drawing: null,
        note: '',
        error: null,
      };
    case 'photo':
      return {
        ...state,
        photos: [...state.photos.filter((photo) => photo.id !== action.photo.id), action.photo],
        error: null,
      };
    case 'found':
      return reduceMarking({ ...state, note: '' }, action);
    case 'draw':
    case 'point':
    case 'point-back':
    case 'cursor':
    case 'draw-end':
    case 'draw-leave':
      return { ...state, drawing: draw(state.drawing, action), placeId: null, error: null };
    default:
      return reduceMarking(state, action);
  }
}

type DrawAction = Extract<
  BoardAction,
  { type: 'draw' | 'point' | 'point-back' | 'cursor' | 'draw-end' | 'draw-leave' }
>;

function draw(drawing: Drawing | null, action: DrawAction): Drawing | null {
  if (action.type === 'draw') return { kind: action.kind, points: [], cursor: action.cursor, ended: false };
  if (!drawing || action.type === 'draw-leave') return null;
  switch (action.type) {
    case 'point': {
      const { x_mm, y_mm } = action.at;
      if (drawing.ended) return drawing;
      const last = drawing.points.at(-1);
      const again = last && Math.hypot(last.x_mm - x_mm, last.y_mm - y_mm) < SAME_mm;
      const points = again ? drawing.points : [...drawing.points, action.at];
      return { ...drawing, points, cursor: action.at, ended: drawing.kind === 'via' };
    }
    case 'point-back':
      return { ...drawing, points: drawing.points.slice(0, -1), ended: false };
    case 'cursor':
      return { ...drawing, cursor: action.to };
    case 'draw-end':
      return { ...drawing, ended: drawing.points.length >= LEAST_POINTS[drawing.kind] };
  }
}
