import { useMemo } from 'react';
import { millimetres } from '~/core/quantity/convert';
import { partOf } from '~/schema/exchange/si/part';
import type { AnyPackageInput } from '~/schema/values/package';
import { bandsOf, BODY_LINE_C, WASH_C } from './isotherms';
import { FieldScale } from './FieldScale';
import css from './field.module.css';

interface FieldPart {
  readonly ref: string;
  readonly side: 'top' | 'bottom';
  readonly x_mm: number;
  readonly y_mm: number;
  readonly rotation_deg: number;
  readonly package: AnyPackageInput;
  /** Gets hotter than it may at some time of the run. */
  readonly atRisk: boolean;
}

interface FieldPictureProps {
  readonly length_mm: number;
  readonly width_mm: number;
  readonly nx: number;
  readonly ny: number;
  readonly inside: Uint8Array;
  readonly field_C: Float32Array;
  readonly side: 'top' | 'bottom';
  readonly solidus_C: number;
  readonly parts: readonly FieldPart[];
  readonly nozzle: {
    readonly x_mm: number;
    readonly y_mm: number;
    readonly width_mm: number;
    readonly height_mm: number;
    readonly round: boolean;
  } | null;
}

/** A face of the board by temperature: a wash that darkens as it warms, the 200 °C line and the solidus. */
export function FieldPicture(props: FieldPictureProps) {
  const { length_mm, width_mm, nx, ny, inside, field_C, side, solidus_C, parts, nozzle } = props;
  const grid = useMemo(() => ({ nx, ny, length_mm, width_mm }), [nx, ny, length_mm, width_mm]);
  const wash = useMemo(() => bandsOf(field_C, inside, grid, WASH_C), [field_C, inside, grid]);
  const lines = useMemo(
    () => bandsOf(field_C, inside, grid, [solidus_C, BODY_LINE_C]),
    [field_C, inside, grid, solidus_C],
  );
  const margin = Math.max(length_mm, width_mm) * 0.025;
  const text = Math.max(length_mm / 50, width_mm / 34, 2);
  const foot = text * 3.4;
  const mirror = side === 'bottom';
  const x = (value: number): number => (mirror ? length_mm - value : value);
  const hottest = field_C.reduce((a, b, c) => (inside[c] ? Math.max(a, b) : a), -Infinity);
  return (
    <svg
      className={css['field']}
      viewBox={`${-margin} ${-margin} ${length_mm + 2 * margin} ${width_mm + margin + foot}`}
      role="img"
      aria-label={`${side} face by temperature, hottest place ${Math.round(hottest)} °C`}
    >
      <rect className={css['board']} width={length_mm} height={width_mm} rx={1} />
      <g transform={mirror ? `translate(${length_mm} 0) scale(-1 1)` : undefined}>
        {wash.map((band) => (
          <path key={band.value_C} className={css['wash']} d={band.path} />
        ))}
        <path className={css['body200']} d={lines[1]!.path} strokeWidth={text * 0.14} />
        <path className={css['solidus']} d={lines[0]!.path} strokeWidth={text * 0.2} />
      </g>
      {parts.map((part) => (
        <PartOutline
          key={part.ref}
          part={part}
          x={x(part.x_mm)}
          y={width_mm - part.y_mm}
          mirror={mirror}
          here={part.side === side}
          text={text}
        />
      ))}
      <FieldScale
        y={width_mm + text * 0.6}
        width={length_mm}
        text={text}
        solidus_C={solidus_C}
        hottest_C={hottest}
      />
      {nozzle && (
        <g
          className={css['nozzle']}
          strokeWidth={text * 0.12}
          transform={`translate(${x(nozzle.x_mm)} ${width_mm - nozzle.y_mm})`}
        >
          {nozzle.round ? (
            <circle r={nozzle.width_mm / 2} />
          ) : (
            <rect
              x={-nozzle.width_mm / 2}
              y={-nozzle.height_mm / 2}
              width={nozzle.width_mm}
              height={nozzle.height_mm}
            />
          )}
        </g>
      )}
    </svg>
  );
}

interface OutlineProps {
  readonly part: FieldPart;
  readonly x: number;
  readonly y: number;
  readonly mirror: boolean;
  readonly here: boolean;
  readonly text: number;
}

function PartOutline({ part, x, y, mirror, here, text }: OutlineProps) {
  const { body } = partOf(part.package);
  const width = millimetres(body.length_m);
  const height = millimetres(body.width_m);
  const className = `${css['part']} ${here ? '' : css['ghost']} ${part.atRisk ? css['risk'] : ''}`;
  return (
    <g transform={`translate(${x} ${y})`}>
      <g transform={`rotate(${(mirror ? 1 : -1) * part.rotation_deg})`}>
        {body.shape === 'can' ? (
          <circle className={className} r={width / 2} strokeWidth={text * 0.1} />
        ) : (
          <rect
            className={className}
            x={-width / 2}
            y={-height / 2}
            width={width}
            height={height}
            strokeWidth={text * 0.1}
          />
        )}
      </g>
      <text
        className={css['ref']}
        y={-Math.max(width, height) / 2 - text * 0.3}
        fontSize={text}
        textAnchor="middle"
      >
        {part.ref}
        {part.atRisk ? ' !' : ''}
      </text>
    </g>
  );
}
