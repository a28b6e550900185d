import css from './land.module.css';

/** A length of round millimetres, to read the drawing by. */
export function ScaleBar({ x, y, unit }: { x: number; y: number; unit: number }) {
  const length = [1, 2, 5, 10, 20].find((mm) => mm >= unit * 2.4) ?? 20;
  return (
    <g className={css['scale']} strokeWidth={unit * 0.1}>
      <path
        d={`M${x} ${y - unit * 0.25}v${unit * 0.5}M${x} ${y}h${length}M${x + length} ${y - unit * 0.25}v${unit * 0.5}`}
      />
      <text
        className={css['caption']}
        x={x + length + unit * 0.35}
        y={y + unit * 0.28}
        fontSize={unit * 0.85}
      >
        {length} mm
      </text>
    </g>
  );
}
