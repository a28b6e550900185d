import { overspends, type Overspend } from '~/core/method/overspend';
import type { PinAnswer } from '~/schema/planAnswer';
import { Caution } from '~/ui/controls/Notes';
import { budget } from '~/ui/figures';

/** Warns before a plan takes a pad past the end of its heat budget, and says what else could be done. */
export function BudgetWarning({
  pins,
  spent,
}: {
  readonly pins: readonly PinAnswer[];
  /** What each pad has spent, its share of its neighbours' heat included. */
  readonly spent: Readonly<Record<string, number>>;
}) {
  const over = overspends(
    pins.map((pin) => ({
      pad: pin.pad,
      spent: spent[pin.pad] ?? 0,
      planned: { p50: pin.padDose.p50 ?? 0, p90: pin.padDose.p90 ?? pin.padDose.p50 ?? 0 },
    })),
  );
  if (over.length === 0) return null;
  return (
    <Caution>
      <strong>This would overspend.</strong> {over.map(inWords).join(' ')} Cut the leads and take them one at
      a time, fit a socket so that it is the last heat here, or leave the part.
    </Caution>
  );
}

function inWords({ pad, spent, planned, chance }: Overspend): string {
  if (chance === 'gone')
    return `Pin ${pad} has nothing left: ${budget(spent)} of its budget is spent already.`;
  const left = `Pin ${pad} has ${budget(1 - spent)} of its budget left`;
  return chance === 'likely'
    ? `${left}; this takes about ${budget(planned.p50)}.`
    : `${left}; this takes ${budget(planned.p50)}, one time in ten more than ${budget(planned.p90)}.`;
}
