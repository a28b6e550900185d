import { habitOf } from '~/core/packages/habit';
import type { SiteSheet } from '~/schema/sheets/boardSheet';

/** Parts whose way round can be got wrong: those with rows of pins. */
const TURNABLE: ReadonlySet<string> = new Set([
  'dip', 'soic', 'ssop', 'tsop', 'soj', 'plcc', 'qfp', 'qfn', 'bga',
]); // prettier-ignore

/** Says which way most notches of a face look, and which part differs. */
export function Habits({
  sites,
  side,
}: {
  readonly sites: readonly SiteSheet[];
  readonly side: 'top' | 'bottom';
}) {
  const habit = habitOf(
    sites.filter((site) => TURNABLE.has(site.package.family)),
    side,
  );
  if (!habit) return null;
  return (
    <p className="quiet" role="note">
      {habit.keep} of {habit.of} packages on this side are at {habit.rotation_deg}°.{' '}
      {habit.differ.length > 0 && (
        <strong>
          {habit.differ.join(', ')} {habit.differ.length === 1 ? 'differs' : 'differ'}: make sure of pin one.
        </strong>
      )}
    </p>
  );
}
