import type { ImportRecord, NewImport } from '~/schema/records/board/boardImport';
import { siteAs } from '~/schema/exchange/otherFit';
import { packageInWords } from '~/schema/words/words';
import type { CopperMap } from '~/schema/values/copperMap';
import type { CentroidColumns, ImportChoices, ImportFile, ImportPreview } from '~/workers/protocol';

type Reading =
  | { readonly status: 'idle' }
  | { readonly status: 'reading'; readonly doing: string; readonly share: number }
  | { readonly status: 'read' }
  /** Stopped by hand; what is chosen next begins it anew. */
  | { readonly status: 'stopped' }
  | { readonly status: 'writing' }
  | { readonly status: 'failed'; readonly error: unknown };

export interface ImportState {
  readonly files: readonly ImportFile[];
  readonly choices: ImportChoices;
  readonly reading: Reading;
  readonly preview: ImportPreview | null;
  /** Families and sizes that a person has chosen instead of the one recognised, in words, by reference. */
  readonly families: ReadonlyMap<string, string>;
  /** References of sites that a person has struck out. */
  readonly struck: ReadonlySet<string>;
  readonly chosen: string | null;
  readonly side: 'top' | 'bottom';
  readonly earlier: readonly ImportRecord[];
}

export type ImportAction =
  | { readonly type: 'files'; readonly files: readonly ImportFile[] }
  | { readonly type: 'leave-out'; readonly name: string }
  | { readonly type: 'take-in'; readonly name: string }
  | { readonly type: 'readings'; readonly readings: ImportChoices['readings'] }
  | { readonly type: 'as-written'; readonly name: string }
  | { readonly type: 'stopped' }
  | { readonly type: 'clear' }
  | { readonly type: 'shift'; readonly shift_mm: readonly [number, number] }
  | { readonly type: 'layer'; readonly file: string; readonly layer: number }
  | { readonly type: 'columns'; readonly file: string; readonly columns: Partial<CentroidColumns> }
  | { readonly type: 'family'; readonly ref: string; readonly family: string }
  | { readonly type: 'progress'; readonly doing: string; readonly share: number }
  | { readonly type: 'read'; readonly preview: ImportPreview }
  | { readonly type: 'failed'; readonly error: unknown }
  | { readonly type: 'writing' }
  | { readonly type: 'strike'; readonly ref: string }
  | { readonly type: 'choose'; readonly ref: string }
  | { readonly type: 'flip' }
  | { readonly type: 'undone'; readonly record: ImportRecord };

const UNSETTLED: ImportChoices = { shift_mm: null, layers: {}, columns: {}, readings: {}, without: [] };

export const start = (earlier: readonly ImportRecord[]): ImportState => ({
  files: [],
  choices: UNSETTLED,
  reading: { status: 'idle' },
  preview: null,
  families: new Map(),
  struck: new Set(),
  chosen: null,
  side: 'top',
  earlier,
});

export function reduce(state: ImportState, action: ImportAction): ImportState {
  switch (action.type) {
    case 'files': {
      // A file of the same name is read anew in the old one's place.
      const names = new Set(action.files.map((file) => file.name));
      return { ...state, files: [...state.files.filter((file) => !names.has(file.name)), ...action.files] };
    }
    case 'leave-out':
      return chosen(state, {
        without: [...state.choices.without.filter((name) => name !== action.name), action.name],
      });
    case 'take-in':
      return chosen(state, { without: state.choices.without.filter((name) => name !== action.name) });
    case 'readings':
      return chosen(state, { readings: { ...state.choices.readings, ...action.readings } });
    case 'as-written': {
      const { [action.name]: _, ...readings } = state.choices.readings;
      return chosen(state, { readings });
    }
    case 'stopped':
      return { ...state, reading: { status: 'stopped' } };
    case 'clear':
      return start(state.earlier);
    case 'shift':
      return chosen(state, { shift_mm: action.shift_mm });
    case 'layer':
      return chosen(state, { layers: { ...state.choices.layers, [action.file]: action.layer } });
    case 'columns': {
      const columns = { ...state.choices.columns[action.file], ...action.columns };
      return chosen(state, { columns: { ...state.choices.columns, [action.file]: columns } });
    }
    case 'family':
      return { ...state, families: new Map(state.families).set(action.ref, action.family) };
    case 'progress':
      return { ...state, reading: { status: 'reading', doing: action.doing, share: action.share } };
    case 'read':
      return {
        ...state,
        reading: { status: 'read' },
        preview: action.preview,
        side: state.preview ? state.side : (action.preview.sites[0]?.site.side ?? 'top'),
      };
    case 'failed':
      return { ...state, reading: { status: 'failed', error: action.error } };
    case 'writing':
      return { ...state, reading: { status: 'writing' } };
    case 'strike': {
      const struck = new Set(state.struck);
      if (!struck.delete(action.ref)) struck.add(action.ref);
      return { ...state, struck };
    }
    case 'choose': {
      const site = state.preview?.sites.find((s) => s.site.ref === action.ref)?.site;
      return { ...state, chosen: action.ref, side: site?.side ?? state.side };
    }
    case 'flip':
      return { ...state, side: state.side === 'top' ? 'bottom' : 'top' };
    case 'undone':
      return {
        ...state,
        reading: state.preview ? { status: 'read' } : { status: 'idle' },
        earlier: state.earlier.map((e) => (e.id === action.record.id ? action.record : e)),
      };
  }
}

const chosen = (state: ImportState, choices: Partial<ImportChoices>): ImportState => ({
  ...state,
  choices: { ...state.choices, ...choices },
});

/**
 * The file that leaving one out means: the first in doubt, else the first that was not understood, else the one that was being read
 * when it was stopped. Null where none stands out.
 */
export function fileInDoubt({ preview, reading, files, choices }: ImportState): string | null {
  const told = reading.status === 'reading' ? reading.doing : null;
  const busy = told === null ? undefined : files.find(({ name }) => told.endsWith(name))?.name;
  if (busy !== undefined) return busy;
  const doubted = preview?.doubts[0]?.files[0];
  const known = doubted ?? preview?.files.find(({ kind }) => kind === 'unknown')?.name;
  if (known !== undefined) return known;
  return preview
    ? null
    : (files.map(({ name }) => name).find((name) => !choices.without.includes(name)) ?? null);
}

/** A part as a person has said that it is; as it was recognised where nobody has. */
export function asChosen(planned: Planned, family: string | undefined): Planned {
  const other = family && planned.others.find((fit) => packageInWords(fit.package) === family);
  return other ? { ...planned, site: siteAs(planned.site, other), misfit_mm: 0, doubt: null } : planned;
}

type Planned = ImportPreview['sites'][number];

/** Sites as they would be made, each as the family that was chosen for it. */
const chosenSites = ({ preview, families }: Pick<ImportState, 'preview' | 'families'>) =>
  (preview?.sites ?? []).map((planned) => asChosen(planned, families.get(planned.site.ref)));

/** Sites that would be made: all of the preview but those struck out. */
export const keptSites = (state: Pick<ImportState, 'preview' | 'struck' | 'families'>) =>
  chosenSites(state).filter(({ site }) => !state.struck.has(site.ref));

/** How many would be made. */
export const keptCount = ({ preview, struck }: Pick<ImportState, 'preview' | 'struck'>): number =>
  preview?.sites.reduce((count, { site }) => count + Number(!struck.has(site.ref)), 0) ?? 0;

/** Whether there is anything to write. */
export const hasWork = ({ preview, struck }: Pick<ImportState, 'preview' | 'struck'>): boolean =>
  preview !== null &&
  (preview.layers.length > 0 ||
    preview.profile !== null ||
    preview.sites.some(({ site }) => !struck.has(site.ref)));

/** What accepting sends; null while there is nothing to write. */
export function importOf(state: ImportState, by: string): NewImport | null {
  const { preview } = state;
  const sites = keptSites(state).map(({ site }) => site);
  if (!preview || !hasWork(state)) return null;
  return {
    by,
    files: preview.files.map(({ name, kind, count }) => ({ name: name.slice(0, 200), kind, count })),
    sites,
    copper: preview.layers.map(({ layer, file, nx, ny, cells, coverage }) => ({
      file: file.slice(0, 200),
      coverage,
      map: { layer, nx, ny, cells: base64Of(cells) } satisfies CopperMap,
    })),
    profile: preview.profile,
  };
}

function base64Of(bytes: Uint8Array): string {
  let text = '';
  // In pieces: the argument list of one call is limited.
  for (let i = 0; i < bytes.length; i += 8192) text += String.fromCharCode(...bytes.subarray(i, i + 8192));
  return btoa(text);
}
