import Papa from 'papaparse';
import type { PartOrderRow } from '~/schema/records/parts/partOrder';
import { partInWords } from '~/schema/words/partWords';
import type { Db } from '~/server/store/db';
import { getPart } from '~/server/store/repositories/stockParts';

/** An order as a supplier reads it (RFC 4180); what a spreadsheet would take for a formula is written so that it does not. */
export function orderCsv(db: Db, { lines }: Pick<PartOrderRow, 'lines'>): string {
  const rows = lines.map(({ partId, count }) => {
    const { part } = getPart(db, partId);
    return [count, partInWords(part), part.marking ?? ''];
  });
  return `${Papa.unparse({ fields: ['count', 'part', 'marking'], data: rows }, { newline: '\r\n', escapeFormulae: true })}\r\n`;
}
