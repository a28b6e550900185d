import { readBackRefusal } from '~/core/record/readBack';
import type { Passed } from '~/core/record/runEvents';
import type { InstrumentLine } from '~/schema/sheets/instruments';
import { Button } from '~/ui/controls/Button';
import type { RunCommand } from './commands';
import { ReadingGate } from './ReadingGate';
import { degreesIn } from './shown';
import css from './run.module.css';

/**
 * The station set, and read back: what its display shows is typed, held against the plan and kept. A setting that was
 * left from another job is caught here and not by the board.
 */
export function StationGate({
  planned_C,
  asked,
  station,
  read_C,
  onReplan,
  ...gate
}: {
  planned_C: number;
  /** As typed. */
  shown: string;
  /** The station itself, where it is connected, and what it says it is set to. */
  station: Pick<InstrumentLine, 'name'> | null;
  read_C: number | null;
  /** It was pressed once with nothing, or with another temperature. */
  asked: boolean;
  onShown: (shown: string) => void;
  onPass: (passed: Passed) => void;
  /** The job is closed as it stands, and planned again at what the station has. */
  onReplan: (set_C: number) => void;
  run: (id: RunCommand) => boolean;
}) {
  const shown_C = degreesIn(gate.shown);
  const apart = read_C !== null && readBackRefusal(planned_C, read_C) !== null;
  return (
    <ReadingGate
      {...gate}
      label="Its display shows, °C"
      done="Read back"
      fixed={read_C !== null}
      fault={asked || apart ? readBackRefusal(planned_C, shown_C) : null}
      told={
        station &&
        read_C !== null && (
          <p className={css['rest']}>
            {station.name} says {read_C} °C.
          </p>
        )
      }
      otherwise={
        shown_C !== undefined && (
          <Button onClick={() => onReplan(shown_C)}>Close this job and plan again at {shown_C} °C</Button>
        )
      }
      passWhy={shown_C === undefined ? null : 'Why it is worked at another temperature'}
    />
  );
}
