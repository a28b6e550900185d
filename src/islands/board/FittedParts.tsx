import { useEffect, useState } from 'react';
import type { PartMove, StockPart } from '~/schema/records/parts/stockPart';
import { partInWords } from '~/schema/words/partWords';
import { getJson } from '~/ui/api';
import { dayAndTime } from '~/ui/dates';

interface Fitted {
  readonly move: PartMove;
  readonly line: StockPart;
}

/** What a site got out of the drawers, with its batch; nothing where it never did. */
export function FittedParts({ siteId }: { readonly siteId: string }) {
  const [fitted, setFitted] = useState<readonly Fitted[]>([]);
  useEffect(() => {
    let gone = false;
    setFitted([]);
    getJson<{ fitted: Fitted[] }>(`/api/sites/${siteId}/parts`).then(
      (told) => !gone && setFitted(told.fitted),
      // The panel stands without it.
      () => undefined,
    );
    return () => {
      gone = true;
    };
  }, [siteId]);
  if (fitted.length === 0) return null;
  return (
    <ul aria-label="Fitted out of the drawers" className="quiet">
      {fitted.map(({ move, line }) => (
        <li key={move.id}>
          {partInWords(line.part)}
          {line.batch && `, batch ${line.batch}`}: {dayAndTime(move.at_ms)}, {move.by}.{' '}
          <a href={`/parts?q=${encodeURIComponent(line.batch || partInWords(line.part))}`}>
            What else got one
          </a>
        </li>
      ))}
    </ul>
  );
}
