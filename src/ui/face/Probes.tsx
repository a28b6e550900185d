import type { FaceScale } from './BoardFace';
import css from './face.module.css';

export interface ProbePoint {
  readonly x_mm: number;
  readonly y_mm: number;
  readonly label: string;
}

/** Two points of a board to put a meter's probes on, and the way between them. */
export function Probes({ at, points }: { at: FaceScale; points: readonly [ProbePoint, ProbePoint] }) {
  const [a, b] = points;
  const size = at.text * 0.7;
  return (
    <g pointerEvents="none">
      <line
        className={css['probe']}
        x1={at.x(a.x_mm)}
        y1={at.y(a.y_mm)}
        x2={at.x(b.x_mm)}
        y2={at.y(b.y_mm)}
        strokeWidth={size * 0.2}
        strokeDasharray={`${size * 0.6} ${size * 0.4}`}
      />
      {points.map((point, i) => (
        <g key={i} transform={`translate(${at.x(point.x_mm)} ${at.y(point.y_mm)})`}>
          {i === 0 ? (
            <circle className={css['probeDot']} r={size * 0.55} />
          ) : (
            <circle className={css['probe']} r={size * 0.7} strokeWidth={size * 0.28} />
          )}
          <text className={css['probeText']} x={size} y={i === 0 ? -size : size * 2} fontSize={at.text}>
            {point.label}
          </text>
        </g>
      ))}
    </g>
  );
}
