import { SIGN_FIRST } from '~/ui/preferences';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { ALLOYS, ALLOY_IDS, type AlloyId } from '~/core/materials/alloys';
import { SUPPLY_NAMES } from '~/schema/exchange/si/supplies';
import type { StockedSupply } from '~/schema/records/rig/supply';
import { MOVE_REASONS, SUPPLY_UNITS, type SupplySpec } from '~/schema/values/supplySpec';
import { deleteJson, postJson } from '~/ui/api';
import { Button } from '~/ui/controls/Button';
import { Segments, SelectField, TextField } from '~/ui/controls/Field';
import { ErrorNote } from '~/ui/controls/Notes';
import { number } from './toolDraft';
import css from './rig.module.css';

const KINDS = Object.keys(SUPPLY_NAMES) as SupplySpec['kind'][];

/** A supply as it is typed; which fields count depends on its kind. */
interface SupplyDraft {
  readonly kind: SupplySpec['kind'];
  readonly name: string;
  readonly alloy: AlloyId;
  readonly size: string;
  readonly left: string;
  readonly low: string;
  readonly batch: string;
}

const NEW_SUPPLY: SupplyDraft = {
  kind: 'wire',
  name: '',
  alloy: 'sn60pb40',
  size: '0.8',
  left: '',
  low: '0',
  batch: '',
};

/** A supply that is new to the rig. */
export function NewSupplyForm({
  by,
  onDone,
  onShut,
}: {
  readonly by: string;
  readonly onDone: (supply: StockedSupply) => void;
  readonly onShut: () => void;
}) {
  const { register, handleSubmit, watch, setValue } = useForm<SupplyDraft>({ defaultValues: NEW_SUPPLY });
  const [error, setError] = useState<unknown>(null);
  const [kind, alloy] = watch(['kind', 'alloy']);
  const unit = SUPPLY_UNITS[kind];
  const write = async (draft: SupplyDraft): Promise<void> => {
    if (!by) {
      setError(new Error(SIGN_FIRST));
      return;
    }
    try {
      onDone(
        await postJson<StockedSupply>('/api/supplies', {
          name: draft.name,
          spec: specOf(draft),
          left: number(draft.left),
          low: number(draft.low),
          batch: draft.batch,
          by,
        }),
      );
    } catch (refused) {
      setError(refused);
    }
  };
  return (
    <form className={css['form']} onSubmit={(event) => void handleSubmit(write)(event)}>
      <div className={css['fields']}>
        <SelectField
          label="Kind"
          value={kind}
          onChange={(to) => setValue('kind', to)}
          options={KINDS.map((value) => ({ value, label: SUPPLY_NAMES[value] }))}
        />
        <TextField label="Name" {...register('name')} />
        {(kind === 'wire' || kind === 'paste' || kind === 'low-melt') && (
          <SelectField
            label="Alloy"
            value={alloy}
            onChange={(to) => setValue('alloy', to)}
            options={ALLOY_IDS.map((value) => ({ value, label: ALLOYS[value].name }))}
          />
        )}
        {(kind === 'wire' || kind === 'braid') && (
          <TextField
            label={kind === 'wire' ? 'Diameter, mm' : 'Width, mm'}
            inputMode="decimal"
            {...register('size')}
          />
        )}
        <TextField label={`There is, ${unit}`} inputMode="decimal" {...register('left')} />
        <TextField label={`Buy under, ${unit}`} inputMode="decimal" {...register('low')} />
        <TextField label="Batch, if it is marked" {...register('batch')} />
      </div>
      <ErrorNote error={error} />
      <div className={css['row']}>
        <Button type="submit" look="primary">
          Add it
        </Button>
        <Button look="plain" onClick={onShut}>
          Shut
        </Button>
      </div>
    </form>
  );
}

function specOf({ kind, alloy, size }: SupplyDraft): unknown {
  const size_mm = number(size);
  switch (kind) {
    case 'wire':
      return { kind, alloy, diameter_mm: size_mm };
    case 'braid':
      return { kind, width_mm: size_mm };
    case 'low-melt':
    case 'paste':
      return { kind, alloy };
    default:
      return { kind };
  }
}

const REASON_WORDS = { counted: 'counted', bought: 'bought', used: 'used', thrown: 'thrown away' } as const;

/** What is used or thrown away is of the batch that is there. */
const tellsBatch = (reason: MoveDraft['reason']): boolean => reason === 'counted' || reason === 'bought';

interface MoveDraft {
  readonly reason: (typeof MOVE_REASONS)[number];
  readonly amount: string;
  readonly batch: string;
}

/** What came or went of a supply, or how much was counted: an entry in its ledger. */
export function MoveForm({
  supply,
  by,
  onDone,
  onGone,
  onShut,
}: {
  readonly supply: StockedSupply;
  readonly by: string;
  readonly onDone: (supply: StockedSupply) => void;
  readonly onGone: () => void;
  readonly onShut: () => void;
}) {
  const { register, handleSubmit, watch, setValue } = useForm<MoveDraft>({
    defaultValues: { reason: 'counted', amount: '', batch: '' },
  });
  const reason = watch('reason');
  const [error, setError] = useState<unknown>(null);
  const unit = SUPPLY_UNITS[supply.spec.kind];
  const attempt = async (work: () => Promise<void>): Promise<void> => {
    if (!by) {
      setError(new Error(SIGN_FIRST));
      return;
    }
    try {
      await work();
    } catch (refused) {
      setError(refused);
    }
  };
  return (
    <form
      className={css['form']}
      onSubmit={(event) =>
        void handleSubmit((draft) =>
          attempt(async () =>
            onDone(
              await postJson<StockedSupply>('/api/supplies/moves', {
                supplyId: supply.id,
                reason: draft.reason,
                amount: number(draft.amount),
                ...(tellsBatch(draft.reason) && { batch: draft.batch }),
                by,
              }),
            ),
          ),
        )(event)
      }
    >
      <Segments
        label="What happened"
        value={reason}
        onChange={(to) => setValue('reason', to)}
        options={MOVE_REASONS.map((value) => ({ value, label: REASON_WORDS[value] }))}
      />
      <TextField
        label={reason === 'counted' ? `There is now, ${unit}` : `How much, ${unit}`}
        inputMode="decimal"
        {...register('amount')}
      />
      {tellsBatch(reason) && (
        <TextField label="Batch in use from now on, if it is another" {...register('batch')} />
      )}
      <ErrorNote error={error} />
      <div className={css['row']}>
        <Button type="submit" look="primary">
          Write it
        </Button>
        <Button
          onClick={() =>
            void attempt(async () => {
              await deleteJson(`/api/supplies/${supply.id}?revision=${supply.revision}`);
              onGone();
            })
          }
        >
          Out of use
        </Button>
        <Button look="plain" onClick={onShut}>
          Shut
        </Button>
      </div>
    </form>
  );
}
