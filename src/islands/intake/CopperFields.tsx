import type { UseFormReturn } from 'react-hook-form';
import { CONNECTION_KINDS } from '~/schema/values/connectionKind';
import type { Construction } from '~/schema/values/construction';
import { SelectField, TextField } from '~/ui/controls/Field';
import { blankPad, copperNotes, padByPad, type SiteDraft } from './siteDraft';
import css from './intake.module.css';

interface CopperFieldsProps {
  readonly form: UseFormReturn<SiteDraft>;
  /** Names of the part's pads. */
  readonly pads: readonly string[];
  readonly construction: Construction;
  readonly faultOf: (...paths: string[]) => string | undefined;
  /** A pad's row is being filled in. */
  readonly onPad: (pad: string) => void;
}

/** What copper each pin meets: a row each for few pins, lists of pins for many. */
export function CopperFields({ form, pads, construction, faultOf, onPad }: CopperFieldsProps) {
  const { register, setValue, watch } = form;
  const draft = watch();
  const layers = construction.copperLayers.length;
  return (
    <>
      <h2>Copper at each pin</h2>
      {padByPad(draft.part) ? (
        <ol className={css['pads']}>
          {pads.map((_, i) => {
            const { kind } = draft.pads[i] ?? blankPad();
            return (
              <li key={i}>
                <span className="digits">{i + 1}</span>
                <TextField
                  label="Net"
                  {...register(`pads.${i}.net`)}
                  onFocus={() => onPad(String(i + 1))}
                  fault={faultOf(`$.pads[${i}].net`)}
                />
                <SelectField
                  label="Copper"
                  value={kind}
                  onChange={(next) => setValue(`pads.${i}.kind`, next)}
                  options={CONNECTION_KINDS.map((value) => ({ value, label: value.replace('-', ' ') }))}
                  fault={faultOf(`$.pads[${i}].connections`)}
                />
                {kind === 'track' ? (
                  <TextField
                    label="Width, mm"
                    type="number"
                    step="any"
                    {...register(`pads.${i}.width_mm`, { valueAsNumber: true })}
                    fault={faultOf(`$.pads[${i}].connections[0].width_mm`)}
                  />
                ) : kind === 'isolated' ? (
                  <span />
                ) : (
                  <TextField
                    label={`Layers of ${layers}`}
                    placeholder={layers > 2 ? '2' : '1'}
                    {...register(`pads.${i}.layers`)}
                    fault={faultOf(`$.pads[${i}].connections[0].layers`)}
                  />
                )}
              </li>
            );
          })}
        </ol>
      ) : (
        <div className={css['three']}>
          <TextField label="Ground pins" placeholder="6, 18-20" {...register('groundPins')} />
          <TextField label="Supply pins" placeholder="17 38" {...register('supplyPins')} />
          <TextField
            label="Tracks, mm"
            type="number"
            step="any"
            {...register('trackWidth_mm', { valueAsNumber: true })}
            fault={faultOf('$.pads[0].connections[0].width_mm')}
          />
        </div>
      )}
      {copperNotes(draft, pads, construction).map((note) => (
        <p key={note} role="status" className="quiet">
          {note}
        </p>
      ))}
    </>
  );
}
