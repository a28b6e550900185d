import { useMemo } from 'react';
import type { RecapAnswer } from '~/schema/exchange/recap/recapAnswer';
import type { RecapCandidate } from '~/schema/sheets/recapSheet';
import type { RoundLine, RoundSheet } from '~/schema/sheets/roundSheet';
import { outcomeInWords } from '~/schema/words/words';
import { Button, ButtonLink } from '~/ui/controls/Button';
import { Caution } from '~/ui/controls/Notes';
import { budget, minutesText } from '~/ui/figures';
import { ROUND_MARKS } from '~/ui/roundMarks';
import { sequenceOf } from './useRound';
import css from './recap.module.css';

interface TravellerProps {
  readonly answer: RecapAnswer;
  readonly order: 'value' | 'area';
  readonly sites: readonly RecapCandidate[];
  /** How far it is, where what is shown was kept. */
  readonly round: RoundSheet | null;
  readonly onTake: (siteId: string) => void;
}

const exactly = (value_min: number): string => minutesText(value_min, { exact: true });

/** Everything in the chosen order with its time, what comes before each part and what to mind at it; it adds up. */
export function Traveller({ answer, order, sites, round, onTake }: TravellerProps) {
  const idOf = useMemo(() => new Map(sites.map((s) => [s.ref, s.id])), [sites]);
  const { legs, before_min, after_min } = sequenceOf(answer, order);
  const alone = answer.sites.filter((s) => s.on === null);
  const lineOf = new Map(round?.lines.map((line) => [line.ref, line]));
  // One part at a time is under heat.
  const busy = round?.lines.some((line) => line.status === 'under-way') ?? false;
  const shown = legs.filter((leg) => round === null || lineOf.has(leg.ref));
  return (
    <>
      {alone.length > 0 && (
        <Caution>
          No tool in the hand does {alone.map((s) => s.ref).join(', ')} within every limit: plan each on its
          own.
        </Caution>
      )}
      <ol className={css['traveller']} aria-label="In this order">
        <li className={css['once']}>
          <span>Once, before the first: discharge and measure</span>
          <span className="digits">{exactly(before_min)}</span>
        </li>
        {shown.map((leg) => (
          <Part
            key={leg.ref}
            site={answer.sites.find((s) => s.ref === leg.ref)!}
            leg={leg}
            siteId={idOf.get(leg.ref)!}
            line={lineOf.get(leg.ref) ?? null}
            onTake={busy ? null : onTake}
          />
        ))}
        <li className={css['once']}>
          <span>Once, after the last: clean, dry, read the supply</span>
          <span className="digits">{exactly(after_min)}</span>
        </li>
        <li className={css['sum']}>
          <span>In all</span>
          <span className="digits">
            {exactly(shown.reduce((sum, leg) => sum + leg.minutes, before_min + after_min))}
          </span>
        </li>
      </ol>
    </>
  );
}

interface PartProps {
  readonly site: RecapAnswer['sites'][number];
  readonly leg: RecapAnswer['byValue']['legs'][number];
  readonly siteId: string;
  readonly line: RoundLine | null;
  /** Null while another part is under way. */
  readonly onTake: ((siteId: string) => void) | null;
}

function Part({ site, leg, siteId, line, onTake }: PartProps) {
  const mark = ROUND_MARKS[line?.status ?? 'to-do'];
  const { off, on } = site;
  return (
    <li className={css['part']} data-status={line?.status ?? 'to-do'}>
      <span className={css['mark']} aria-hidden="true">
        {mark.shape}
      </span>
      <span>
        <a href={`/sites/${siteId}/plan?goal=replace`}>{leg.ref}</a> <strong>{site.value}</strong>
        {line && line.status !== 'to-do' && (
          <em className={css['status']}>
            {line.outcome === null ? mark.words : outcomeInWords(line.outcome)}
          </em>
        )}
        {line?.status === 'done' && (
          <a className={css['sheetLink']} href={`/jobs/${line.jobId}/plan`}>
            Job sheet
          </a>
        )}
      </span>
      <span className="digits">{exactly(leg.minutes)}</span>
      <p>
        {off && <>{off.setting}; </>}
        {on && on.setting !== off?.setting && <span className="quiet">fit with {on.setting}; </span>}
        <span className="quiet">{budget((off?.damage ?? 0) + (on?.damage ?? 0))} of its pads’ budget</span>
        {leg.before.length > 0 && (
          <span className={css['before']}>
            {leg.before.map(({ what, minutes }) => `${what} ${exactly(minutes)}`).join(', ')}, itself{' '}
            {exactly(leg.own_min)}
          </span>
        )}
        {site.clinched && <em>Cut the bent leads flush first.</em>}
        {site.planePins.map((pin) => (
          <em key={pin.pad}>
            Pin {pin.pad} is on a plane: {pin.todo}.
          </em>
        ))}
      </p>
      {line?.status === 'to-do' && onTake && (
        <span className={css['ways']}>
          <Button small look="plain" onClick={() => onTake(siteId)}>
            Take up {leg.ref}
          </Button>
        </span>
      )}
      {(line?.status === 'under-way' || line?.status === 'stopped') && (
        <span className={css['ways']}>
          <ButtonLink small href={`/jobs/${line.jobId}`}>
            Go on with it
          </ButtonLink>
        </span>
      )}
    </li>
  );
}
