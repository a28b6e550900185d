import { sharedLife, type PadExposure } from '~/core/record/heatLife';
import { isHurt } from '~/core/record/padStates';
import { isEmpty, OCCUPANCIES, occupancyInWords, type Occupancy } from '~/core/record/occupancy';
import { STROKE_IDS, STROKES, type StrokeId } from '~/schema/presets/copperStroke';
import { isSurfaceInput, partOf } from '~/schema/exchange/si/part';
import type { BoardSheet, SiteSheet } from '~/schema/sheets/boardSheet';
import { packageInWords, partFacts } from '~/schema/words/words';
import { Button, ButtonLink, KeyCap } from '~/ui/controls/Button';
import { Segments } from '~/ui/controls/Field';
import { ErrorNote } from '~/ui/controls/Notes';
import { keyOf } from '~/ui/keyboard/command';
import { LandDrawing } from '~/ui/land/LandDrawing';
import { dayAndTime } from '~/ui/dates';
import { MarkingBanner } from '~/islands/findings/MarkingBanner';
import { CopperBanner } from './CopperBanner';
import { MarkBar } from '~/islands/findings/MarkBar';
import { padState } from '~/islands/findings/marking';
import { PadLife } from '~/islands/findings/PadLife';
import { useMarking } from '~/islands/findings/useMarking';
import { BOARD_COMMANDS } from './commands';
import { CopperBar } from './CopperBar';
import { SiteHeat } from './SiteHeat';
import { PadTable } from './PadTable';
import type { BoardAction, BoardState } from './state';
import { turnOnto } from '~/core/packages/polarity';
import { socketsFor } from '~/core/electrical/memory/sockets';
import { useStore } from '@nanostores/react';
import { $by } from '~/ui/preferences';
import { FittedParts } from './FittedParts';
import css from './board.module.css';

interface SitePanelProps {
  readonly sheet: BoardSheet;
  readonly site: SiteSheet;
  readonly state: BoardState;
  readonly exposures: readonly PadExposure[];
  readonly dispatch: (action: BoardAction) => void;
  readonly occupancy: Occupancy;
  /** Asks what stands on the site. */
  readonly onPart: () => void;
  readonly onStroke: (stroke: StrokeId) => void;
  readonly onNet: (net: string) => void;
}

/** One site: its lands to mark, what is known of each pad, and the ways on from here. */
export function SitePanel({
  sheet,
  site,
  state,
  exposures,
  occupancy,
  dispatch,
  onPart,
  onStroke,
  onNet,
}: SitePanelProps) {
  const { jobs, readings } = sheet;
  const by = useStore($by);
  const running = jobs.find((job) => job.siteId === site.id && job.status === 'running');
  const copper = state.mode === 'copper';
  const own = new Set(site.pads.map((p) => p.id));
  const here = exposures.filter((e) => own.has(e.padId));
  const { mark, choose, take } = useMarking({
    site,
    run: state.run,
    pending: state.pending,
    marking: state.marking && !copper,
    claim: state.claim,
    pad: state.pad,
    foundAs: state.foundAs,
    jobId: null,
    note: state.note,
    dispatch,
  });
  return (
    <section aria-label={`Site ${site.ref}`} className={css['site']}>
      <div className={css['siteHead']}>
        <h2>
          {site.ref} {site.value && <span className="quiet">{site.value}</span>}
        </h2>
        <div className={css['ways']}>
          <ButtonLink small href={`/sites/${site.id}/edit`}>
            Correct
          </ButtonLink>
          <ButtonLink small href={`/sites/${site.id}/check`}>
            Continuity <KeyCap of={keyOf(BOARD_COMMANDS, 'check')} />
          </ButtonLink>
          <ButtonLink small href={`/parts?site=${site.id}`}>
            Swap check
          </ButtonLink>
          {socketsFor(site.package.family, site.pads.length).length > 0 && (
            <ButtonLink small href={`/sites/${site.id}/memory`}>
              Contents
            </ButtonLink>
          )}
          {running ? (
            <ButtonLink href={`/jobs/${running.id}`} look="primary">
              Go on with its job <KeyCap of="Enter" />
            </ButtonLink>
          ) : (
            <ButtonLink href={`/sites/${site.id}/plan`} look="primary">
              Plan <KeyCap of="Enter" />
            </ButtonLink>
          )}
        </div>
      </div>
      <p className={css['occupancy']} data-kind={occupancy.kind}>
        <span>{capital(occupancyInWords(occupancy))}</span>
        {occupancy.since_ms !== null && (
          <span className="quiet">
            since {dayAndTime(occupancy.since_ms)}, {occupancy.by}
          </span>
        )}
        <Button small look="plain" onClick={onPart}>
          Say what is fitted here
        </Button>
      </p>
      <p className="quiet">
        {packageInWords(site.package)}. {partFacts(site.package, site.alloy)}.
      </p>
      <SiteHeat
        label={`Heat of ${site.ref} so far`}
        life={sharedLife(here)}
        nameOf={(padId) => `pin ${site.pads.find((p) => p.id === padId)?.name ?? '?'}`}
        hurt={site.pads.filter((p) => isHurt(padState(state.findings, p.id))).map((p) => `pin ${p.name}`)}
      />
      <div className={css['land']} data-many={site.pads.length > 16 || undefined}>
        <LandDrawing
          part={site.package}
          polarity={site.polarity}
          from={isSurfaceInput(site.package) ? 'part side' : 'solder side'}
          selected={state.pad}
          run={state.run}
          choosing={state.pending !== null}
          onSelect={choose}
          onRun={take}
          empty={isEmpty(occupancy) ? OCCUPANCIES[occupancy.kind].name : undefined}
          pads={site.pads.map((p) => ({
            name: p.name,
            net: p.net,
            connections: p.connections,
            state: padState(state.findings, p.id),
          }))}
        />
      </div>
      <FittedParts
        siteId={site.id}
        siteRef={site.ref}
        turn={turnOf(site)}
        keptSince_ms={occupancy.kind === 'off-kept' ? (occupancy.since_ms ?? 0) : null}
        by={by}
      />
      <Segments
        label="On the pads"
        value={state.mode}
        onChange={(mode) => dispatch({ type: 'mode', mode, marking: state.marking })}
        options={[
          {
            value: 'findings',
            label: (
              <>
                what was found <KeyCap of={keyOf(BOARD_COMMANDS, 'mark')} />
              </>
            ),
          },
          {
            value: 'copper',
            label: (
              <>
                copper and nets <KeyCap of={keyOf(BOARD_COMMANDS, 'copper')} />
              </>
            ),
          },
        ]}
      />
      {copper && state.marking ? (
        <CopperBanner run={state.run} onLeave={() => dispatch({ type: 'marking', on: false })} />
      ) : (
        <MarkingBanner state={state} dispatch={dispatch} />
      )}
      {state.told && (
        <p className={css['told']} role="status">
          {state.told}
        </p>
      )}
      <ErrorNote error={state.error} />
      {copper ? (
        <CopperBar
          key={`${site.id} ${state.run.join(' ')} ${site.revision}`}
          site={site}
          run={state.run}
          strokes={STROKE_IDS.map((id) => ({ id, ...STROKES[id] }))}
          onStroke={onStroke}
          onNet={onNet}
          onAll={() => take(site.pads.map((p) => p.name))}
        />
      ) : (
        <MarkBar state={state} dispatch={dispatch} onState={mark} />
      )}
      {state.pad && (
        <PadLife
          site={site}
          pad={state.pad}
          findings={state.findings}
          jobs={jobs}
          readings={readings}
          elsewhere={state.sites}
          shares={here.filter((e) => e.sharedFrom !== null)}
          photos={state.photos}
          onPhoto={(photo) => dispatch({ type: 'photo', photo })}
          onError={(error) => dispatch({ type: 'failed', error })}
        />
      )}
      <PadTable site={site} findings={state.findings} exposures={here} run={state.run} onSelect={choose} />
    </section>
  );
}

const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);

/** "stripe to pad 2": how a part with two poles goes on. */
function turnOf({ package: part, polarity }: SiteSheet): string | null {
  const { marked } = polarity ? turnOnto({ part: partOf(part), nets: {} }, polarity) : { marked: null };
  return marked && `${marked.mark} to pad ${marked.pad}`;
}
