import { useRef } from 'react';
import { DIMENSIONS, type DimensionId } from '~/core/outcomes/dimensions';
import { FORETOLD, FORETOLD_IDS } from '~/core/outcomes/foretold';
import { HARMS, HARM_IDS } from '~/core/outcomes/harms';
import { addressWith, jobsAddress } from '~/schema/exchange/outcomes/address';
import type { OutcomesQuery, OutcomesView as View } from '~/schema/exchange/outcomes/outcomesQuery';
import type { OutcomesSheet } from '~/schema/sheets/outcomesSheet';
import { Button } from '~/ui/controls/Button';
import { Segments, SelectField } from '~/ui/controls/Field';
import { useCommands } from '~/ui/keyboard/useCommands';
import { useReady } from '~/ui/useReady';
import { CausesPanel } from './CausesPanel';
import { OUTCOMES_COMMANDS, type OutcomesCommand } from './commands';
import { HeatPanel } from './HeatPanel';
import { HeldPanel } from './HeldPanel';
import { RatesPanel } from './RatesPanel';
import { TimePanel } from './TimePanel';
import { monthWords } from './words';
import { fromPage } from '~/ui/fromPage';
import css from './outcomes.module.css';

const VIEWS: Readonly<Record<View, string>> = {
  rates: 'Rates',
  time: 'Over time',
  held: 'Foretold and seen',
  heat: 'Heat',
  causes: 'Causes and returns',
};

/** The workshop's own evidence: one view at a time, as its address asks for it. */
function OutcomesView({ sheet }: { readonly sheet: OutcomesSheet }) {
  const { query, choices, months, jobs, samples, view } = sheet;
  const ready = useReady();
  const bar = useRef<HTMLDivElement>(null);
  const go = (changed: Partial<Record<keyof OutcomesQuery, string | undefined>>): boolean => {
    window.location.assign(addressWith(query, changed));
    return true;
  };
  const focus = (label: string): boolean => {
    const field = [...bar.current!.querySelectorAll('label')].find((l) => l.textContent.startsWith(label));
    const select =
      field?.querySelector('select') ?? (field?.htmlFor && document.getElementById(field.htmlFor));
    if (!select) return false;
    select.focus();
    return true;
  };
  const narrowed = (Object.keys(DIMENSIONS) as DimensionId[]).flatMap((id) => {
    const key = query[id];
    return key === undefined ? [] : [{ id, name: choices[id]?.find((c) => c.key === key)?.name ?? key }];
  });
  const list = jobsAddress(query);
  const run = (id: OutcomesCommand): boolean => {
    switch (id) {
      case 'rates':
      case 'time':
      case 'held':
      case 'heat':
      case 'causes':
        return go({ view: id });
      case 'sort':
        return focus('Sorted by');
      case 'harm':
        return focus('What w');
      case 'narrow':
        return focus('Narrow to');
      case 'whole':
        window.location.assign(
          addressWith({ view: query.view, sort: query.sort, harm: query.harm, of: query.of }, {}),
        );
        return true;
      case 'list':
        window.location.assign(list);
        return true;
    }
  };
  useCommands('outcomes', OUTCOMES_COMMANDS, run);
  const sorts = query.view === 'rates' || query.view === 'held';
  const counts = query.view === 'rates' || query.view === 'time';
  return (
    <div className={css['view']} data-ready={ready || undefined}>
      <Segments
        label="Look at"
        value={query.view}
        onChange={(to) => go({ view: to })}
        options={(Object.keys(VIEWS) as View[]).map((value) => ({ value, label: VIEWS[value] }))}
      />
      <div className={css['bar']} ref={bar}>
        {counts && (
          <SelectField
            label="What went wrong"
            value={query.harm}
            onChange={(harm) => go({ harm })}
            options={HARM_IDS.map((value) => ({ value, label: HARMS[value].name }))}
          />
        )}
        {query.view === 'held' && (
          <SelectField
            label="What was foretold"
            value={query.of}
            onChange={(of) => go({ of })}
            options={FORETOLD_IDS.map((value) => ({ value, label: FORETOLD[value].name }))}
          />
        )}
        {sorts && (
          <SelectField
            label="Sorted by"
            value={query.sort}
            onChange={(sort) => go({ sort })}
            options={[
              ...new Set([
                query.sort,
                ...(Object.keys(choices) as DimensionId[]).filter((id) => choices[id]!.length > 1),
              ]),
            ].map((value) => ({
              value,
              label: DIMENSIONS[value].name,
            }))}
          />
        )}
        <SelectField
          label="From"
          value={query.from ?? ''}
          onChange={(from) => go({ from: from || undefined })}
          options={[
            { value: '', label: 'the beginning' },
            ...months.map((m) => ({ value: m, label: monthWords(m) })),
          ]}
        />
        <SelectField
          label="To"
          value={query.to ?? ''}
          onChange={(to) => go({ to: to || undefined })}
          options={[
            { value: '', label: 'today' },
            ...months.map((m) => ({ value: m, label: monthWords(m) })),
          ]}
        />
        <SelectField
          label="Narrow to"
          value=""
          onChange={(chosen) => {
            const [id, ...key] = chosen.split('=');
            if (id) go({ [id]: key.join('=') });
          }}
          options={[
            { value: '', label: 'all jobs' },
            ...(Object.keys(choices) as DimensionId[]).flatMap((id) =>
              choices[id]!.map(({ key, name }) => ({
                value: `${id}=${key}`,
                label: name,
                group: DIMENSIONS[id].name,
              })),
            ),
          ]}
        />
      </div>
      <p className={css['of']}>
        <a href={list}>
          {jobs} closed job{jobs === 1 ? '' : 's'}
        </a>
        {months.length > 0 && (
          <a href={`/outcomes/month?month=${query.to ?? months.at(-1)}`}>The month on one sheet</a>
        )}
        {narrowed.map(({ id, name }) => (
          <Button key={id} look="plain" onClick={() => go({ [id]: undefined })}>
            {DIMENSIONS[id].name}: {name} ×
          </Button>
        ))}
        {samples > 0 && (
          <span className={css['sample']}>
            {samples} of them are sample months of an invented workshop.{' '}
            <a href={addressWith(query, { samples: 'no' })}>Leave them out</a>
          </span>
        )}
        {query.samples === 'no' && (
          <span className={css['sample']}>
            Without sample months. <a href={addressWith(query, { samples: undefined })}>With them</a>
          </span>
        )}
      </p>
      {jobs === 0 ? (
        <p className={css['says']}>
          No job that was closed is among these. Every job counts here once it is closed; take away what
          narrows the view, or choose other months.
        </p>
      ) : (
        <>
          {view.is === 'rates' && <RatesPanel view={view} query={query} />}
          {view.is === 'time' && <TimePanel view={view} query={query} />}
          {view.is === 'held' && <HeldPanel view={view} query={query} />}
          {view.is === 'heat' && <HeatPanel view={view} query={query} />}
          {view.is === 'causes' && <CausesPanel view={view} query={query} />}
        </>
      )}
    </div>
  );
}

export const OutcomesIsland = fromPage(OutcomesView);
