import { BODY_LINE_C, WASH_C } from './isotherms';
import css from './field.module.css';

interface FieldScaleProps {
  /** Upper edge, in the picture's own units; under the board. */
  readonly y: number;
  readonly width: number;
  readonly text: number;
  readonly solidus_C: number;
  readonly hottest_C: number;
}

/** What the picture's colours and lines are, in the picture itself: the wash by its steps, both lines, the hottest place. */
export function FieldScale({ y, width, text, solidus_C, hottest_C }: FieldScaleProps) {
  const size = text * 0.85;
  const step = (width * 0.45) / (WASH_C.length + 1);
  const lines = width * 0.5;
  return (
    <g className={css['scale']} aria-hidden="true">
      {WASH_C.map((from_C, i) => (
        <g key={from_C}>
          {/* Laid over one another as on the board, so that a step here is the same shade there. */}
          <rect
            className={css['wash']}
            x={(i + 1) * step}
            y={y}
            width={width * 0.45 - (i + 1) * step}
            height={text}
          />
          {i % 2 === 0 && (
            <text x={(i + 1) * step} y={y + text * 2} fontSize={size} textAnchor="middle">
              {from_C}
            </text>
          )}
        </g>
      ))}
      <text x={width * 0.45 + text * 0.4} y={y + text * 0.85} fontSize={size}>
        °C
      </text>
      <path
        className={css['solidus']}
        d={`M${lines} ${y + text * 0.5}h${text * 2}`}
        strokeWidth={text * 0.2}
      />
      <text x={lines + text * 2.4} y={y + text * 0.85} fontSize={size}>
        {Math.round(solidus_C)} °C, solder melts
      </text>
      <path
        className={css['body200']}
        d={`M${lines} ${y + text * 1.7}h${text * 2}`}
        strokeWidth={text * 0.14}
      />
      <text x={lines + text * 2.4} y={y + text * 2} fontSize={size}>
        {BODY_LINE_C} °C
      </text>
      <text x={width} y={y + text * 2} fontSize={size} textAnchor="end">
        board at most {Math.round(hottest_C)} °C now
      </text>
    </g>
  );
}
