import { useState } from 'react';
import { PREHEATERS, PREHEATER_IDS } from '~/core/materials/air';
import { TIP_CONSTRUCTION_IDS, TIP_CONSTRUCTIONS, TIP_SHAPE_IDS, TIP_SHAPES } from '~/core/materials/tips';
import { TOOL_PRESETS } from '~/schema/presets/toolPresets';
import type { ToolRecord } from '~/schema/records/rig/tool';
import { ApiError, patchJson, postJson } from '~/ui/api';
import { Button } from '~/ui/controls/Button';
import { SelectField, TextField } from '~/ui/controls/Field';
import { ErrorNote } from '~/ui/controls/Notes';
import { InputError } from '~/schema/values/faults';
import { draftOf, NEW_END, toolOf, type EndDraft, type ToolDraft } from './toolDraft';
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
  const [draft, setDraft] = useState<ToolDraft>(draftOf(tool ?? TOOL_PRESETS[0]!));
  const [revision, setRevision] = useState(tool?.revision ?? 0);
  const [error, setError] = useState<unknown>(null);
  const set = (part: Partial<ToolDraft>): void => setDraft({ ...draft, ...part });
  const setEnd = (at: number, part: Partial<EndDraft>): void =>
    set({ ends: draft.ends.map((end, i) => (i === at ? { ...end, ...part } : end)) });
  const text = (key: keyof ToolDraft, label: string, hint?: string) => (
    <TextField
      label={label}
      hint={hint}
      value={draft[key] as string}
      inputMode={key === 'name' ? 'text' : 'decimal'}
      onChange={(event) => set({ [key]: event.target.value })}
    />
  );

  const write = async (retired: boolean): Promise<void> => {
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
      onSubmit={(event) => {
        event.preventDefault();
        void write(false);
      }}
    >
      {!tool && (
        <SelectField
          label="Begin from"
          value={preset}
          onChange={(name) => {
            setPreset(name);
            setDraft(draftOf(TOOL_PRESETS.find((p) => p.name === name)!));
          }}
          options={TOOL_PRESETS.map((p) => ({ value: p.name, label: p.name }))}
        />
      )}
      <div className={css['fields']}>
        {text('name', 'Name')}
        {'power' in draft &&
          draft.kind !== 'hot-air' &&
          draft.kind !== 'preheater' &&
          text('power', 'Power, W')}
        {draft.kind === 'preheater' && (
          <SelectField
            label="Heat"
            value={draft.heat}
            onChange={(heat) => set({ heat })}
            options={PREHEATER_IDS.map((value) => ({ value, label: PREHEATERS[value].name }))}
          />
        )}
        {text('low', 'Lowest, °C')}
        {text('high', 'Highest, °C')}
        {draft.kind === 'hot-air' && text('flowLow', 'Least air, L/min')}
        {draft.kind === 'hot-air' && text('flowHigh', 'Most air, L/min')}
      </div>
      {draft.kind !== 'preheater' && (
        <fieldset className={css['ends']}>
          <legend>{draft.kind === 'iron' || draft.kind === 'tweezers' ? 'Tips' : 'Nozzles'}</legend>
          {draft.ends.map((end, i) => (
            <div key={i} className={css['end']}>
              {(draft.kind === 'iron' || draft.kind === 'tweezers') && (
                <>
                  <SelectField
                    label="Shape"
                    value={end.shape}
                    onChange={(shape) => setEnd(i, { shape })}
                    options={TIP_SHAPE_IDS.map((value) => ({ value, label: TIP_SHAPES[value].name }))}
                  />
                  <SelectField
                    label="Build"
                    value={end.construction}
                    onChange={(construction) => setEnd(i, { construction })}
                    options={TIP_CONSTRUCTION_IDS.map((value) => ({
                      value,
                      label: TIP_CONSTRUCTIONS[value].name,
                    }))}
                  />
                </>
              )}
              <TextField
                label={FIRST[draft.kind]}
                inputMode="decimal"
                value={end.a}
                onChange={(event) => setEnd(i, { a: event.target.value })}
              />
              {(draft.kind === 'gun' || draft.kind === 'hot-air') && (
                <TextField
                  label={draft.kind === 'gun' ? 'Outer, mm' : 'Height, mm (round: none)'}
                  inputMode="decimal"
                  value={end.b}
                  onChange={(event) => setEnd(i, { b: event.target.value })}
                />
              )}
              <Button
                small
                disabled={draft.ends.length === 1}
                aria-label={`Take ${i + 1} away`}
                onClick={() => set({ ends: draft.ends.toSpliced(i, 1) })}
              >
                Take away
              </Button>
            </div>
          ))}
          <Button small onClick={() => set({ ends: [...draft.ends, draft.ends.at(-1) ?? NEW_END] })}>
            One more
          </Button>
        </fieldset>
      )}
      <div className={css['fields']}>
        {draft.kind !== 'preheater' &&
          text(
            'offset',
            'Reaches less what it shows, K',
            'By tip thermometer or thermocouple; −8: it is 8 K colder than it shows.',
          )}
        {draft.kind !== 'preheater' &&
          draft.kind !== 'hot-air' &&
          text('hours', 'Hours on its tips', 'Worn tips pass less heat.')}
        {draft.kind === 'gun' && text('clogged', 'Bore closed, %')}
      </div>
      <ErrorNote error={error} />
      <div className={css['row']}>
        <Button type="submit" look="primary">
          {tool ? 'Write it' : 'Add it'}
        </Button>
        {tool && <Button onClick={() => void write(true)}>Out of use</Button>}
        <Button look="plain" onClick={onShut}>
          Shut
        </Button>
      </div>
    </form>
  );
}

const FIRST: Readonly<Record<ToolDraft['kind'], string>> = {
  iron: 'Width, mm',
  tweezers: 'Width, mm',
  gun: 'Bore, mm',
  'hot-air': 'Width or diameter, mm',
  preheater: '',
};
