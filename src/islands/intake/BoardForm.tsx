import { useReady } from '~/ui/useReady';
import { zodResolver } from '@hookform/resolvers/zod';
import { useState } from 'react';
import { useController, useFieldArray, useForm, type Control, type Resolver } from 'react-hook-form';
import { HAZARDS } from '~/core/method/request';
import { LAMINATE_IDS, LAMINATES } from '~/core/materials/laminates';
import { FINISHES, type Finish } from '~/core/materials/finishes';
import { newBoard, type BoardRecord, type NewBoard } from '~/schema/records/board/board';
import { construction as constructionSchema } from '~/schema/values/construction';
import { constructionFrom, STACKUP_IDS, STACKUPS, type StackupId } from '~/schema/presets/stackupPresets';
import { HAZARD_WORDS } from '~/schema/words/words';
import { ApiError, patchJson, postJson } from '~/ui/api';
import { Button, ButtonLink, KeyCap } from '~/ui/controls/Button';
import { SelectField, TextField } from '~/ui/controls/Field';
import { ErrorNote } from '~/ui/controls/Notes';
import { Weight } from '~/islands/board/Weight';
import css from './intake.module.css';
import { dequal } from 'dequal';

const BLANK: NewBoard = {
  name: '',
  owner: '',
  fault: '',
  triedBefore: '',
  hazards: [],
  // Its size is measured, never guessed: the whole face is drawn to it.
  construction: constructionFrom('four-layer', Number.NaN, Number.NaN),
  finish: 'unknown',
  madeIn: null,
  asks_V: null,
  fixtures: '',
};

/** What a form may change of a board that is known. */
const told = ({
  id: _id,
  waitingFor: _w,
  nextAction: _n,
  outcome: _o,
  createdAt_ms: _c,
  revision: _r,
  ...board
}: BoardRecord): NewBoard => board;

const FIELD_WORDS: Readonly<Record<keyof NewBoard, string>> = {
  name: 'name',
  owner: 'owner',
  fault: 'what is wrong',
  triedBefore: 'what was tried',
  hazards: 'hazards',
  construction: 'what it is made of',
  finish: 'finish',
  madeIn: 'year',
  asks_V: 'what its label asks',
  fixtures: 'what must go back',
};

/** The fields in which a board differs from what this screen began with. */
const changedIn = (began: BoardRecord, now: BoardRecord): string =>
  (Object.keys(FIELD_WORDS) as (keyof NewBoard)[])
    .filter((field) => !dequal(began[field], now[field]))
    .map((field) => FIELD_WORDS[field])
    .join(', ') || 'only what it waits for';

/** A board as it comes in, or as it is told of later: what it is, what is wrong, what could hurt, what it is made of. */
export function BoardForm({ board = null }: { board?: BoardRecord | null }) {
  const form = useForm<NewBoard>({
    defaultValues: board ? told(board) : BLANK,
    resolver: zodResolver(newBoard) as unknown as Resolver<NewBoard>,
  });
  const { register, handleSubmit, formState, watch, setValue, control } = form;
  const layers = useFieldArray({ control, name: 'construction.copperLayers' });
  const [preset, setPreset] = useState<StackupId | ''>(board ? '' : 'four-layer');
  const [error, setError] = useState<unknown>(null);
  const [revision, setRevision] = useState(board?.revision ?? 1);
  const ready = useReady();
  const { errors, isSubmitting } = formState;
  const c = errors.construction;
  const made = constructionSchema.safeParse(watch('construction'));

  const submit = handleSubmit(async (given) => {
    setError(null);
    try {
      const kept = board
        ? await patchJson<BoardRecord>(`/api/boards/${board.id}`, { ...given, revision })
        : await postJson<BoardRecord>('/api/boards', given);
      window.location.href = `/boards/${kept.id}`;
    } catch (refused) {
      setError(refused);
      // Written once more it is written knowingly, over what is named below.
      if (refused instanceof ApiError && refused.kind === 'conflict')
        setRevision((refused.current as BoardRecord).revision);
    }
  });

  return (
    <form
      className={css['form']}
      onSubmit={(event) => void submit(event)}
      noValidate
      data-ready={ready || undefined}
    >
      <section>
        <h2>The board</h2>
        <TextField label="Name" autoFocus {...register('name')} fault={errors.name?.message} />
        <TextField label="Owner, by initials" {...register('owner')} fault={errors.owner?.message} />
        <TextField
          label="What is wrong with it"
          multiline
          {...register('fault')}
          fault={errors.fault?.message}
        />
        <TextField
          label="What was tried before"
          multiline
          {...register('triedBefore')}
          fault={errors.triedBefore?.message}
          hint="Log earlier repairs as findings."
        />
        <TextField
          label="Screws, links, cables: what must go back as it was"
          multiline
          {...register('fixtures')}
          fault={errors.fixtures?.message}
        />
        <fieldset className={css['hazards']}>
          <legend>Hazards, cleared before anything is powered or heated</legend>
          {HAZARDS.map((hazard) => (
            <label key={hazard}>
              <input type="checkbox" value={hazard} {...register('hazards')} /> {HAZARD_WORDS[hazard]}
            </label>
          ))}
        </fieldset>
      </section>
      <section>
        <h2>What it is made of</h2>
        <SelectField<StackupId | ''>
          label="Start from a typical board"
          value={preset}
          options={[
            ...(preset === '' ? [{ value: '' as const, label: 'as it is now' }] : []),
            ...STACKUP_IDS.map((id) => ({ value: id, label: STACKUPS[id].name })),
          ]}
          onChange={(id) => {
            if (id === '') return;
            setPreset(id);
            const { length_mm, width_mm } = form.getValues('construction');
            setValue('construction', constructionFrom(id, length_mm, width_mm));
          }}
        />
        <p role="status" className="quiet">
          {made.success ? (
            <Weight construction={made.data} />
          ) : (
            'Its weight shows once every figure is whole.'
          )}
        </p>
        <div className={css['three']}>
          <TextField
            label="Length, mm"
            type="number"
            step="any"
            {...register('construction.length_mm', { valueAsNumber: true })}
            fault={c?.length_mm?.message}
          />
          <TextField
            label="Width, mm"
            type="number"
            step="any"
            {...register('construction.width_mm', { valueAsNumber: true })}
            fault={c?.width_mm?.message}
          />
          <TextField
            label="Thickness, mm"
            type="number"
            step="any"
            {...register('construction.thickness_mm', { valueAsNumber: true })}
            fault={c?.thickness_mm?.message}
          />
        </div>
        <SelectField
          label="Laminate"
          value={watch('construction.laminate')}
          options={LAMINATE_IDS.map((id) => ({ value: id, label: LAMINATES[id].name }))}
          onChange={(laminate) => setValue('construction.laminate', laminate)}
        />
        <div className={css['two']}>
          <SelectField<Finish>
            label="Pad finish"
            value={watch('finish')}
            options={(Object.keys(FINISHES) as Finish[]).map((id) => ({ value: id, label: FINISHES[id] }))}
            onChange={(finish) => setValue('finish', finish)}
          />
          <TextField
            label="Year it was made, if known"
            type="number"
            {...register('madeIn', {
              setValueAs: (text: unknown) => (text === '' || text === null ? null : Number(text)),
            })}
            fault={errors.madeIn?.message}
          />
          <TextField
            label="Its label asks, V, if it is fed from outside"
            type="number"
            step="any"
            {...register('asks_V', {
              setValueAs: (text: unknown) => (text === '' || text === null ? null : Number(text)),
            })}
            fault={errors.asks_V?.message}
          />
        </div>
        <h3>Copper, from the top down</h3>
        {c?.copperLayers?.message && <p className={css['fault']}>{c.copperLayers.message}</p>}
        {c?.copperLayers?.root?.message && <p className={css['fault']}>{c.copperLayers.root.message}</p>}
        {layers.fields.map((layer, i) => (
          <div key={layer.id} className={css['layer']}>
            <span className="digits">{i + 1}</span>
            <TextField
              label="Copper, oz (1 oz is 35 µm)"
              type="number"
              step="any"
              {...register(`construction.copperLayers.${i}.weight_oz`, { valueAsNumber: true })}
              fault={c?.copperLayers?.[i]?.weight_oz?.message}
            />
            <CoverageField control={control} layer={i} />
            <Button small onClick={() => layers.remove(i)} aria-label={`Remove layer ${i + 1}`}>
              Remove
            </Button>
          </div>
        ))}
        <Button small onClick={() => layers.append({ weight_oz: 1, coverage: 0.3 })}>
          Add a layer
        </Button>
      </section>
      <footer>
        <ErrorNote error={error} />
        {error instanceof ApiError && error.kind === 'conflict' && board && (
          <p>
            What you typed is still here. Changed elsewhere: {changedIn(board, error.current as BoardRecord)}.
            Write once more to put yours in their place.
          </p>
        )}
        <Button type="submit" look="primary" disabled={isSubmitting}>
          {isSubmitting ? 'Writing…' : board ? 'Write the change' : 'Book it in'} <KeyCap of="Enter" />
        </Button>
        {board && <ButtonLink href={`/boards/${board.id}`}>Leave it as it was</ButtonLink>}
      </footer>
    </form>
  );
}

/** How much of a layer is copper: kept as a share, told and typed as a bench says it. */
function CoverageField({ control, layer }: { control: Control<NewBoard>; layer: number }) {
  const { field, fieldState } = useController({
    control,
    name: `construction.copperLayers.${layer}.coverage`,
  });
  return (
    <TextField
      label="Covered by copper, %"
      type="number"
      step="any"
      name={field.name}
      ref={field.ref}
      defaultValue={inPercent(field.value)}
      onBlur={field.onBlur}
      onChange={(event) => field.onChange(event.target.valueAsNumber / 100)}
      fault={
        fieldState.error &&
        (Number.isNaN(field.value) ? 'is missing; ' : `is ${inPercent(field.value)}; `) +
          'give a number from 0 to 100 %'
      }
    />
  );
}

const inPercent = (share: number): string => String(Number((100 * share).toPrecision(6)));
