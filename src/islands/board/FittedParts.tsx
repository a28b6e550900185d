import { useEffect, useState } from 'react';
import type { PartMove, StockPart } from '~/schema/records/parts/stockPart';
import { partInWords } from '~/schema/words/partWords';
import { getJson } from '~/ui/api';
import { dayAndTime } from '~/ui/dates';
import { GivePart } from './GivePart';

interface Elsewhere {
  readonly siteId: string;
  readonly ref: string;
  readonly boardId: string;
  readonly board: string;
}

interface Moved {
  readonly move: PartMove;
  readonly line: StockPart;
}

interface SiteParts {
  readonly fitted: readonly (Moved & { readonly from: readonly Elsewhere[] })[];
  readonly given: readonly (Moved & { readonly went: readonly Elsewhere[] })[];
  /** Whether the site's value tells what stood there. */
  readonly told: boolean;
}

/** What a site got out of the drawers, with its batch, and what it gave; nothing where it never did. */
export function FittedParts({
  siteId,
  siteRef,
  turn,
  keptSince_ms,
  by,
}: {
  readonly siteId: string;
  readonly siteRef: string;
  /** Which way round its part goes on, in words; null where it has no sign. */
  readonly turn: string | null;
  /** Since when its part is off and kept; null where it is not. */
  readonly keptSince_ms: number | null;
  readonly by: string;
}) {
  const [parts, setParts] = useState<SiteParts | null>(null);
  const [asked, setAsked] = useState(0);
  useEffect(() => {
    let gone = false;
    setParts(null);
    getJson<SiteParts>(`/api/sites/${siteId}/parts`).then(
      (told) => !gone && setParts(told),
      // The panel stands without it.
      () => undefined,
    );
    return () => {
      gone = true;
    };
  }, [siteId, asked]);
  if (!parts) return null;
  const { fitted, given, told } = parts;
  const mayGive = keptSince_ms !== null && !given.some(({ move }) => move.at_ms >= keptSince_ms);
  return (
    <>
      {fitted.length + given.length > 0 && (
        <ul aria-label="Out of the drawers, and into them" className="quiet">
          {fitted.map(({ move, line, from }) => (
            <li key={move.id}>
              {partInWords(line.part)}
              {line.batch && `, batch ${line.batch}`}
              {turn && `, ${turn}`}: {dayAndTime(move.at_ms)}, {move.by}.{' '}
              {from.length > 0 && (
                <>
                  It came off <Place of={from[0]!} />.{' '}
                </>
              )}
              <a href={`/parts?q=${encodeURIComponent(line.batch || partInWords(line.part))}`}>
                What else got one
              </a>
            </li>
          ))}
          {given.map(({ move, line, went }) => (
            <li key={move.id}>
              Gave its part to drawer {line.drawer}: {dayAndTime(move.at_ms)}, {move.by}.{' '}
              {went.length > 0 ? (
                <>
                  It went on to <Place of={went[0]!} />.
                </>
              ) : (
                'It lies there.'
              )}
            </li>
          ))}
        </ul>
      )}
      {mayGive && (
        <GivePart siteId={siteId} siteRef={siteRef} told={told} by={by} onGiven={() => setAsked(asked + 1)} />
      )}
    </>
  );
}

const Place = ({ of }: { readonly of: Elsewhere }) => (
  <a href={`/boards/${of.boardId}?site=${of.siteId}`}>
    {of.ref}, {of.board}
  </a>
);
