import { VALUE_OF } from '~/core/electrical/parts/part';
import { partValueOf, valueInWords } from '~/core/quantity/partValue';
import type { PartInput } from '~/schema/exchange/parts/part';

/** A part in one line, as one would ask for it over the counter; a value that cannot be read stands as it was written. */
export function partInWords(part: PartInput): string {
  const { case: size } = part;
  const figures = [
    valueWords(part),
    part.tolerance_pct !== undefined && `±${part.tolerance_pct} %`,
    part.output_V !== undefined && `${part.output_V} V out`,
    ratingOf_V(part) !== undefined && `${ratingOf_V(part)} V`,
    part.rating_A !== undefined && `${part.rating_A} A`,
    part.rating_W !== undefined && `${part.rating_W} W`,
    part.safetyClass && `class ${part.safetyClass}`,
    part.mounting === 'surface' && 'surface',
    part.technology,
    part.kind,
    part.marking,
    part.temperature_C !== undefined && `${part.temperature_C} °C`,
    size?.diameter_mm !== undefined &&
      `⌀ ${size.diameter_mm}${size.height_mm === undefined ? '' : ` × ${size.height_mm}`} mm`,
    size?.pitch_mm !== undefined && `pitch ${size.pitch_mm} mm`,
    part.source !== undefined && part.source !== 'new' && SOURCE_WORDS[part.source],
  ];
  return figures.filter(Boolean).join(' ');
}

/** Its rating, given or written beside its value. */
function ratingOf_V({ kind, value, rating_V }: PartInput): number | undefined {
  const of = VALUE_OF[kind];
  if (rating_V !== undefined || !of || typeof value !== 'string') return rating_V;
  return partValueOf(value, of)?.rating_V ?? undefined;
}

const SOURCE_WORDS = {
  new: 'new',
  pulled: 'pulled',
  donor: 'from a donor',
  unknown: 'of unknown source',
} as const;

function valueWords({ kind, value }: PartInput): string {
  const of = VALUE_OF[kind];
  if (value === undefined) return '';
  if (!of) return String(value);
  const read = typeof value === 'number' ? value : partValueOf(value, of)?.value;
  return read === undefined ? String(value) : valueInWords(read, of);
}

/** What a line is found by: its words as they are said, and as they are typed without blanks and Greek. */
export function searchedWords(part: PartInput, drawer: string, batch: string): string {
  const said = `${partInWords(part)} ${part.value ?? ''} ${drawer} ${batch}`.toLowerCase();
  return `${said} ${said.replace(/µ|μ/g, 'u').replace(/(\d) (?=[a-zuω])/g, '$1')}`;
}
