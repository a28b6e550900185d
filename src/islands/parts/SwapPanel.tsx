import { useStore } from '@nanostores/react';
import { useState } from 'react';
import { USES, type Circuit } from '~/core/electrical/swap/rule';
import type { SwapAnswer } from '~/core/electrical/swap/check';
import { valueInWords } from '~/core/quantity/partValue';
import type { StockSwapAnswer } from '~/schema/sheets/stockSwap';
import { partInWords } from '~/schema/words/partWords';
import type { StockPart } from '~/schema/records/parts/stockPart';
import { postJson } from '~/ui/api';
import { $by, SIGN_FIRST } from '~/ui/preferences';
import { Button, ButtonLink } from '~/ui/controls/Button';
import { Segments, SelectField, TextField } from '~/ui/controls/Field';
import { ErrorNote } from '~/ui/controls/Notes';
import type { PartInput } from '~/schema/exchange/parts/part';
import { draftOfPart, figure, NO_PART, partOfDraft } from './partDraft';
import { PartFields } from './PartFields';
import { SiteReadings } from './SiteReadings';
import css from './parts.module.css';

const USE_WORDS: Readonly<Record<NonNullable<Circuit['use']>, string>> = {
  filter: 'filters or stores',
  coupling: 'couples',
  timing: 'times',
  'across-mains': 'across the mains',
  'line-to-earth': 'line to earth',
  'switching-output': 'output of a switching supply',
};
const VERDICT_WORDS: Readonly<Record<SwapAnswer['verdict'], string>> = {
  fit: 'fits',
  'fit-with-note': 'fits, with a note',
  'do-not-fit': 'do not fit',
};

/** A site that a part is looked for, and what stood there as far as its value tells. */
export interface Wanted {
  readonly id: string;
  readonly ref: string;
  readonly part: PartInput | null;
  /** When its board was made; null where nobody knows. */
  readonly boardYear: number | null;
}

/** Whether one part may stand for another, and what the drawers have for it. */
export function SwapPanel({ wanted }: { readonly wanted: Wanted | null }) {
  const [original, setOriginal] = useState(wanted?.part ? draftOfPart(wanted.part) : NO_PART);
  const [candidate, setCandidate] = useState(NO_PART);
  const [against, setAgainst] = useState<'stock' | 'one'>('stock');
  const [use, setUse] = useState<NonNullable<Circuit['use']> | ''>('');
  const [circuit, setCircuit] = useState({ volts: '', input: '', amps: '', sink: '' });
  const [answer, setAnswer] = useState<StockSwapAnswer | null>(null);
  const [error, setError] = useState<unknown>(null);
  const [told, setTold] = useState<string | null>(null);
  const by = useStore($by);
  const ask = async (): Promise<void> => {
    try {
      setAnswer(
        await postJson<StockSwapAnswer>('/api/parts/swap', {
          original: partOfDraft(original),
          candidate: against === 'one' ? partOfDraft({ ...candidate, kind: original.kind }) : null,
          circuit: {
            ...(use === '' ? {} : { use }),
            voltage_V: figure(circuit.volts),
            input_V: figure(circuit.input),
            current_A: figure(circuit.amps),
            heatSink_K_W: figure(circuit.sink),
          },
          siteId: wanted?.id ?? null,
        }),
      );
      setError(null);
    } catch (refused) {
      setAnswer(null);
      setError(refused);
    }
  };
  const fit = async (line: StockPart): Promise<void> => {
    try {
      if (!by) throw new Error(SIGN_FIRST);
      const left = await postJson<StockPart>(`/api/parts/${line.id}/moves`, {
        reason: 'fitted',
        amount: 1,
        siteId: wanted!.id,
        by,
      });
      setTold(
        `${partInWords(line.part)} goes on ${wanted!.ref}; ${left.count} left in ${left.drawer || 'no drawer'}.`,
      );
      await ask();
    } catch (refused) {
      setError(refused);
    }
  };
  const text = (field: keyof typeof circuit, label: string) => (
    <TextField
      label={label}
      value={circuit[field]}
      inputMode="decimal"
      autoComplete="off"
      maxLength={12}
      onChange={(event) => setCircuit({ ...circuit, [field]: event.target.value })}
    />
  );
  const regulator = original.kind === 'regulator';
  const standing = wanted && partOrNull(original);
  return (
    <section aria-label="Swap check">
      {wanted && standing && (
        <SiteReadings
          siteId={wanted.id}
          siteRef={wanted.ref}
          part={standing}
          boardYear={wanted.boardYear}
          by={by}
        />
      )}
      <form
        className={css['form']}
        onSubmit={(event) => {
          event.preventDefault();
          void ask();
        }}
      >
        <h2>What stood {wanted ? `on ${wanted.ref}` : 'there'}</h2>
        <PartFields draft={original} onChange={setOriginal} without={['source', 'looks']} />
        <h2>Where it stands, as far as it is known</h2>
        <div className={css['fields']}>
          {original.kind === 'capacitor' && (
            <SelectField
              label="What it does"
              value={use}
              onChange={setUse}
              options={[
                { value: '', label: 'not known' },
                ...USES.map((value) => ({ value, label: USE_WORDS[value] })),
              ]}
            />
          )}
          {regulator ? text('input', 'Input, V') : text('volts', 'Voltage there, V')}
          {regulator && text('amps', 'Current, A')}
          {regulator && text('sink', 'Heat sink, K/W (none: empty)')}
        </div>
        <Segments
          label="Held against"
          value={against}
          onChange={setAgainst}
          options={[
            { value: 'stock', label: 'what the drawers have' },
            { value: 'one', label: 'one that I have' },
          ]}
        />
        {against === 'one' && (
          <PartFields
            draft={{ ...candidate, kind: original.kind, technology: candidate.technology }}
            onChange={setCandidate}
            without={['kind']}
          />
        )}
        <ErrorNote error={error} />
        <div className={css['row']}>
          <Button type="submit" look="primary">
            Check it
          </Button>
        </div>
      </form>
      {answer?.answer && (
        <>
          <h2 role="status" data-verdict={answer.answer.verdict} className={css['verdict']}>
            It {VERDICT_WORDS[answer.answer.verdict]}
          </h2>
          <Checks answer={answer.answer} />
        </>
      )}
      {told && (
        <p role="status" className={css['told']}>
          {told}
        </p>
      )}
      {answer && (
        <>
          <h2>In the drawers</h2>
          {answer.fromStock.length === 0 && <p>Nothing of that kind is in the drawers, released.</p>}
          <ul className={css['lines']}>
            {answer.fromStock.map(({ line, answer: own }) => (
              <li key={line.id}>
                <details className={css['swap']} open={own.verdict !== 'do-not-fit'}>
                  <summary>
                    <strong data-verdict={own.verdict}>{VERDICT_WORDS[own.verdict]}</strong>{' '}
                    {partInWords(line.part)}, <span className="digits">{line.count}</span> in{' '}
                    {line.drawer || 'no drawer'}
                  </summary>
                  <Checks answer={own} />
                  {wanted && own.verdict !== 'do-not-fit' && (
                    <Button small onClick={() => void fit(line)}>
                      It goes on {wanted.ref}: take one out
                    </Button>
                  )}
                </details>
              </li>
            ))}
          </ul>
          {answer.donors.length > 0 && <Donors donors={answer.donors} />}
          {answer.combinations.length > 0 && (
            <>
              <h2>Two for one</h2>
              <ul className={css['past']}>
                {answer.combinations.map((c) => (
                  <li key={`${c.how} ${c.lines.map((l) => l.id).join(' ')}`}>
                    <strong data-verdict={c.verdict}>{VERDICT_WORDS[c.verdict]}</strong>{' '}
                    {c.lines.map((l) => `${partInWords(l.part)} (${l.drawer})`).join(' + ')} in {c.how}:{' '}
                    {valueInWords(c.value, original.kind === 'capacitor' ? 'capacitance' : 'resistance')} ±
                    {(100 * c.tolerance).toFixed(0)} %
                    {c.rating_V === null ? '' : `, ${c.rating_V.toFixed(0)} V`}; {c.notes.join('; ')}.
                  </li>
                ))}
              </ul>
            </>
          )}
        </>
      )}
    </section>
  );
}

/** A part as it is told so far; null where a figure of it cannot be read. */
function partOrNull(draft: Parameters<typeof partOfDraft>[0]): PartInput | null {
  try {
    return partOfDraft(draft);
  } catch {
    return null;
  }
}

/** Parts of other boards that would do: taken off with “keep the part”, they go into a drawer from their own site. */
function Donors({ donors }: { readonly donors: StockSwapAnswer['donors'] }) {
  return (
    <>
      <h2>On other boards</h2>
      <ul className={css['past']}>
        {donors.map(({ siteId, ref, board, boardId, scrapped, part, answer, heats }) => (
          <li key={siteId}>
            <strong data-verdict={answer.verdict}>{VERDICT_WORDS[answer.verdict]}</strong>{' '}
            <a href={`/boards/${boardId}?site=${siteId}`}>
              {ref}, {board}
            </a>
            {scrapped ? ', scrapped' : ', still to be mended'}: {partInWords(part)}, soldered {heats} times
            once it is off.{' '}
            <ButtonLink small look="plain" href={`/sites/${siteId}/plan?goal=remove-keep-part`}>
              Plan taking it off
            </ButtonLink>
          </li>
        ))}
      </ul>
    </>
  );
}

/** Every rule's word, what speaks against it first. */
function Checks({ answer }: { readonly answer: SwapAnswer }) {
  const order = ['do-not-fit', 'fit-with-note', 'fit'];
  const checks = [...answer.checks].sort((a, b) => order.indexOf(a.verdict) - order.indexOf(b.verdict));
  return (
    <table className={css['checks']}>
      <tbody>
        {checks.map((check) => (
          <tr key={check.rule}>
            <th scope="row">{check.rule}</th>
            <td data-verdict={check.verdict}>{VERDICT_WORDS[check.verdict]}</td>
            <td>
              {check.reason}
              {check.turnedBy && check.verdict !== 'fit' && <em> It would take {check.turnedBy}.</em>}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
