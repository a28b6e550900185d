import type { ConnectionRecord } from '~/schema/values/connection';
import css from './land.module.css';

/** Hatching of planes, drawn once per drawing. */
export function LandPatterns({ id, unit }: { id: string; unit: number }) {
  const step = unit * 0.55;
  return (
    <defs>
      <pattern
        id={`${id}-plane`}
        width={step}
        height={step}
        patternUnits="userSpaceOnUse"
        patternTransform="rotate(45)"
      >
        <rect width={step} height={step} className={css['planeGround']} />
        <line x1="0" y1="0" x2="0" y2={step} className={css['planeLine']} strokeWidth={step * 0.55} />
      </pattern>
    </defs>
  );
}

interface ArtProps {
  readonly id: string;
  readonly connections: readonly ConnectionRecord[];
  readonly x: number;
  readonly y: number;
  readonly radius: number;
  readonly outward: number;
}

/** How a pad meets copper, as a technician would sketch it: a track leaving, spokes, or a plane all round. */
export function ConnectionArt({ id, connections, x, y, radius, outward }: ArtProps) {
  const solid = connections.some((c) => c.kind === 'solid-plane');
  const relief = connections.find((c) => c.kind === 'thermal-relief');
  const tracks = connections.filter((c) => c.kind === 'track');
  const gap = radius * 0.28;
  return (
    <g>
      {(solid || relief) && <circle cx={x} cy={y} r={radius * 1.95} fill={`url(#${id}-plane)`} />}
      {relief && !solid && (
        <>
          <circle className={css['clearance']} cx={x} cy={y} r={radius + gap} />
          {Array.from({ length: relief.spokes }, (_, i) => {
            const angle = (i * 360) / relief.spokes + 45;
            const width = Math.max(relief.spokeWidth_mm, radius * 0.16);
            return (
              <rect
                key={i}
                className={css['spoke']}
                x={x}
                y={y - width / 2}
                width={radius + gap * 1.6}
                height={width}
                transform={`rotate(${angle} ${x} ${y})`}
              />
            );
          })}
        </>
      )}
      {tracks.flatMap((track, t) =>
        Array.from({ length: track.count }, (_, i) => {
          // Drawn no wider than its pad is: the picture would lie across the next pad, and the figure stands beside it.
          const width = Math.min(Math.max(track.width_mm, radius * 0.12), radius * 1.6);
          const turn = (t + i) * 40 * (i % 2 === 0 ? 1 : -1);
          return (
            <rect
              key={`${t}-${i}`}
              className={css['track']}
              x={x}
              y={y - width / 2}
              width={radius * 2.3}
              height={width}
              transform={`rotate(${(outward > 0 ? 0 : 180) + turn} ${x} ${y})`}
            />
          );
        }),
      )}
    </g>
  );
}
