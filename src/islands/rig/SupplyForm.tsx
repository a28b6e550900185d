import { useState } from 'react';
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
const WHO = 'Give your initials at the top first (key @), so that the record says who did this.';

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
  const [kind, setKind] = useState<SupplySpec['kind']>('wire');
  const [name, setName] = useState('');
  const [alloy, setAlloy] = useState<AlloyId>('sn60pb40');
  const [size, setSize] = useState('0.8');
  const [left, setLeft] = useState('');
  const [low, setLow] = useState('0');
  const [error, setError] = useState<unknown>(null);
  const unit = SUPPLY_UNITS[kind];
  const write = async (): Promise<void> => {
    if (!by) {
      setError(new Error(WHO));
      return;
    }
    try {
      onDone(
        await postJson<StockedSupply>('/api/supplies', {
          name,
          spec: specOf(kind, alloy, number(size)),
          left: number(left),
          low: number(low),
          by,
        }),
      );
    } catch (refused) {
      setError(refused);
    }
  };
  return (
    <form
      className={css['form']}
      onSubmit={(event) => {
        event.preventDefault();
        void write();
      }}
    >
      <div className={css['fields']}>
        <SelectField
          label="Kind"
          value={kind}
          onChange={setKind}
          options={KINDS.map((value) => ({ value, label: SUPPLY_NAMES[value] }))}
        />
        <TextField label="Name" value={name} onChange={(event) => setName(event.target.value)} />
        {(kind === 'wire' || kind === 'paste' || kind === 'low-melt') && (
          <SelectField
            label="Alloy"
            value={alloy}
            onChange={setAlloy}
            options={ALLOY_IDS.map((value) => ({ value, label: ALLOYS[value].name }))}
          />
        )}
        {(kind === 'wire' || kind === 'braid') && (
          <TextField
            label={kind === 'wire' ? 'Diameter, mm' : 'Width, mm'}
            inputMode="decimal"
            value={size}
            onChange={(event) => setSize(event.target.value)}
          />
        )}
        <TextField
          label={`There is, ${unit}`}
          inputMode="decimal"
          value={left}
          onChange={(event) => setLeft(event.target.value)}
        />
        <TextField
          label={`Buy under, ${unit}`}
          inputMode="decimal"
          value={low}
          onChange={(event) => setLow(event.target.value)}
        />
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

function specOf(kind: SupplySpec['kind'], alloy: AlloyId, size_mm: number): unknown {
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
  const [reason, setReason] = useState<(typeof MOVE_REASONS)[number]>('counted');
  const [amount, setAmount] = useState('');
  const [error, setError] = useState<unknown>(null);
  const unit = SUPPLY_UNITS[supply.spec.kind];
  const attempt = async (work: () => Promise<void>): Promise<void> => {
    if (!by) {
      setError(new Error(WHO));
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
      onSubmit={(event) => {
        event.preventDefault();
        void attempt(async () =>
          onDone(
            await postJson<StockedSupply>('/api/supplies/moves', {
              supplyId: supply.id,
              reason,
              amount: number(amount),
              by,
            }),
          ),
        );
      }}
    >
      <Segments
        label="What happened"
        value={reason}
        onChange={setReason}
        options={MOVE_REASONS.map((value) => ({ value, label: REASON_WORDS[value] }))}
      />
      <TextField
        label={reason === 'counted' ? `There is now, ${unit}` : `How much, ${unit}`}
        inputMode="decimal"
        value={amount}
        onChange={(event) => setAmount(event.target.value)}
      />
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
