import { useEffect, useState } from 'react';
import { useForm } from 'react-hook-form';
import { ALLOY_IDS, ALLOYS } from '~/core/materials/alloys';
import { FAMILY_IDS, FAMILY_TRAITS, type FamilyId } from '~/core/packages/families';
import type { BoardRecord } from '~/schema/board';
import { connection, CONNECTION_KINDS } from '~/schema/connection';
import { SURFACE_FAMILY_IDS, SURFACE_TRAITS, type SurfaceFamilyId } from '~/core/packages/surfaceFamilies';
import { anyPackage } from '~/schema/package';
import { newSite, type SiteRecord } from '~/schema/site';
import { InputError, parseInput } from '~/schema/faults';
import { ApiError, postJson } from '~/ui/api';
import { Button } from '~/ui/controls/Button';
import { Segments, SelectField, TextField } from '~/ui/controls/Field';
import { ErrorNote } from '~/ui/controls/Notes';
import { LandDrawing } from '~/ui/land/LandDrawing';
import { blankSite, FAMILY_START, padsFor, siteOf, type SiteDraft } from './siteDraft';
import { isSurfaceFamily, usualPins } from './surfaceDraft';
import { SurfaceCopper, SurfaceFields } from './SurfaceFields';
import css from './intake.module.css';

/** Places one part: where it is, its dimensions, and what copper each pin meets. */
export function NewSiteForm({ board }: { board: BoardRecord }) {
  const { length_mm, width_mm, copperLayers } = board.construction;
  const { register, handleSubmit, watch, setValue, getValues, formState } = useForm<SiteDraft>({
    defaultValues: blankSite(length_mm, width_mm),
  });
  const [error, setError] = useState<unknown>(null);
  const [pad, setPad] = useState('1');
  const [ready, setReady] = useState(false);
  useEffect(() => setReady(true), []);
  const draft = watch();
  const wanted = siteOf(draft, board.construction) as {
    package: unknown;
    pads: { name: string; net: string; connections: unknown[] }[];
  };
  const part = anyPackage.safeParse(wanted.package);
  const surface = isSurfaceFamily(draft.family) ? draft.family : null;
  const faults = error instanceof ApiError ? error.faults : [];
  const faultOf = (...paths: string[]): string | undefined =>
    faults.find((f) => paths.includes(f.path))?.message;

  const submit = handleSubmit(async () => {
    setError(null);
    try {
      const site = parseInput(newSite, siteOf(getValues(), board.construction));
      await postJson<SiteRecord>(`/api/boards/${board.id}/sites`, site);
      window.location.href = `/boards/${board.id}`;
    } catch (refused) {
      setError(
        refused instanceof InputError ? new ApiError('bad-input', refused.message, refused.faults) : refused,
      );
    }
  });
  const number = (
    label: string,
    name:
      | 'x_mm'
      | 'y_mm'
      | 'rotation_deg'
      | 'pitch_mm'
      | 'rowSpacing_mm'
      | 'leadDiameter_mm'
      | 'holeDiameter_mm'
      | 'landDiameter_mm'
      | 'bodyDiameter_mm',
  ) => (
    <TextField
      label={label}
      type="number"
      step="any"
      {...register(name, { valueAsNumber: true })}
      fault={faultOf(`$.${name}`, `$.package.${name}`)}
    />
  );

  return (
    <form
      className={css['form']}
      onSubmit={(event) => void submit(event)}
      noValidate
      data-ready={ready || undefined}
    >
      <section>
        <h2>Where</h2>
        <div className={css['two']}>
          <TextField
            label="Reference"
            autoFocus
            placeholder="C7"
            {...register('ref')}
            fault={faultOf('$.ref')}
          />
          <TextField
            label="Value"
            placeholder="220 µF 25 V"
            {...register('value')}
            fault={faultOf('$.value')}
          />
        </div>
        <Segments
          label="Part sits on the"
          value={draft.side}
          onChange={(side) => setValue('side', side)}
          options={[
            { value: 'top', label: 'top' },
            { value: 'bottom', label: 'bottom' },
          ]}
        />
        <div className={css['three']}>
          {number(`x, mm of ${length_mm}`, 'x_mm')}
          {number(`y, mm of ${width_mm}`, 'y_mm')}
          {number('Turned, °', 'rotation_deg')}
        </div>
        <SelectField
          label="Solder on the joint"
          value={draft.alloy}
          onChange={(alloy) => setValue('alloy', alloy)}
          options={ALLOY_IDS.map((id) => ({ value: id, label: ALLOYS[id].name }))}
        />
        <h2>Part</h2>
        <SelectField<FamilyId | SurfaceFamilyId>
          label="Family"
          value={draft.family}
          options={[
            ...FAMILY_IDS.map((id) => ({ value: id, label: FAMILY_TRAITS[id].name })),
            ...SURFACE_FAMILY_IDS.map((id) => ({ value: id, label: SURFACE_TRAITS[id].name })),
          ]}
          onChange={(family) => {
            setValue('family', family);
            if (isSurfaceFamily(family)) {
              setValue('surfacePins', usualPins(family));
              return;
            }
            const start = FAMILY_START[family];
            for (const [name, value] of Object.entries(start)) setValue(name as keyof typeof start, value);
            setValue('pads', padsFor(getValues('pads'), start.pins));
          }}
        />
        {surface ? (
          <SurfaceFields
            family={surface}
            draft={draft}
            register={register}
            setValue={setValue}
            faultOf={faultOf}
          />
        ) : (
          <div className={css['three']}>
            <TextField
              label="Pins"
              type="number"
              disabled={draft.family === 'radial' || draft.family === 'axial'}
              {...register('pins', {
                valueAsNumber: true,
                onChange: () => setValue('pads', padsFor(getValues('pads'), getValues('pins'))),
              })}
              fault={faultOf('$.package.pins', '$.pads')}
            />
            {number('Pitch, mm', 'pitch_mm')}
            {draft.family === 'dip'
              ? number('Row to row, mm', 'rowSpacing_mm')
              : number(draft.family === 'header' ? 'Body width, mm' : 'Body diameter, mm', 'bodyDiameter_mm')}
            {number('Lead, mm', 'leadDiameter_mm')}
            {number('Hole, mm', 'holeDiameter_mm')}
            {number('Land, mm', 'landDiameter_mm')}
          </div>
        )}
      </section>
      <section>
        <h2>Copper at each pin</h2>
        <div className={css['preview']}>
          {part.success ? (
            <LandDrawing
              part={part.data}
              from={surface ? 'part side' : 'solder side'}
              selected={pad}
              onSelect={setPad}
              pads={wanted.pads.map((p) => ({
                name: p.name,
                net: p.net,
                state: 'sound',
                connections: p.connections.flatMap((c) => {
                  const known = connection.safeParse(c);
                  return known.success ? [known.data] : [];
                }),
              }))}
            />
          ) : (
            <p className="quiet">
              {part.error.issues[0]?.path.join('.')} {part.error.issues[0]?.message}
            </p>
          )}
        </div>
        {surface ? (
          <SurfaceCopper register={register} faultOf={faultOf} />
        ) : (
          <ol className={css['pads']}>
            {draft.pads.map((p, i) => (
              <li key={i}>
                <span className="digits">{i + 1}</span>
                <TextField
                  label="Net"
                  {...register(`pads.${i}.net`)}
                  onFocus={() => setPad(String(i + 1))}
                  fault={faultOf(`$.pads[${i}].net`)}
                />
                <SelectField
                  label="Copper"
                  value={p.kind}
                  onChange={(kind) => setValue(`pads.${i}.kind`, kind)}
                  options={CONNECTION_KINDS.map((value) => ({ value, label: value.replace('-', ' ') }))}
                  fault={faultOf(`$.pads[${i}].connections`)}
                />
                {p.kind === 'track' ? (
                  <TextField
                    label="Width, mm"
                    type="number"
                    step="any"
                    {...register(`pads.${i}.width_mm`, { valueAsNumber: true })}
                    fault={faultOf(`$.pads[${i}].connections[0].width_mm`)}
                  />
                ) : p.kind === 'isolated' ? (
                  <span />
                ) : (
                  <TextField
                    label={`Layers of ${copperLayers.length}`}
                    placeholder={copperLayers.length > 2 ? '2' : '1'}
                    {...register(`pads.${i}.layers`)}
                    fault={faultOf(`$.pads[${i}].connections[0].layers`)}
                  />
                )}
              </li>
            ))}
          </ol>
        )}
      </section>
      <footer>
        <ErrorNote error={error} />
        <Button type="submit" look="primary" disabled={formState.isSubmitting}>
          {formState.isSubmitting ? 'Writing…' : 'Place it'}
        </Button>
      </footer>
    </form>
  );
}
