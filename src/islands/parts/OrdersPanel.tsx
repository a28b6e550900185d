import { useStore } from '@nanostores/react';
import { useState } from 'react';
import type { PartOrderRow } from '~/schema/records/parts/partOrder';
import type { OrdersSheet } from '~/schema/sheets/ordersSheet';
import { partInWords } from '~/schema/words/partWords';
import { postJson } from '~/ui/api';
import { Button, ButtonLink } from '~/ui/controls/Button';
import { TextField } from '~/ui/controls/Field';
import { ErrorNote } from '~/ui/controls/Notes';
import { day } from '~/ui/dates';
import { $by, SIGN_FIRST } from '~/ui/preferences';
import { expectedIn_ms } from './expectedIn';
import { NO_ORDER, OrderFields } from './OrderFields';
import css from './parts.module.css';

/** What is on its way and for whom, what came, and what should be ordered. */
export function OrdersPanel({ sheet }: { readonly sheet: OrdersSheet }) {
  const [orders, setOrders] = useState(sheet.orders);
  const [error, setError] = useState<unknown>(null);
  const [told, setTold] = useState<string | null>(null);
  const by = useStore($by);
  const wordsOf = (id: string): string => {
    const line = [...sheet.lines, ...sheet.short].find((l) => l.id === id);
    return line ? partInWords(line.part) : id;
  };
  const doing = async (work: () => Promise<void>): Promise<void> => {
    try {
      if (!by) throw new Error(SIGN_FIRST);
      await work();
      setError(null);
    } catch (refused) {
      setError(refused);
    }
  };
  const arrived = (
    order: PartOrderRow,
    received: readonly { partId: string; count: number; batch: string }[],
  ) =>
    doing(async () => {
      const ended = await postJson<PartOrderRow>(`/api/orders/${order.id}/arrived`, {
        received,
        by,
        revision: order.revision,
      });
      setOrders(orders.map((o) => (o.id === order.id ? ended : o)));
      setTold(
        `The order from ${order.supplier} is in its drawers, held until it is tested${order.boards.length > 0 ? '; its boards go on' : ''}.`,
      );
    });
  return (
    <section aria-label="Orders">
      <ErrorNote error={error} />
      {told && (
        <p role="status" className={css['told']}>
          {told}
        </p>
      )}
      <NewOrder
        sheet={sheet}
        wordsOf={wordsOf}
        onOrder={({ days, ...order }) =>
          void doing(async () => {
            const made = await postJson<PartOrderRow>('/api/orders', {
              ...order,
              expected_ms: expectedIn_ms(days),
              by,
            });
            setOrders([made, ...orders]);
            setTold(
              `Ordered from ${made.supplier}: ${made.lines.length} ${made.lines.length === 1 ? 'line' : 'lines'}.`,
            );
          })
        }
      />
      <h2>On their way, and what came</h2>
      {orders.length === 0 && <p className="quiet">Nothing was ordered yet.</p>}
      <ul className={css['lines']}>
        {orders.map((order) => (
          <li key={order.id} className={css['order']}>
            <p>
              <strong>{order.supplier}</strong>{' '}
              <span className="quiet">
                ordered {day(order.at_ms)} by {order.by}
                {order.state === 'ordered' &&
                  order.expected_ms !== null &&
                  `, expected ${day(order.expected_ms)}`}
                {order.ended_ms !== null && `, ${order.state} ${day(order.ended_ms)}`}
              </span>
            </p>
            {order.state === 'ordered' ? (
              <Arrival
                order={order}
                wordsOf={wordsOf}
                onArrived={(received) => void arrived(order, received)}
              />
            ) : (
              <ul className={css['past']}>
                {order.lines.map(({ partId, count }) => (
                  <li key={partId}>
                    <span className="digits">{count}</span> {wordsOf(partId)}
                  </li>
                ))}
              </ul>
            )}
            <ButtonLink small look="plain" href={`/api/orders/${order.id}/list.csv`}>
              As CSV
            </ButtonLink>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** What came of an order, line by line: as many as were ordered, unless less came. */
function Arrival({
  order,
  wordsOf,
  onArrived,
}: {
  readonly order: PartOrderRow;
  readonly wordsOf: (id: string) => string;
  readonly onArrived: (received: { partId: string; count: number; batch: string }[]) => void;
}) {
  const [came, setCame] = useState<Readonly<Record<string, string>>>(
    Object.fromEntries(order.lines.map(({ partId, count }) => [partId, String(count)])),
  );
  const [batches, setBatches] = useState<Readonly<Record<string, string>>>({});
  return (
    <form
      className={css['row']}
      onSubmit={(event) => {
        event.preventDefault();
        onArrived(
          order.lines.map(({ partId }) => ({
            partId,
            count: Number(came[partId] || 0),
            batch: (batches[partId] ?? '').trim(),
          })),
        );
      }}
    >
      {order.lines.map(({ partId, count }) => (
        <fieldset key={partId} className={css['came']}>
          <legend>{wordsOf(partId)}</legend>
          <TextField
            label={`Of ${count} came`}
            value={came[partId] ?? ''}
            inputMode="numeric"
            autoComplete="off"
            maxLength={7}
            onChange={(event) => setCame({ ...came, [partId]: event.target.value })}
          />
          <TextField
            label="Batch, as on the bag"
            value={batches[partId] ?? ''}
            autoComplete="off"
            maxLength={40}
            onChange={(event) => setBatches({ ...batches, [partId]: event.target.value })}
          />
        </fieldset>
      ))}
      <Button type="submit" look="primary">
        It came
      </Button>
    </form>
  );
}

/** An order begun with what runs low; boards that are parked for a part may be named, and go on when it comes. */
function NewOrder({
  sheet,
  wordsOf,
  onOrder,
}: {
  readonly sheet: OrdersSheet;
  readonly wordsOf: (id: string) => string;
  readonly onOrder: (order: {
    supplier: string;
    days: string;
    lines: { partId: string; count: number }[];
    boards: string[];
  }) => void;
}) {
  const [counts, setCounts] = useState<Readonly<Record<string, string>>>(
    Object.fromEntries(sheet.short.map(({ id, low, count }) => [id, String(Math.max(1, 2 * low - count))])),
  );
  const [typed, setTyped] = useState(NO_ORDER);
  const [boards, setBoards] = useState<readonly string[]>([]);
  const lines = Object.entries(counts).flatMap(([partId, typed]) =>
    Number(typed) > 0 ? [{ partId, count: Number(typed) }] : [],
  );
  if (sheet.short.length === 0)
    return <p className="quiet">Nothing is under its mark that is not on its way already.</p>;
  return (
    <form
      className={css['form']}
      aria-label="A new order"
      onSubmit={(event) => {
        event.preventDefault();
        onOrder({ supplier: typed.supplier.trim(), days: typed.days, lines, boards: [...boards] });
      }}
    >
      <h2>Under their mark</h2>
      <div className={css['fields']}>
        {sheet.short.map(({ id, count, low }) => (
          <TextField
            key={id}
            label={wordsOf(id)}
            hint={`${count} left, order under ${low}`}
            value={counts[id] ?? ''}
            inputMode="numeric"
            autoComplete="off"
            maxLength={7}
            onChange={(event) => setCounts({ ...counts, [id]: event.target.value })}
          />
        ))}
      </div>
      {sheet.waiting.length > 0 && (
        <fieldset className={css['boards']}>
          <legend>Boards that wait for it</legend>
          {sheet.waiting.map(({ id, name, next }) => (
            <label key={id}>
              <input
                type="checkbox"
                checked={boards.includes(id)}
                onChange={(event) =>
                  setBoards(event.target.checked ? [...boards, id] : boards.filter((other) => other !== id))
                }
              />{' '}
              {name} <span className="quiet">{next}</span>
            </label>
          ))}
        </fieldset>
      )}
      <div className={css['row']}>
        <OrderFields typed={typed} onTyped={setTyped} />
        <Button type="submit" look="primary" disabled={lines.length === 0 || typed.supplier.trim() === ''}>
          Order it
        </Button>
      </div>
    </form>
  );
}
