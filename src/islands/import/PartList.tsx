import { memo, useCallback, useEffect, useMemo, useRef, type Dispatch } from 'react';
import { useVirtualizer } from '@tanstack/react-virtual';
import { padNamesOf } from '~/core/packages/form';
import { partOf } from '~/schema/exchange/si/part';
import { packageInWords } from '~/schema/words/words';
import { SelectField } from '~/ui/controls/Field';
import type { ImportPreview } from '~/workers/protocol';
import { asChosen, type ImportAction, type ImportState } from './state';
import css from './import.module.css';

type Planned = ImportPreview['sites'][number];

/** A row's usual height, px; each is measured once it is drawn. */
const ROW_px = 57;
const usualHeight = (): number => ROW_px;

/** Parts that would be placed; of ten thousand only those in view are drawn. */
export function PartList({
  sites,
  families,
  struck,
  chosen,
  dispatch,
}: Pick<ImportState, 'families' | 'struck' | 'chosen'> & {
  readonly sites: readonly Planned[];
  readonly dispatch: Dispatch<ImportAction>;
}) {
  const frame = useRef<HTMLDivElement>(null);
  // The same function while the parts are the same: with another one every row would be measured anew, at every key.
  const keyOf = useCallback((index: number) => sites[index]!.site.ref, [sites]);
  const rows = useVirtualizer({
    count: sites.length,
    getScrollElement: () => frame.current,
    estimateSize: usualHeight,
    overscan: 8,
    getItemKey: keyOf,
  });
  const places = useMemo(() => new Map(sites.map(({ site }, index) => [site.ref, index])), [sites]);
  useEffect(() => {
    const index = chosen === null ? undefined : places.get(chosen);
    if (index !== undefined) rows.scrollToIndex(index);
  }, [chosen, places, rows]);
  return (
    <div ref={frame} className={css['partFrame']} tabIndex={0} aria-label="Parts it would place">
      <ol style={{ height: rows.getTotalSize() }}>
        {rows.getVirtualItems().map(({ index, start, key }) => {
          const planned = sites[index]!;
          const { ref } = planned.site;
          return (
            <li
              key={key}
              ref={rows.measureElement}
              data-index={index}
              aria-setsize={sites.length}
              aria-posinset={index + 1}
              className={ref === chosen ? css['chosen'] : undefined}
              style={{ transform: `translateY(${start}px)` }}
            >
              <PartRow
                planned={planned}
                family={families.get(ref)}
                struck={struck.has(ref)}
                open={ref === chosen}
                dispatch={dispatch}
              />
            </li>
          );
        })}
      </ol>
    </div>
  );
}

interface PartRowProps {
  readonly planned: Planned;
  /** What a person has said that it is, in words. */
  readonly family: string | undefined;
  readonly struck: boolean;
  readonly open: boolean;
  readonly dispatch: Dispatch<ImportAction>;
}

const PartRow = memo(function PartRow({ planned, family, struck, open, dispatch }: PartRowProps) {
  const { site, misfit_mm, doubt } = asChosen(planned, family);
  return (
    <>
      <label>
        <input
          type="checkbox"
          checked={!struck}
          onChange={() => dispatch({ type: 'strike', ref: site.ref })}
        />
        <span className="digits">{site.ref}</span>
      </label>
      <button type="button" onClick={() => dispatch({ type: 'choose', ref: site.ref })}>
        {packageInWords(site.package)}
        <span className="quiet">
          {' '}
          {padNamesOf(partOf(site.package)).length} pads, {site.side}
          {misfit_mm > 0.05 ? `, pads off by ${misfit_mm.toFixed(2)} mm` : ''}
        </span>
        {doubt && <strong className={css['look']}>Look at it: {doubt}.</strong>}
      </button>
      {open && planned.others.length > 0 && (
        <SelectField
          label="Its pads fit"
          value={packageInWords(site.package)}
          options={[
            ...new Set([planned.site, ...planned.others].map((one) => packageInWords(one.package))),
          ].map((value) => ({ value, label: value }))}
          onChange={(chosen) => dispatch({ type: 'family', ref: site.ref, family: chosen })}
        />
      )}
    </>
  );
});
