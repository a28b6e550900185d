import { memo, useMemo, type Dispatch } from 'react';
import { padNamesOf } from '~/core/packages/form';
import { partOf } from '~/schema/exchange/si/part';
import { packageInWords } from '~/schema/words/words';
import { SelectField } from '~/ui/controls/Field';
import { VirtualRows } from '~/ui/list/VirtualRows';
import type { ImportPreview } from '~/workers/protocol';
import { asChosen, type ImportAction, type ImportState } from './state';
import css from './import.module.css';

type Planned = ImportPreview['sites'][number];

/** A row's usual height, px. */
const ROW_px = 57;
const FIRST = 12;
const refOf = ({ site }: Planned): string => site.ref;

/** Parts that would be placed. */
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
  const places = useMemo(() => new Map(sites.map(({ site }, index) => [site.ref, index])), [sites]);
  return (
    <VirtualRows
      label="Parts it would place"
      rows={sites}
      keyOf={refOf}
      row_px={ROW_px}
      first={FIRST}
      chosen={chosen === null ? null : (places.get(chosen) ?? null)}
      className={css['partFrame']}
    >
      {(planned) => {
        const { ref } = planned.site;
        return (
          <PartRow
            planned={planned}
            family={families.get(ref)}
            struck={struck.has(ref)}
            open={ref === chosen}
            dispatch={dispatch}
          />
        );
      }}
    </VirtualRows>
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
