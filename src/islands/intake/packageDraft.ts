import { ANYWHERE, FAMILY_IDS, FAMILY_TRAITS, TWO_ROWS, type FamilyId } from '~/core/packages/families';
import { bodyLimit_K, type PartPackage } from '~/core/packages/form';
import { outlineOf, USUAL_PINS } from '~/core/packages/outlines';
import { isSized, usualCode, type SizeCode } from '~/core/packages/sizes';
import { SURFACE_FAMILY_IDS, SURFACE_TRAITS, type SurfaceFamilyId } from '~/core/packages/surfaceFamilies';
import { closest } from '~/core/packages/throughHole';
import { celsius, metres, millimetres } from '~/core/quantity/convert';
import { isSurfaceInput, partOf, surfaceSpecOf } from '~/schema/exchange/si/part';
import type { AnyPackageInput } from '~/schema/values/package';
import { DIMENSION_WORDS, type Dimension } from '~/schema/words/dimensionWords';
import { fieldInWords, messageInWords } from '~/schema/words/fieldWords';
import { placesOf, placesText } from './pinPlaces';
import { PACKAGE_PRESETS } from '~/schema/presets/packagePresets';

export type AnyFamily = FamilyId | SurfaceFamilyId;

const HOLED: readonly Dimension[] = ['pitch_mm', 'leadDiameter_mm', 'holeDiameter_mm', 'landDiameter_mm'];
const LANDS: readonly Dimension[] = ['leadWidth_mm', 'foot_mm', 'landLength_mm', 'landWidth_mm'];
const BODY: readonly Dimension[] = ['bodyLength_mm', 'bodyWidth_mm', 'bodyHeight_mm'];
const ROWED: readonly Dimension[] = ['pins', 'pitch_mm', ...BODY, 'span_mm', ...LANDS];

/** What may be said of each family's shape, most often said first. */
const SHAPES: Readonly<Record<AnyFamily, readonly Dimension[]>> = {
  radial: [...HOLED, 'bodyDiameter_mm', 'bodyHeight_mm'],
  axial: [...HOLED, 'bodyDiameter_mm', 'bodyLength_mm'],
  dip: ['pins', 'pitch_mm', 'rowSpacing_mm', ...HOLED.slice(1), ...BODY],
  dipSocket: ['pins', 'pitch_mm', 'rowSpacing_mm', ...HOLED.slice(1), ...BODY],
  header: ['pins', ...HOLED, ...BODY],
  jack: ['pins', ...HOLED, ...BODY],
  transformer: ['pins', ...HOLED, ...BODY],
  switch: ['pins', ...HOLED, ...BODY],
  relay: ['pins', ...HOLED, ...BODY],
  crystal: ['pins', ...HOLED, ...BODY],
  display: ['pins', ...HOLED, ...BODY],
  cell: ['pins', ...HOLED, ...BODY],
  to220: ['pins', ...HOLED, ...BODY],
  to92: [...HOLED, ...BODY],
  dsub: ['pins', 'pitch_mm', 'rowSpacing_mm', ...HOLED.slice(1), ...BODY],
  chip: [...BODY, 'foot_mm', 'landLength_mm', 'landWidth_mm'],
  canElectrolytic: ['bodyDiameter_mm', 'bodyHeight_mm', 'span_mm', ...LANDS],
  sod: [...BODY, 'span_mm', ...LANDS],
  mouldedDiode: [...BODY, 'span_mm', ...LANDS],
  tantalum: [...BODY, 'span_mm', ...LANDS],
  melf: [...BODY, 'foot_mm', 'landLength_mm', 'landWidth_mm'],
  sot223: ['pitch_mm', ...BODY, 'span_mm', ...LANDS],
  sot89: ['pitch_mm', ...BODY, 'span_mm', ...LANDS],
  sot23: ['pins', 'pitch_mm', ...BODY, 'span_mm', ...LANDS],
  dpak: ['pitch_mm', ...BODY, 'span_mm', 'thermalPad_mm', 'thermalPadWidth_mm', ...LANDS],
  soic: ROWED,
  ssop: ROWED,
  tsop: ROWED,
  soj: ROWED,
  plcc: ROWED,
  qfp: ['pins', 'pitch_mm', 'sidePins', ...BODY, 'span_mm', ...LANDS],
  qfn: ['pins', 'pitch_mm', 'sidePins', ...BODY, 'thermalPad_mm', 'thermalPadWidth_mm', ...LANDS],
  connector: ['pins', 'rows', ...ROWED.slice(1)],
  button: ['pitch_mm', ...BODY, 'span_mm', ...LANDS],
  ceramicCrystal: ['pitch_mm', ...BODY, 'foot_mm', ...LANDS.slice(2)],
  bga: ['rows', 'columns', 'pitch_mm', ...BODY, 'leadWidth_mm', 'landWidth_mm'],
};

/** What may be said of a part of a family: its shape, and what its own sheet says that it stands. */
export const dimensionsOf = (family: AnyFamily): readonly Dimension[] => [...SHAPES[family], 'bodyLimit_C'];

/** A part as its form holds it: figures as typed; a blank one is the family's usual. */
export interface PackageDraft {
  readonly family: AnyFamily;
  readonly code: SizeCode;
  readonly figures: Readonly<Partial<Record<Dimension, string>>>;
  /** Where its pins stand, as typed; empty where they stand as the family's do. */
  readonly places: string;
}

export const FAMILIES: readonly { readonly value: AnyFamily; readonly label: string }[] = [
  ...FAMILY_IDS.map((id) => ({ value: id, label: FAMILY_TRAITS[id].name })),
  ...SURFACE_FAMILY_IDS.map((id) => ({ value: id, label: SURFACE_TRAITS[id].name })),
];

/** A known part as a draft. */
export function draftOf(input: AnyPackageInput): PackageDraft {
  const figures: Partial<Record<Dimension, string>> = {};
  for (const [name, value] of Object.entries(input)) {
    if (name in DIMENSION_WORDS && typeof value === 'number') figures[name as Dimension] = String(value);
  }
  const places = isSurfaceInput(input) ? undefined : input.pinPlaces_mm;
  return {
    family: input.family,
    code: (isSurfaceInput(input) && input.code) || usualCode(input.family),
    figures,
    places: places ? placesText(places) : '',
  };
}

/** Four pins at the corners of a rectangle, counted round. */
const corners = (x_mm: number, y_mm: number): [number, number][] => [
  [0, 0],
  [x_mm, 0],
  [x_mm, y_mm],
  [0, y_mm],
];

/** Parts without a standard outline: what one of each is like (common practice). */
const NO_STANDARD: Partial<Record<AnyFamily, AnyPackageInput>> = {
  jack: {
    family: 'jack',
    pins: 3,
    pitch_mm: 5,
    leadDiameter_mm: 1.2,
    holeDiameter_mm: 1.6,
    landDiameter_mm: 3,
    bodyWidth_mm: 9,
  },
  /** Two windings of two pins each on a bobbin. */
  transformer: {
    family: 'transformer',
    pins: 4,
    pitch_mm: 5,
    pinPlaces_mm: corners(5, 10),
    leadDiameter_mm: 0.8,
    holeDiameter_mm: 1.1,
    landDiameter_mm: 2.2,
  },
  switch: {
    family: 'switch',
    pins: 4,
    pitch_mm: 4.5,
    pinPlaces_mm: corners(6.5, 4.5),
    leadDiameter_mm: 0.7,
    holeDiameter_mm: 1,
    landDiameter_mm: 2,
    bodyHeight_mm: 5,
  },
  /** Two coil pins, and a changeover. */
  relay: {
    family: 'relay',
    pins: 5,
    pitch_mm: 6,
    pinPlaces_mm: [
      [0, 0],
      [0, 12],
      [6, 0],
      [6, 12],
      [14, 6],
    ],
    leadDiameter_mm: 1,
    holeDiameter_mm: 1.3,
    landDiameter_mm: 2.6,
  },
  crystal: {
    family: 'crystal',
    pins: 2,
    pitch_mm: 4.9,
    leadDiameter_mm: 0.45,
    holeDiameter_mm: 0.8,
    landDiameter_mm: 1.6,
    bodyLength_mm: 11.2,
    bodyWidth_mm: 4.7,
    bodyHeight_mm: 3.6,
  },
  display: { family: 'display', pins: 16, pitch_mm: 2.54, leadDiameter_mm: 0.64, holeDiameter_mm: 1 },
  cell: {
    family: 'cell',
    pins: 2,
    pitch_mm: 20,
    leadDiameter_mm: 0.8,
    holeDiameter_mm: 1.2,
    landDiameter_mm: 2.4,
    bodyLength_mm: 20,
    bodyWidth_mm: 20,
  },
};

/** What a family begins with: the first outline that is kept of it, or nothing but what is usual. */
export function startOf(family: AnyFamily): PackageDraft {
  const own = NO_STANDARD[family];
  if (own) return draftOf(own);
  const preset = PACKAGE_PRESETS.find((p) => p.package.family === START[family] || p.name === START[family]);
  return preset ? draftOf(preset.package) : { family, code: usualCode(family), figures: {}, places: '' };
}

/** Which outline of a family is met most. */
const START: Partial<Record<AnyFamily, string>> = {
  radial: 'Radial can 10 mm, pitch 5',
  axial: 'Axial DO-35',
  dip: 'DIP-14',
  dipSocket: 'Socket for DIP-14',
  header: 'Pin header 6 × 2.54 mm',
  to220: 'TO-220',
  to92: 'TO-92, formed to 2.54 mm',
  dsub: 'D-sub, 9 pins',
};

/** The record a draft stands for; what is no number stays one the schema refuses by name. */
export function packageInputOf({ family, code, figures, places }: PackageDraft): Record<string, unknown> {
  const input: Record<string, unknown> = { family };
  if (isSized(family)) input['code'] = code;
  for (const name of dimensionsOf(family)) {
    const text = figures[name]?.trim() ?? '';
    if (text !== '') input[name] = Number(text.replace(',', '.'));
  }
  if (family === 'radial' || family === 'axial') input['pins'] = 2;
  if (family === 'to92') input['pins'] = 3;
  if (standsAnywhere({ family, places })) {
    const told = placesOf(places);
    const near = closest(
      told
        .filter((place) => place.every(Number.isFinite))
        .map(([x_mm, y_mm]) => ({ x_m: metres(x_mm), y_m: metres(y_mm) })),
    );
    input['pinPlaces_mm'] = told;
    input['pins'] = told.length;
    // Their own spacing stands for a pitch.
    input['pitch_mm'] = near ? Math.min(60, Math.max(0.5, millimetres(near.apart_m))) : 2.54;
  }
  return input;
}

/** How many pins a draft comes to; two where it does not say. */
export const pinCount = (draft: PackageDraft): number => Number(packageInputOf(draft)['pins'] ?? 2);

/** Whether a part's pins were placed one by one. */
export const standsAnywhere = ({ family, places }: Pick<PackageDraft, 'family' | 'places'>): boolean =>
  (ANYWHERE as ReadonlySet<string>).has(family) && places.trim() !== '';

/** How a figure of a part is called on the form, by its name in the record. */
export function dimensionWords(name: Dimension, family: AnyFamily): string {
  // The pins of a dual in-line part run along y, and so does its body.
  if ((TWO_ROWS as ReadonlySet<string>).has(family)) {
    if (name === 'bodyLength_mm') return 'Body along its rows, mm';
    if (name === 'bodyWidth_mm') return 'Body across its rows, mm';
  }
  return DIMENSION_WORDS[name];
}

/** What is wrong with a part's figures, in the words of the form. */
export const figureFault = (issue: {
  readonly path: readonly PropertyKey[];
  readonly message: string;
}): string => `${fieldInWords(`$.${String(issue.path[0] ?? '')}`)} ${messageInWords(issue.message)}`.trim();

/** What holds where a figure is blank, to be shown in its place. */
export function usualFigures(input: AnyPackageInput): Partial<Record<Dimension, number>> {
  const part = partOf(input);
  const [along_m, across_m] = (TWO_ROWS as ReadonlySet<string>).has(input.family)
    ? [part.body.width_m, part.body.length_m]
    : [part.body.length_m, part.body.width_m];
  const body = {
    bodyLength_mm: millimetres(along_m),
    bodyWidth_mm: millimetres(across_m),
    bodyHeight_mm: millimetres(part.body.height_m),
    // Where its tables are asked, the lower one: nothing is known of the part's own process yet.
    bodyLimit_C: celsius(bodyLimit_K(part, 'sn63pb37')),
  };
  if (!isSurfaceInput(input)) {
    const { landDiameter_m, rowSpacing_m } = part as Extract<typeof part, { landDiameter_m: number }>;
    return {
      ...body,
      bodyDiameter_mm: body.bodyWidth_mm,
      landDiameter_mm: millimetres(landDiameter_m),
      ...(TWO_ROWS.has(input.family) ? { rowSpacing_mm: millimetres(rowSpacing_m) } : {}),
    };
  }
  const o = outlineOf(surfaceSpecOf(input));
  const [land] = 'lands' in part ? part.lands : [];
  const flat = input.family === 'plcc' || input.family === 'qfp' || input.family === 'qfn';
  return {
    ...body,
    pins: input.pins ?? USUAL_PINS[input.family],
    ...(flat ? { sidePins: o.sidePins } : {}),
    pitch_mm: millimetres(o.pitch_m),
    bodyDiameter_mm: body.bodyLength_mm,
    span_mm: millimetres(o.span_m),
    leadWidth_mm: millimetres(o.leadWidth_m),
    foot_mm: millimetres(o.foot_m),
    ...(land ? { landLength_mm: millimetres(land.width_m), landWidth_mm: millimetres(land.height_m) } : {}),
    ...(input.family === 'qfn' || input.family === 'dpak' ? largePad(part, input.family) : {}),
    ...(input.family === 'bga' ? rowsOf(input) : {}),
    ...(input.family === 'connector' ? { rows: 2 } : {}),
  };
}

/** The large land: a leadless part's last, a power tab's second. */
function largePad(part: PartPackage, family: 'qfn' | 'dpak') {
  const lands = 'lands' in part ? part.lands : [];
  const pad = family === 'dpak' ? lands[1] : lands.at(-1);
  return pad
    ? { thermalPad_mm: millimetres(pad.width_m), thermalPadWidth_mm: millimetres(pad.height_m) }
    : {};
}

function rowsOf({ rows, columns, pins }: { rows?: number; columns?: number; pins?: number }) {
  const side = Math.round(Math.sqrt(pins ?? USUAL_PINS.bga));
  return { rows: rows ?? side, columns: columns ?? side };
}
