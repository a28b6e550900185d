import { fileAnswer } from '~/server/http/respond';
import { stockCsv } from '~/server/out/stockCsv';

export const GET = fileAnswer(({ locals }) => ({
  type: 'text/csv; charset=utf-8',
  name: 'stock.csv',
  body: stockCsv(locals.db),
}));
