import { isEmpty, occupancyInWords, type Occupancy } from '~/core/record/occupancy';
import { goalsOn, phasesOf, type Goal, type Phase } from '~/core/method/goals';
import { WORTHS, type Worth } from '~/core/method/request';
import { GOAL_WORDS, PHASE_WORDS, WORTH_WORDS } from '~/schema/words/words';
import { Segments, SelectField } from '~/ui/controls/Field';
import type { PlanState } from './state';
import css from './plan.module.css';

/** What is wanted: the goal, which half of it is looked at, what the part is worth, who comes along. */
export function GoalPanel({
  state,
  socket,
  near,
  occupancy,
  onlyCopyOn,
  onGoal,
  onPhase,
  onWorth,
  onMates,
}: {
  readonly state: PlanState;
  /** Whether a socket exists for the part. */
  readonly socket: boolean;
  /** Sites close enough to come off under the same nozzle. */
  readonly near: readonly string[];
  /** What stands on the site: a part that is off can only be fitted. */
  readonly occupancy: Occupancy;
  /** The site, where its part holds the only copy of its contents; null where it does not. */
  readonly onlyCopyOn: string | null;
  readonly onGoal: (goal: Goal) => void;
  readonly onPhase: (phase: Phase) => void;
  readonly onWorth: (worth: Worth) => void;
  readonly onMates: (mates: readonly string[]) => void;
}) {
  const phases = phasesOf(state.goal);
  return (
    <div className={css['setting']}>
      {occupancy.kind !== 'fitted' && <p className={css['occupancy']}>Now: {occupancyInWords(occupancy)}.</p>}
      <SelectField
        label="Goal"
        value={state.goal}
        onChange={onGoal}
        options={goalsOn(isEmpty(occupancy), socket, onlyCopyOn !== null).map((value) => ({
          value,
          label: GOAL_WORDS[value],
        }))}
      />
      {onlyCopyOn !== null && (
        <p className={css['occupancy']}>
          It holds the only copy of its contents, so it is not given up:{' '}
          <a href={`/sites/${onlyCopyOn}/memory`}>read it twice first</a>.
        </p>
      )}
      {phases.length > 1 && (
        <Segments
          label="Half of the job"
          value={state.phase}
          onChange={onPhase}
          options={phases.map((value) => ({ value, label: PHASE_WORDS[value] }))}
        />
      )}
      {phases[0] === 'remove' && (
        <Segments
          label="The part is"
          value={state.worth}
          onChange={onWorth}
          options={WORTHS.map((value) => ({ value, label: WORTH_WORDS[value] }))}
        />
      )}
      {phases[0] === 'remove' && near.length > 0 && (
        <fieldset className={css['mates']}>
          <legend>Comes off in the same heat</legend>
          {near.map((ref) => (
            <label key={ref}>
              <input
                type="checkbox"
                checked={state.mates.includes(ref)}
                onChange={(event) =>
                  onMates(event.target.checked ? [...state.mates, ref] : state.mates.filter((m) => m !== ref))
                }
              />
              {ref}
            </label>
          ))}
        </fieldset>
      )}
    </div>
  );
}
