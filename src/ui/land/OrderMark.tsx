import type { DrawnPlace } from './layout';
import css from './land.module.css';

/** More heat on a land the later it melts. */
export function LateShade({
  rank,
  of,
  place: { x, y, halfWidth, halfHeight, round },
  strong,
}: {
  readonly rank: number;
  readonly of: number;
  readonly place: DrawnPlace;
  /** Nothing else tells the order. */
  readonly strong: boolean;
}) {
  const share = of > 1 ? (rank - 1) / (of - 1) : 0;
  return (
    <rect
      data-order={rank}
      className={css['late']}
      pointerEvents="none"
      x={x - halfWidth}
      y={y - halfHeight}
      width={2 * halfWidth}
      height={2 * halfHeight}
      rx={round ? halfWidth : 0}
      opacity={(strong ? 0.85 : 0.4) * share}
    />
  );
}

/** A pad's place in the melt order, as a number in a disc. */
export function OrderNumber({
  rank,
  x,
  y,
  size,
}: {
  readonly rank: number;
  readonly x: number;
  readonly y: number;
  readonly size: number;
}) {
  return (
    <g pointerEvents="none">
      <circle className={css['orderDisc']} cx={x} cy={y} r={size * 0.55} />
      <text className={css['orderNumber']} x={x} y={y} dy="0.35em" fontSize={size * 0.8} textAnchor="middle">
        {rank}
      </text>
    </g>
  );
}
