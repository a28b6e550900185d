import { useState } from 'react';
import { useFieldArray, useForm } from 'react-hook-form';
import { PREHEATERS, PREHEATER_IDS } from '~/core/materials/air';
import { TIP_CONSTRUCTION_IDS, TIP_CONSTRUCTIONS, TIP_SHAPE_IDS, TIP_SHAPES } from '~/core/materials/tips';
import { TOOL_PRESETS } from '~/schema/presets/toolPresets';
import type { ToolRecord } from '~/schema/records/rig/tool';
import { ApiError, patchJson, postJson } from '~/ui/api';
import { Button } from '~/ui/controls/Button';
import { SelectField, TextField } from '~/ui/controls/Field';
import { ErrorNote } from '~/ui/controls/Notes';
import { InputError } from '~/schema/values/faults';
import { draftOf, NEW_END, toolOf, type ToolDraft } from './toolDraft';
import css from './rig.module.css';

/** One tool: what it can do, and the state it is in. A new one begins from a generic preset. */
export function ToolForm({
  tool,
  now_ms,
  onDone,
  onShut,
}: {
  readonly tool: ToolRecord | null;
  readonly now_ms: () => number;
  readonly onDone: (tool: ToolRecord, told: string) => void;
  readonly onShut: () => void;
}) {
  const [preset, setPreset] = useState(TOOL_PRESETS[0]!.name);
  const { register, control, handleSubmit, watch, getValues, setValue, reset } = useForm<ToolDraft>({
    defaultValues: draftOf(tool ?? TOOL_PRESETS[0]!),
  });
  const ends = useFieldArray({ control, name: 'ends' });
  const [revision, setRevision] = useState(tool?.revision ?? 0);
  const [error, setError] = useState<unknown>(null);
  const kind = watch('kind');
  const tips = kind === 'iron' || kind === 'tweezers';
  const text = (key: TypedKey, label: string, hint?: string) => (
    <TextField label={label} hint={hint} inputMode={key === 'name' ? 'text' : 'decimal'} {...register(key)} />
  );

  const write = async (draft: ToolDraft, retired: boolean): Promise<void> => {
    try {
      const moved = tool === null || draft.offset !== draftOf(tool).offset;
      const given = toolOf(
        draft,
        moved && Number(draft.offset) !== 0 ? now_ms() : (tool?.checkedAt_ms ?? null),
      );
      const written = tool
        ? await patchJson<ToolRecord>(`/api/tools/${tool.id}`, { ...given, retired, revision })
        : await postJson<ToolRecord>('/api/tools', given);
      onDone(written, retired ? `${written.name} is out of use.` : `${written.name} is on the rig.`);
    } catch (refused) {
      // Another screen wrote meanwhile: what is typed here can be written over it knowingly.
      if (refused instanceof ApiError && refused.kind === 'conflict' && refused.current)
        setRevision((refused.current as { now: ToolRecord }).now.revision);
      setError(
        refused instanceof InputError
          ? new ApiError('bad-input', 'is not complete', refused.faults)
          : refused,
      );
    }
  };

  return (
    <form
      className={css['form']}
      onSubmit={(event) => void handleSubmit((draft) => write(draft, false))(event)}
    >
      {!tool && (
        <SelectField
          label="Begin from"
          value={preset}
          onChange={(name) => {
            setPreset(name);
            reset(draftOf(TOOL_PRESETS.find((p) => p.name === name)!));
          }}
          options={TOOL_PRESETS.map((p) => ({ value: p.name, label: p.name }))}
        />
      )}
      <div className={css['fields']}>
        {text('name', 'Name')}
        {kind !== 'hot-air' && kind !== 'preheater' && text('power', 'Power, W')}
        {kind === 'preheater' && (
          <SelectField
            label="Heat"
            value={watch('heat')}
            onChange={(heat) => setValue('heat', heat)}
            options={PREHEATER_IDS.map((value) => ({ value, label: PREHEATERS[value].name }))}
          />
        )}
        {text('low', 'Lowest, °C')}
        {text('high', 'Highest, °C')}
        {kind === 'hot-air' && text('flowLow', 'Least air, L/min')}
        {kind === 'hot-air' && text('flowHigh', 'Most air, L/min')}
      </div>
      {kind !== 'preheater' && (
        <fieldset className={css['ends']}>
          <legend>{tips ? 'Tips' : 'Nozzles'}</legend>
          {ends.fields.map((end, i) => (
            <div key={end.id} className={css['end']}>
              {tips && (
                <>
                  <SelectField
                    label="Shape"
                    value={watch(`ends.${i}.shape`)}
                    onChange={(shape) => setValue(`ends.${i}.shape`, shape)}
                    options={TIP_SHAPE_IDS.map((value) => ({ value, label: TIP_SHAPES[value].name }))}
                  />
                  <SelectField
                    label="Build"
                    value={watch(`ends.${i}.construction`)}
                    onChange={(construction) => setValue(`ends.${i}.construction`, construction)}
                    options={TIP_CONSTRUCTION_IDS.map((value) => ({
                      value,
                      label: TIP_CONSTRUCTIONS[value].name,
                    }))}
                  />
                </>
              )}
              <TextField label={FIRST[kind]} inputMode="decimal" {...register(`ends.${i}.a`)} />
              {(kind === 'gun' || kind === 'hot-air') && (
                <TextField
                  label={kind === 'gun' ? 'Outer, mm' : 'Height, mm (round: none)'}
                  inputMode="decimal"
                  {...register(`ends.${i}.b`)}
                />
              )}
              {kind === 'hot-air' && (
                <TextField label="Slots, mm (hood)" inputMode="decimal" {...register(`ends.${i}.c`)} />
              )}
              <Button
                small
                disabled={ends.fields.length === 1}
                aria-label={`Take ${i + 1} away`}
                onClick={() => ends.remove(i)}
              >
                Take away
              </Button>
            </div>
          ))}
          <Button small onClick={() => ends.append(getValues('ends').at(-1) ?? NEW_END)}>
            One more
          </Button>
        </fieldset>
      )}
      <div className={css['fields']}>
        {kind !== 'preheater' &&
          text(
            'offset',
            'Reaches less what it shows, K',
            'By tip thermometer or thermocouple; −8: it is 8 K colder than it shows.',
          )}
        {kind !== 'preheater' &&
          kind !== 'hot-air' &&
          text('hours', 'Hours on its tips', 'Worn tips pass less heat.')}
        {kind === 'gun' && text('clogged', 'Bore closed, %')}
      </div>
      <ErrorNote error={error} />
      <div className={css['row']}>
        <Button type="submit" look="primary">
          {tool ? 'Write it' : 'Add it'}
        </Button>
        {tool && (
          <Button onClick={() => void handleSubmit((draft) => write(draft, true))()}>Out of use</Button>
        )}
        <Button look="plain" onClick={onShut}>
          Shut
        </Button>
      </div>
    </form>
  );
}

/** Fields that are typed as they are. */
type TypedKey = 'name' | 'power' | 'low' | 'high' | 'flowLow' | 'flowHigh' | 'offset' | 'hours' | 'clogged';

const FIRST: Readonly<Record<ToolDraft['kind'], string>> = {
  iron: 'Width, mm',
  tweezers: 'Width, mm',
  gun: 'Bore, mm',
  'hot-air': 'Width or diameter, mm',
  preheater: '',
};
