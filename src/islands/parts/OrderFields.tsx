import { TextField } from '~/ui/controls/Field';

/** From whom, and in how many days, as they are typed. */
export interface OrderTyped {
  readonly supplier: string;
  readonly days: string;
}

export const NO_ORDER: OrderTyped = { supplier: '', days: '' };

/** What an order is written with, whatever is ordered. */
export function OrderFields({
  typed,
  onTyped,
}: {
  readonly typed: OrderTyped;
  readonly onTyped: (typed: OrderTyped) => void;
}) {
  return (
    <>
      <TextField
        label="Ordered from"
        value={typed.supplier}
        maxLength={80}
        onChange={(event) => onTyped({ ...typed, supplier: event.target.value })}
      />
      <TextField
        label="Expected in, days"
        value={typed.days}
        inputMode="numeric"
        maxLength={4}
        autoComplete="off"
        onChange={(event) => onTyped({ ...typed, days: event.target.value })}
      />
    </>
  );
}
