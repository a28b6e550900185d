import Papa from 'papaparse';
import type { NewSite } from '~/schema/records/site/site';
import { packageInWords } from '~/schema/words/words';

type Placed = Pick<NewSite, 'ref' | 'value' | 'package' | 'x_mm' | 'y_mm' | 'rotation_deg' | 'side'>;

/**
 * A placement list as this application reads one (RFC 4180): places in millimetres from the board's lower left corner, seen from the
 * top. What a spreadsheet would take for a formula is written so that it does not.
 */
export function placementCsv(sites: readonly Placed[]): string {
  const data = sites.map((site) => [
    site.ref,
    site.value,
    footprintOf(site.package),
    site.x_mm,
    site.y_mm,
    site.rotation_deg,
    site.side,
  ]);
  return csv(['Ref', 'Val', 'Package', 'PosX(mm)', 'PosY(mm)', 'Rot', 'Side'], data);
}

/** Rows as a table: lines end as the standard has them. */
export const csv = (fields: readonly string[], data: readonly (readonly (string | number)[])[]): string =>
  `${Papa.unparse({ fields: [...fields], data: data.map((row) => [...row]) }, { newline: '\r\n', escapeFormulae: true })}\r\n`;

/** Names by which lists call families and which are read back as them (common practice). */
const CALLED: Readonly<Record<string, (pins: number) => string>> = {
  soic: (pins) => `SOIC-${pins}`,
  ssop: (pins) => `SSOP-${pins}`,
  tsop: (pins) => `TSOP-${pins}`,
  soj: (pins) => `SOJ-${pins}`,
  plcc: (pins) => `PLCC-${pins}`,
  qfp: (pins) => `QFP-${pins}`,
  qfn: (pins) => `QFN-${pins}`,
  bga: (pins) => `BGA-${pins}`,
  sot23: (pins) => (pins === 3 ? 'SOT-23' : `SOT-23-${pins}`),
  sot223: () => 'SOT-223',
  sot89: () => 'SOT-89',
  dpak: () => 'DPAK',
  dip: (pins) => `DIP-${pins}`,
  to220: () => 'TO-220',
  to92: () => 'TO-92',
  dsub: (pins) => `DSUB-${pins}`,
};

/** What a list calls a part's outline: its size where it has one, its family's name and pins, else its words. */
export function footprintOf(input: Placed['package']): string {
  if ('code' in input && input.code) return input.family === 'tantalum' ? `TANT-${input.code}` : input.code;
  const pins =
    input.pins ?? ('rows' in input && input.rows && input.columns ? input.rows * input.columns : 0);
  return pins > 0 || input.family.startsWith('sot') || input.family === 'dpak'
    ? (CALLED[input.family]?.(pins || 3) ?? packageInWords(input))
    : packageInWords(input);
}
