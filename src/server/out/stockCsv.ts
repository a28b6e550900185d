import { csv } from '~/formats/placement/write';
import { partInWords } from '~/schema/words/partWords';
import type { Db } from '~/server/store/db';
import { allParts } from '~/server/store/repositories/stockParts';

/** What lies in drawers, line by line. */
export const stockCsv = (db: Db): string =>
  csv(
    ['part', 'kind', 'left', 'low', 'drawer', 'batch', 'state', 'because'],
    allParts(db).map((line) => [
      partInWords(line.part),
      line.part.kind,
      line.count,
      line.low,
      line.drawer,
      line.batch,
      line.state,
      line.because,
    ]),
  );
