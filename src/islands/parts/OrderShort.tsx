import { useStore } from '@nanostores/react';
import { useState } from 'react';
import type { PartOrderRow } from '~/schema/records/parts/partOrder';
import { postJson } from '~/ui/api';
import { Button } from '~/ui/controls/Button';
import { ErrorNote } from '~/ui/controls/Notes';
import { $by, SIGN_FIRST } from '~/ui/preferences';
import { expectedIn_ms } from './expectedIn';
import { NO_ORDER, OrderFields } from './OrderFields';
import css from './parts.module.css';

/** Orders what a kit is short of, for its board. */
export function OrderShort({
  boardId,
  recapId,
  count,
}: {
  readonly boardId: string;
  readonly recapId: string;
  readonly count: number;
}) {
  const by = useStore($by);
  const [typed, setTyped] = useState(NO_ORDER);
  const [error, setError] = useState<unknown>(null);
  const [made, setMade] = useState<PartOrderRow | null>(null);
  const order = async (): Promise<void> => {
    try {
      if (!by) throw new Error(SIGN_FIRST);
      setMade(
        await postJson<PartOrderRow>(`/api/boards/${boardId}/recaps/${recapId}/order`, {
          supplier: typed.supplier.trim(),
          expected_ms: expectedIn_ms(typed.days),
          by,
        }),
      );
      setError(null);
    } catch (refused) {
      setError(refused);
    }
  };
  if (made)
    return (
      <p role="status" className={css['told']}>
        Ordered from {made.supplier} for this board. <a href="/parts?place=orders">To the orders</a>
      </p>
    );
  return (
    <form
      aria-label="Order what is short"
      className={`${css['row']} ${css['onScreen']}`}
      onSubmit={(event) => {
        event.preventDefault();
        void order();
      }}
    >
      <OrderFields typed={typed} onTyped={setTyped} />
      <Button type="submit" look="primary" disabled={typed.supplier.trim() === ''}>
        {count === 1 ? 'Order the one that is short' : `Order the ${count} that are short`}
      </Button>
      <ErrorNote error={error} />
    </form>
  );
}
