import {
  MOUNTINGS,
  PART_KINDS,
  PART_LOOKS,
  PART_SOURCES,
  SAFETY_CLASSES,
  type Technology,
} from '~/core/electrical/parts/part';
import type { PartInput } from '~/schema/exchange/parts/part';

type Kind = PartInput['kind'];

/** A part as it is typed, field by field. */
export type PartDraft = Readonly<Record<DraftField, string>>;
export const DRAFT_FIELDS = [
  'kind',
  'technology',
  'value',
  'tolerance',
  'volts',
  'amps',
  'watts',
  'esr',
  'ripple',
  'warmest',
  'diameter',
  'height',
  'pitch',
  'safety',
  'marking',
  'dateCode',
  'source',
  'looks',
  'mounting',
  'output',
  'dropout',
  'package',
  'pins',
] as const;
export type DraftField = (typeof DRAFT_FIELDS)[number];

export const NO_PART: PartDraft = {
  ...(Object.fromEntries(DRAFT_FIELDS.map((field) => [field, ''])) as Record<DraftField, string>),
  kind: 'capacitor',
  technology: 'aluminium',
  source: 'new',
};

interface FieldTraits {
  readonly label: string;
  /** Kinds that it is asked of; left out: all. */
  readonly of?: readonly Kind[];
  readonly choices?: (kind: Kind) => readonly string[];
  readonly words?: true;
}

const POWER: readonly Kind[] = ['diode', 'transistor', 'fuse', 'switch', 'connector'];
const MAKES: Partial<Record<Kind, readonly Technology[]>> = {
  capacitor: ['aluminium', 'polymer', 'tantalum', 'film', 'ceramic'],
  resistor: ['metal-film', 'carbon', 'wirewound', 'fusible'],
  diode: ['standard', 'fast', 'schottky', 'zener'],
  transistor: ['npn', 'pnp', 'n-channel', 'p-channel'],
  fuse: ['time-lag', 'quick'],
};
const CHIPS: readonly Kind[] = [
  'logic',
  'memory',
  'microcontroller',
  'regulator',
  'transistor',
  'crystal',
  'socket',
];

export const FIELDS: Readonly<Record<DraftField, FieldTraits>> = {
  kind: { label: 'Kind', choices: () => PART_KINDS },
  technology: { label: 'Make', of: Object.keys(MAKES) as Kind[], choices: (kind) => MAKES[kind] ?? [] },
  value: { label: 'Value, as written', of: ['capacitor', 'resistor', 'inductor'], words: true },
  tolerance: { label: 'Tolerance, %', of: ['capacitor', 'resistor', 'inductor'] },
  volts: { label: 'Rating, V', of: ['capacitor', 'resistor', ...POWER] },
  amps: { label: 'Rating, A', of: ['inductor', 'regulator', ...POWER] },
  watts: { label: 'Rating, W', of: ['resistor', 'transistor'] },
  esr: { label: 'ESR, Ω', of: ['capacitor'] },
  ripple: { label: 'Ripple, A', of: ['capacitor'] },
  warmest: { label: 'Rated to, °C', of: ['capacitor'] },
  diameter: { label: 'Diameter, mm', of: ['capacitor'] },
  height: { label: 'Height, mm', of: ['capacitor'] },
  pitch: { label: 'Lead pitch, mm', of: ['capacitor', 'resistor'] },
  safety: { label: 'Safety class', of: ['capacitor'], choices: () => ['', ...SAFETY_CLASSES] },
  output: { label: 'Output, V', of: ['regulator', 'diode'] },
  dropout: { label: 'Dropout, V', of: ['regulator'] },
  package: { label: 'Package', of: ['regulator'], choices: () => ['to220', 'dpak', 'sot223'] },
  pins: { label: 'Pins in order', of: ['transistor', 'regulator'], words: true },
  marking: { label: 'Marking', of: CHIPS, words: true },
  dateCode: { label: 'Date code', words: true },
  source: { label: 'Source', choices: () => PART_SOURCES },
  mounting: { label: 'Stands', choices: () => ['', ...MOUNTINGS] },
  looks: { label: 'Body and pins', choices: () => ['', ...PART_LOOKS] },
};

/** Whether a part of its kind and make has that figure: of diodes only a zener holds a voltage of its own. */
export const asksFor = (field: DraftField, { kind, technology }: PartDraft): boolean =>
  field === 'output' && kind === 'diode'
    ? technology === 'zener'
    : (FIELDS[field].of?.includes(kind as Kind) ?? true);

/** A figure as it is typed; nothing for an empty field, no number for what is none. */
export const figure = (typed: string): number | undefined =>
  typed.trim() === '' ? undefined : Number(typed.trim().replace(',', '.'));
const words = (typed: string): string | undefined => typed.trim() || undefined;

const given = <Shape extends object>(shape: Shape): Shape =>
  Object.fromEntries(Object.entries(shape).filter(([, value]) => value !== undefined)) as Shape;

/** The part that is typed, as the server is asked with it; fields of another kind are left out. */
export function partOfDraft(draft: PartDraft): PartInput {
  const kind = draft.kind as Kind;
  const own = (field: DraftField): string => (asksFor(field, draft) ? draft[field] : '');
  const size = given({
    diameter_mm: figure(own('diameter')),
    height_mm: figure(own('height')),
    pitch_mm: figure(own('pitch')),
  });
  return given({
    kind,
    technology: words(own('technology')) as PartInput['technology'],
    value: words(own('value')),
    tolerance_pct: figure(own('tolerance')),
    rating_V: figure(own('volts')),
    rating_A: figure(own('amps')),
    rating_W: figure(own('watts')),
    esr_Ohm: words(own('esr')),
    ripple_A: figure(own('ripple')),
    temperature_C: figure(own('warmest')),
    case: Object.keys(size).length > 0 ? size : undefined,
    safetyClass: words(own('safety')) as PartInput['safetyClass'],
    marking: words(own('marking')),
    dateCode: words(own('dateCode')),
    source: words(own('source')) as PartInput['source'],
    looks: words(own('looks')) as PartInput['looks'],
    mounting: words(own('mounting')) as PartInput['mounting'],
    output_V: figure(own('output')),
    dropout_V: figure(own('dropout')),
    package: words(own('package')) as PartInput['package'],
    pinOrder: words(own('pins')),
  });
}

/** A part as it would be typed. */
export const draftOfPart = (part: PartInput): PartDraft => {
  const text = (value: number | string | null | undefined): string =>
    value === undefined || value === null ? '' : String(value);
  return {
    kind: part.kind,
    technology: text(part.technology),
    value: text(part.value),
    tolerance: text(part.tolerance_pct),
    volts: text(part.rating_V),
    amps: text(part.rating_A),
    watts: text(part.rating_W),
    esr: text(part.esr_Ohm),
    ripple: text(part.ripple_A),
    warmest: text(part.temperature_C),
    diameter: text(part.case?.diameter_mm),
    height: text(part.case?.height_mm),
    pitch: text(part.case?.pitch_mm),
    safety: text(part.safetyClass),
    marking: text(part.marking),
    dateCode: text(part.dateCode),
    source: text(part.source ?? 'new'),
    looks: text(part.looks),
    mounting: text(part.mounting),
    output: text(part.output_V),
    dropout: text(part.dropout_V),
    package: text(part.package),
    pins: text(part.pinOrder),
  };
};
