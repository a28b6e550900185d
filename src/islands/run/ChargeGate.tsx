import { chargeRefusal, SAFE_V } from '~/core/record/chargeGate';
import type { Passed } from '~/core/record/runEvents';
import type { RunCommand } from './commands';
import { ReadingGate } from './ReadingGate';
import { voltsIn } from './shown';

/** Stored charge, measured before hands go near it. */
export function ChargeGate({
  asked,
  ...gate
}: {
  shown: string;
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
      done="Measured"
      fault={asked ? chargeRefusal(voltsIn(gate.shown)) : null}
      passWhy="Why work goes on all the same"
    />
  );
}
