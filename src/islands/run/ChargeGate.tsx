import { chargeRefusal, SAFE_V } from '~/core/record/chargeGate';
import type { Passed } from '~/core/record/runEvents';
import type { RunCommand } from './commands';
import { ReadingGate } from './ReadingGate';
import { voltsIn } from './shown';

/** Stored charge, measured twice before hands go near it. */
export function ChargeGate({
  asked,
  again,
  onAgain,
  ...gate
}: {
  shown: string;
  /** The second reading, as typed. */
  again: string;
  onAgain: (again: string) => void;
  /** It was pressed once with nothing, or with too much left. */
  asked: boolean;
  onShown: (shown: string) => void;
  onPass: (passed: Passed) => void;
  run: (id: RunCommand) => boolean;
}) {
  return (
    <ReadingGate
      {...gate}
      label={`Left over the reservoirs, V (below ${SAFE_V})`}
      second={{ label: 'Again a minute later, V', shown: again, onShown: onAgain }}
      done="Measured twice"
      fault={asked ? chargeRefusal(voltsIn(gate.shown), voltsIn(again)) : null}
      passWhy="Why work goes on all the same"
    />
  );
}
