interface RangeProps {
  readonly id: string;
  readonly range: readonly [number, number];
  readonly step: number;
  readonly value: number;
  readonly onChange: (value: number) => void;
}

/** A slider between two numbers; its label and figure stand beside it. */
export const Range = ({ id, range: [low, high], step, value, onChange }: RangeProps) => (
  <input
    id={id}
    type="range"
    min={low}
    max={high}
    step={step}
    value={value}
    onChange={(event) => onChange(Number(event.target.value))}
  />
);
