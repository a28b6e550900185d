import type { BoardProfile } from '~/schema/values/boardProfile';
import type { FaceScale } from './BoardFace';
import css from './face.module.css';

/** A board's own edge and its holes, where files brought them. */
export function Profile({ at, profile }: { at: FaceScale; profile: BoardProfile }) {
  return (
    <g pointerEvents="none">
      {profile.edge && (
        <polygon
          className={css['edge']}
          points={profile.edge.map(([x, y]) => `${at.x(x)},${at.y(y)}`).join(' ')}
          strokeWidth={at.text * 0.15}
        />
      )}
      {profile.holes.map(([x, y, diameter, toX, toY], i) =>
        toX === undefined || toY === undefined ? (
          <circle key={i} className={css['drill']} cx={at.x(x)} cy={at.y(y)} r={diameter / 2} />
        ) : (
          <line
            key={i}
            className={css['slot']}
            x1={at.x(x)}
            y1={at.y(y)}
            x2={at.x(toX)}
            y2={at.y(toY)}
            strokeWidth={diameter}
          />
        ),
      )}
    </g>
  );
}
