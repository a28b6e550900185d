import { overspends, type Overspend } from '~/core/method/limits/overspend';
import type { PinAnswer } from '~/schema/exchange/plan/planAnswer';
import type { Goal } from '~/core/method/goals';
import { Button, ButtonLink } from '~/ui/controls/Button';
import { Caution } from '~/ui/controls/Notes';
import { budget } from '~/ui/figures';
import css from './plan.module.css';

/** Warns before a plan takes a pad past the end of its heat budget, and says what else could be done. */
export function BudgetWarning({
  pins,
  spent,
  cut,
  socket,
  board,
  onGoal,
}: {
  readonly pins: readonly PinAnswer[];
  /** What each pad has spent, its share of its neighbours' heat included. */
  readonly spent: Readonly<Record<string, number>>;
  /** Whether the part could still be given up. */
  readonly cut: boolean;
  /** Whether a socket could go in its place: in this job, or once the part is off; null where there is none. */
  readonly socket: 'now' | 'later' | null;
  /** The board's page. */
  readonly board: string;
  readonly onGoal: (goal: Goal) => void;
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
      <strong>This would overspend.</strong> {over.map(inWords).join(' ')} Leaving the part as it is costs
      these pads nothing.
      {socket === 'later' && ' Once it is off, a socket makes its fitting the last heat here.'}
      <span className={css['offers']}>
        {cut && (
          <Button small onClick={() => onGoal('remove-sacrifice-part')}>
            Give it up and cut it away
          </Button>
        )}
        {socket === 'now' && (
          <Button small onClick={() => onGoal('fit-socket')}>
            Fit a socket: the last heat here
          </Button>
        )}
        <ButtonLink small href={board}>
          Leave it: back to the board
        </ButtonLink>
      </span>
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
