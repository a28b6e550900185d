import { useCallback, useEffect, useRef, type ReactNode } from 'react';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useReady } from '~/ui/useReady';
import css from './list.module.css';

interface VirtualRowsProps<Row> {
  readonly label: string;
  readonly rows: readonly Row[];
  readonly keyOf: (row: Row) => string;
  /** A row's usual height, px; each is measured once it is drawn. */
  readonly row_px: number;
  /** So many rows are drawn with the page itself, before their heights are known. */
  readonly first: number;
  /** The row that stands out and is kept in view; null: none. */
  readonly chosen?: number | null;
  readonly className?: string | undefined;
  readonly children: (row: Row) => ReactNode;
}

/** A list in a frame of its own: of ten thousand rows only those in view are drawn. */
export function VirtualRows<Row>({
  label,
  rows,
  keyOf,
  row_px,
  first,
  chosen = null,
  className,
  children,
}: VirtualRowsProps<Row>) {
  const frame = useRef<HTMLDivElement>(null);
  // The same functions while the rows are the same: with others every row would be measured anew, at every key.
  const keyAt = useCallback((index: number) => keyOf(rows[index]!), [rows, keyOf]);
  const height = useCallback(() => row_px, [row_px]);
  const list = useVirtualizer({
    count: rows.length,
    getScrollElement: () => frame.current,
    estimateSize: height,
    overscan: 8,
    getItemKey: keyAt,
  });
  useEffect(() => {
    if (chosen !== null) list.scrollToIndex(chosen);
  }, [chosen, list]);
  // A page may not place its rows by styles in its text: it has the first ones one after another.
  const placed = useReady();
  return (
    <div ref={frame} className={`${css['frame']} ${className ?? ''}`} tabIndex={0} aria-label={label}>
      {!placed && (
        <ol>
          {rows.slice(0, first).map((row) => (
            <li key={keyOf(row)}>{children(row)}</li>
          ))}
        </ol>
      )}
      {placed && (
        <ol data-placed style={{ height: list.getTotalSize() }}>
          {list.getVirtualItems().map(({ index, start, key }) => (
            <li
              key={key}
              ref={list.measureElement}
              data-index={index}
              aria-setsize={rows.length}
              aria-posinset={index + 1}
              data-chosen={index === chosen || undefined}
              style={{ transform: `translateY(${start}px)` }}
            >
              {children(rows[index]!)}
            </li>
          ))}
        </ol>
      )}
    </div>
  );
}
