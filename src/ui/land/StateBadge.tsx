import { PAD_STATES, type PadStateId } from '~/core/record/padStates';
import css from './land.module.css';

/** Letter in its shape: round, square or diamond says the kind before the letter is read. */
export function StateBadge({ state, x, y, size }: { state: PadStateId; x: number; y: number; size: number }) {
  const { shape, letter, defect } = PAD_STATES[state];
  const half = size / 2;
  const className = defect ? css['badgeBad'] : css['badgeGood'];
  return (
    <g>
      {shape === 'round' && <circle className={className} cx={x} cy={y} r={half} />}
      {shape === 'square' && (
        <rect className={className} x={x - half} y={y - half} width={size} height={size} />
      )}
      {shape === 'diamond' && (
        <rect
          className={className}
          x={x - half}
          y={y - half}
          width={size}
          height={size}
          transform={`rotate(45 ${x} ${y})`}
        />
      )}
      <text
        className={css['badgeLetter']}
        x={x}
        y={y + size * 0.3}
        fontSize={size * 0.85}
        textAnchor="middle"
      >
        {letter}
      </text>
    </g>
  );
}
