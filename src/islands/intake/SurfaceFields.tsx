import type { UseFormRegister, UseFormSetValue } from 'react-hook-form';
import { CHIP_CODES } from '~/core/packages/outlines';
import type { SurfaceFamilyId } from '~/core/packages/surfaceFamilies';
import { SelectField, TextField } from '~/ui/controls/Field';
import type { SiteDraft } from './siteDraft';
import { takesPins } from './surfaceDraft';
import css from './intake.module.css';

interface SurfaceFieldsProps {
  readonly family: SurfaceFamilyId;
  readonly draft: SiteDraft;
  readonly register: UseFormRegister<SiteDraft>;
  readonly setValue: UseFormSetValue<SiteDraft>;
  readonly faultOf: (...paths: string[]) => string | undefined;
}

/** The few figures of a surface part that are not its family's usual ones. */
export function SurfaceFields({ family, draft, register, setValue, faultOf }: SurfaceFieldsProps) {
  return (
    <div className={css['three']}>
      {family === 'chip' && (
        <SelectField
          label="Size"
          value={draft.code}
          onChange={(code) => setValue('code', code)}
          options={CHIP_CODES.map((value) => ({ value, label: value }))}
          fault={faultOf('$.package.code')}
        />
      )}
      {family === 'canElectrolytic' && (
        <TextField
          label="Can, mm"
          type="number"
          step="any"
          {...register('canDiameter_mm', { valueAsNumber: true })}
          fault={faultOf('$.package.bodyDiameter_mm')}
        />
      )}
      {takesPins(family) && (
        <>
          <TextField
            label="Pins"
            type="number"
            {...register('surfacePins', { valueAsNumber: true })}
            fault={faultOf('$.package.pins')}
          />
          <TextField
            label="Pitch, mm"
            placeholder="usual"
            inputMode="decimal"
            {...register('surfacePitch_mm')}
            fault={faultOf('$.package.pitch_mm')}
          />
        </>
      )}
    </div>
  );
}

/** Copper of a surface part in three strokes: which pins are ground, which a supply, how wide the tracks are. */
export function SurfaceCopper({ register, faultOf }: Pick<SurfaceFieldsProps, 'register' | 'faultOf'>) {
  return (
    <>
      <TextField label="Ground pins" placeholder="6, 18-20" {...register('groundPins')} />
      <TextField label="Supply pins" placeholder="17 38" {...register('supplyPins')} />
      <TextField
        label="Tracks, mm"
        type="number"
        step="any"
        {...register('trackWidth_mm', { valueAsNumber: true })}
        fault={faultOf('$.pads[0].connections[0].width_mm')}
      />
    </>
  );
}
