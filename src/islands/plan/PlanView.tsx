import { useReady } from '~/ui/useReady';
import { useEffect, useMemo, useReducer, useRef, useState } from 'react';
import { useStore } from '@nanostores/react';
import { goalsOn, keepsPart, phasesOf, type Goal } from '~/core/method/goals';
import { isEmpty } from '~/core/record/occupancy';
import { methodOf, methodsFor } from '~/core/method/ways';
import { phaseRequest } from '~/core/method/plan/phases/phasePlan';
import type { PlanRequest } from '~/core/method/request';
import { socketFor } from '~/core/packages/socket';
import { choiceOfOption } from '~/schema/exchange/plan/optionChoice';
import { takesMoisture } from '~/schema/exchange/si/moisture';
import { isSurfaceInput, partOf } from '~/schema/exchange/si/part';
import type { MethodAnswer, OptionAnswer, PinAnswer } from '~/schema/exchange/plan/planAnswer';
import { phasesIn } from '~/schema/exchange/plan/phasesIn';
import { planRequestOf } from '~/schema/exchange/si/plan';
import type { ChoiceInput } from '~/schema/exchange/plan/planRequest';
import type { PlanSheet } from '~/schema/sheets/planSheet';
import { wantedOf } from '~/schema/exchange/plan/planWishes';
import { ErrorNote } from '~/ui/controls/Notes';
import { secondsRange } from '~/ui/figures';
import { useCommands } from '~/ui/keyboard/useCommands';
import { LandDrawing } from '~/ui/land/LandDrawing';
import { padMarks } from '~/ui/land/marks';
import { meltOrderInWords, meltRanks, type Melt } from '~/ui/land/meltOrder';
import { $by } from '~/ui/preferences';
import { adjusted, changed, turnedTo } from './adjust';
import { planAskOf } from './ask';
import { BudgetWarning } from './BudgetWarning';
import { PLAN_COMMANDS, type PlanCommand } from './commands';
import { CurvesPanel } from './CurvesPanel';
import { FrontierPanel } from './FrontierPanel';
import { GoalPanel } from './GoalPanel';
import { MatterPanel } from './MatterPanel';
import { MethodList } from './MethodList';
import { Moisture } from '~/islands/air/Moisture';
import { nearSites } from './near';
import { Proposal } from './Proposal';
import { SettingPanel } from './SettingPanel';
import type { OfferedStation } from './tools';
import {
  alongFrontier,
  choiceAt,
  freshPins,
  hotAndQuick,
  lowAndLong,
  methodsAt,
  phaseOf,
  reduce,
  start,
  type PlanState,
} from './state';
import { StepsPanel } from './StepsPanel';
import { beginning, preheatFor, toolsFor } from './tools';
import { useAccepting } from './useAccepting';
import { useDraft } from './useDraft';
import { usePlanning } from './usePlanning';
import { WindowsPanel } from './WindowsPanel';
import { fromPage } from '~/ui/fromPage';
import css from './plan.module.css';

/** One job on one site: which way, what to set, how long to hold, what it costs, and why. */
function PlanView({ sheet, by: drawnFor }: { sheet: PlanSheet; by: string }) {
  const { site } = sheet;
  const [state, dispatch] = useReducer(reduce, start(sheet.goal, site.pads.at(-1)!.name, sheet.mates));
  const ready = useReady();
  const [why, setWhy] = useState(false);
  const [editing, setEditing] = useState(false);
  // Until this screen's initials are read, those that the server drew with.
  const by = useStore($by) || drawnFor;
  useDraft(sheet, state, dispatch);

  const { goal, worth, mates, moisture } = state;
  const input = useMemo(
    () => wantedOf(sheet.input, { goal, worth, mates, moisture }),
    [sheet, goal, worth, mates, moisture],
  );
  const ask = useMemo(
    () => planAskOf(sheet, { goal, worth, mates, moisture }, by),
    [sheet, goal, worth, mates, moisture, by],
  );
  const { stop } = usePlanning(ask, state, dispatch);
  const { accept, keep, habits, kept, forget } = useAccepting(sheet, state, by, dispatch);

  const whole = useMemo(() => planRequestOf(input), [input]);
  const request = phaseRequest(whole, state.phase, []);
  const { option, frontier, curves, pins } = phaseOf(state);
  const choice = choiceAt(state);
  const methods = methodsAt(state);
  const tools = choice ? toolsFor(request, choice.method) : [];
  const preheat = preheatFor(request);
  const stations = sheet.tools.flatMap((t): OfferedStation[] =>
    t.spec.kind === 'hot-air' ? [{ ...t, spec: t.spec }] : [],
  );

  // Where the search could not set every half of the job, the rest begins by hand.
  const searched = state.search.status !== 'running';
  useEffect(() => {
    if (!searched) return;
    const choices = begun(whole, state);
    if (choices.length > 0) dispatch({ type: 'begun', choices });
  }, [searched, whole, state]);

  // A station that stood at another temperature sent its job back: the plan is looked at there.
  const at_C = useRef<number | null>(null);
  useEffect(() => {
    at_C.current ??= Number(new URLSearchParams(window.location.search).get('at')) || null;
    if (at_C.current === null || !searched || !choice || state.byHand) return;
    const there = turnedTo(choice, at_C.current, { tools, stations });
    at_C.current = null;
    const address = new URL(window.location.href);
    address.searchParams.delete('at');
    window.history.replaceState(null, '', address);
    if (there) dispatch({ type: 'set', choice: there });
    // It looks at everything once there is a choice, and never again.
  });

  // A workshop's habits with this method come with it; what was changed by hand stays.
  const habit = habits.find((h) => h.method === choice?.method)?.edits;
  useEffect(() => {
    if (habit) dispatch({ type: 'habit', edits: habit });
  }, [habit]);

  const set = (next: ChoiceInput | null, front?: readonly OptionAnswer[]): boolean => {
    if (next) dispatch({ type: 'set', choice: next, ...(front ? { frontier: front } : {}) });
    return next !== null;
  };
  const take = (chosen: OptionAnswer | null): boolean => set(chosen && choiceOfOption(state.phase, chosen));
  const takeMethod = (method: MethodAnswer | undefined): boolean => {
    if (!method) return false;
    const next = method.option
      ? choiceOfOption(state.phase, method.option)
      : beginning(request, methodOf(method.id as ChoiceInput['method']).id);
    return set(next, method.id === choice?.method ? frontier : method.frontier);
  };

  const takesSocket = socketFor(partOf(site.package)) !== null;
  const onlyCopyOn = sheet.input.site.contents === 'only-copy' ? site.id : null;
  const run = (id: PlanCommand): boolean => {
    switch (id) {
      case 'choice': {
        if (state.search.status !== 'done' || state.search.answer.outcome !== 'found') return false;
        const { answer } = state.search;
        const own = [answer, ...answer.then].find((p) => p.phase === state.phase);
        return set(own ? choiceOfOption(own.phase, own.chosen) : null, own?.frontier);
      }
      case 'low-and-long':
        return take(lowAndLong(frontier));
      case 'hot-and-quick':
        return take(hotAndQuick(frontier));
      case 'gentler':
        return take(alongFrontier(frontier, option, -1));
      case 'quicker':
        return take(alongFrontier(frontier, option, 1));
      case 'next-method': {
        const able = methods.filter((m) => m.feasible && m.option);
        const at = able.findIndex((m) => m.id === choice?.method);
        return able.length > 0 && takeMethod(able[(at + 1) % able.length]);
      }
      case 'next-goal': {
        const goals = goalsOn(isEmpty(sheet.occupancy), takesSocket, onlyCopyOn !== null);
        dispatch({ type: 'goal', goal: goals[(goals.indexOf(goal) + 1) % goals.length]! });
        return true;
      }
      case 'other-phase': {
        const phases = phasesOf(goal);
        if (phases.length < 2) return false;
        dispatch({ type: 'phase', phase: phases[(phases.indexOf(state.phase) + 1) % phases.length]! });
        return true;
      }
      case 'next-pin': {
        const names = site.pads.map((p) => p.name);
        dispatch({ type: 'pad', pad: names[(names.indexOf(state.pad) + 1) % names.length]! });
        return true;
      }
      case 'why':
        setWhy(!why);
        return true;
      case 'edit-steps':
        setEditing(!editing);
        return true;
      case 'hot-air':
        window.location.assign(`/sites/${site.id}/air`);
        return true;
      case 'cancel':
        if (state.search.status !== 'running' && state.exploration.status !== 'running') return false;
        stop();
        return true;
      case 'accept':
        return accept();
      default:
        return set(adjusted(choice, id, { tools, stations, preheat }));
    }
  };
  useCommands('plan', PLAN_COMMANDS, run);

  const melts = Object.values(pins).map(meltOf);
  const underAir = choice?.setting.kind === 'air';
  const toolId = choice?.setting.toolId;
  return (
    <div
      className={css['view']}
      data-ready={ready || undefined}
      data-solved={state.exploration.status === 'done' || undefined}
      data-searched={searched || undefined}
    >
      <section className={css['left']} aria-label="Goal, way and setting">
        <GoalPanel
          state={state}
          socket={takesSocket}
          near={nearSites(sheet.input)}
          occupancy={sheet.occupancy}
          onlyCopyOn={onlyCopyOn}
          onGoal={(next: Goal) => dispatch({ type: 'goal', goal: next })}
          onPhase={(phase) => dispatch({ type: 'phase', phase })}
          onWorth={(next) => dispatch({ type: 'worth', worth: next })}
          onMates={(next) => dispatch({ type: 'mates', mates: next })}
        />
        {takesMoisture(partOf(site.package)) && (
          <Moisture value={moisture} onChange={(next) => dispatch({ type: 'moisture', moisture: next })} />
        )}
        <MethodList
          methods={methods}
          chosen={choice?.method ?? null}
          searching={!searched}
          onTake={(method) => takeMethod(method)}
        />
        {choice && (
          <SettingPanel
            choice={choice}
            tools={tools}
            stations={stations}
            preheat={preheat}
            onSetting={(part) => set(changed(choice, part))}
            run={run}
          />
        )}
      </section>
      <section className={css['middle']} aria-label="What it does">
        <Proposal
          state={state}
          tool={sheet.tools.find((t) => t.id === toolId)?.name ?? ''}
          learntBefore={sheet.input.learnt}
          run={run}
          onTake={(o) => take(o)}
          onGoal={(other) => dispatch({ type: 'goal', goal: other })}
        />
        <BudgetWarning
          pins={freshPins(state)}
          spent={whole.history.padDose}
          cut={keepsPart(goal)}
          socket={socketFor(partOf(site.package)) ? socketAt(goal) : null}
          board={`/boards/${sheet.board.id}`}
          onGoal={(next) => dispatch({ type: 'goal', goal: next })}
        />
        <ErrorNote error={state.error} />
        <WindowsPanel state={state} pads={site.pads} onPad={(pad) => dispatch({ type: 'pad', pad })} />
        {!underAir && (
          <CurvesPanel
            curve={curves.find((c) => c.pad === state.pad) ?? curves.find((c) => c.pad === 'all')}
            pin={pins[state.pad] ?? pins['all']}
            pad={state.pad}
            alloy={site.alloy}
            searching={!searched}
            mixed={
              choice?.method === 'low-melt-flood' && isSurfaceInput(site.package) ? mixtureAt(state) : null
            }
          />
        )}
      </section>
      <section className={css['right']} aria-label="Pads and frontier">
        <div className={css['lands']}>
          <div className={css['land']}>
            <LandDrawing
              part={site.package}
              from={isSurfaceInput(site.package) ? 'part side' : 'solder side'}
              selected={state.pad}
              onSelect={(pad) => dispatch({ type: 'pad', pad })}
              pads={padMarks(
                site.pads,
                sheet.padStates,
                (pad) => {
                  const own = pins[pad] ?? pins['all'];
                  return own && secondsRange(own.melt_s.p10, own.melt_s.p90);
                },
                meltRanks(melts),
              )}
            />
          </div>
          <p className={css['order']}>{meltOrderInWords(melts)}</p>
        </div>
        <FrontierPanel
          frontier={frontier}
          option={option}
          empty={noFrontier(state)}
          searching={!searched}
          onTake={(o) => take(o)}
          run={run}
        />
      </section>
      {state.exploration.status === 'done' && (
        <section className={css['below']} aria-label="Steps and materials">
          <StepsPanel
            steps={state.exploration.answer.steps}
            times={state.exploration.answer.times}
            edits={state.edits}
            why={why}
            editing={editing}
            kept={kept}
            onEdits={(next) => {
              forget();
              dispatch({ type: 'edits', edits: next });
            }}
            onKeep={keep}
            run={run}
          />
          <MatterPanel answer={state.exploration.answer} input={sheet.input} />
        </section>
      )}
    </div>
  );
}

export const PlanIsland = fromPage(PlanView);

/** Choices for the halves that nothing was set for: the first way that may be used, at a usual setting. */
function begun(whole: PlanRequest, state: PlanState): ChoiceInput[] {
  return phasesOf(state.goal)
    .filter((phase) => choiceAt(state, phase) === null)
    .flatMap((phase) => {
      const asked = phaseRequest(whole, phase, []);
      const open = methodsFor(asked).filter((m) => m.rules(asked).every((rule) => !rule.forbids));
      return open.flatMap((method) => beginning(asked, method.id) ?? []).slice(0, 1);
    });
}

/** What the joints of the phase that is looked at melt at, once its alloy is in them. */
function mixtureAt(state: PlanState) {
  if (state.exploration.status !== 'done') return null;
  return phasesIn(state.exploration.answer).find((p) => p.phase === state.phase)?.materials.mixture ?? null;
}

/** A socket takes the part's place where one is being fitted; where it still stands, it has to come off first. */
const socketAt = (goal: Goal): 'now' | 'later' | null =>
  goal === 'fit' ? 'now' : phasesOf(goal)[0] === 'remove' ? 'later' : null;

const meltOf = ({ pad, pads, melt_s }: PinAnswer): Melt => ({
  pads: pads.length > 0 ? pads : [pad],
  melt_s: melt_s.p50,
});

function noFrontier(state: PlanState): string {
  if (state.search.status === 'running') return 'Searching the bench…';
  if (state.search.status !== 'done') return 'The search did not end: no settings were compared.';
  return state.byHand
    ? 'Set by hand: only a way that was compared has a frontier.'
    : 'No setting on this bench keeps every limit.';
}
