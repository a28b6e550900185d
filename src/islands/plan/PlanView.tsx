import { useCallback, useEffect, useMemo, useReducer, useState } from 'react';
import { ALLOYS } from '~/core/materials/alloys';
import { celsius } from '~/core/quantity/convert';
import type { Goal } from '~/core/method/request';
import type { PlanSheet } from '~/schema/planSheet';
import { planRequestOf, type SettingInput } from '~/schema/planRequest';
import { postJson } from '~/ui/api';
import { ErrorNote } from '~/ui/controls/Notes';
import { Chart, type ChartColours } from '~/ui/chart/Chart';
import { secondsRange } from '~/ui/figures';
import { useCommands } from '~/ui/keyboard/useCommands';
import { LandDrawing } from '~/ui/land/LandDrawing';
import { padMarks } from '~/ui/land/marks';
import { $by } from '~/ui/preferences';
import { curveChart, frontierChart } from './charts';
import { BudgetWarning } from './BudgetWarning';
import { PLAN_COMMANDS, type PlanCommand } from './commands';
import { Proposal } from './Proposal';
import { SettingPanel } from './SettingPanel';
import { freshPins, hotAndQuick, lowAndLong, reduce, settingOfOption, start } from './state';
import { StepsAndMatter } from './StepsAndMatter';
import { usePlanning } from './usePlanning';
import { WindowsPanel } from './WindowsPanel';
import css from './plan.module.css';

/** One job on one site: what to set, how long to hold, what it costs, and why. */
export function PlanView({ sheet }: { sheet: PlanSheet }) {
  const { site, input } = sheet;
  const [state, dispatch] = useReducer(reduce, start(sheet.goal, site.pads.at(-1)!.name));
  const [ready, setReady] = useState(false);
  useEffect(() => setReady(true), []);
  const { stop } = usePlanning(input, state, dispatch);
  const { setting, frontier, option } = state;

  const irons = sheet.tools.flatMap((t) => (t.spec.kind === 'iron' ? [{ ...t, spec: t.spec }] : []));
  const preheaters = sheet.tools.flatMap((t) =>
    t.spec.kind === 'preheater' ? [{ ...t, spec: t.spec }] : [],
  );
  const iron = irons.find((t) => t.id === setting?.ironId);

  const change = (part: Partial<SettingInput>): boolean => {
    if (!setting) return false;
    dispatch({ type: 'set', setting: { ...setting, ...part } });
    return true;
  };
  const turn = (by_C: number): boolean => {
    if (!setting || !iron) return false;
    const [low, high] = iron.spec.setpointRange_C;
    return change({ setpoint_C: Math.min(high, Math.max(low, setting.setpoint_C + by_C)) });
  };
  const take = (chosen: typeof option): boolean => {
    if (chosen) dispatch({ type: 'set', setting: settingOfOption(chosen) });
    return chosen !== null;
  };
  const accept = (): boolean => {
    if (!setting || state.exploration.status !== 'done' || state.accepting) return false;
    if (!$by.get()) {
      dispatch({
        type: 'accept-failed',
        error: new Error(
          'Give your initials at the top first (key @), so that the record says who did this.',
        ),
      });
      return true;
    }
    dispatch({ type: 'accepting' });
    postJson<{ jobId: string }>('/api/jobs', {
      siteId: site.id,
      by: $by.get(),
      goal: state.goal,
      inputsKey: sheet.inputsKey,
      setting,
    }).then(
      ({ jobId }) => {
        window.location.href = `/jobs/${jobId}`;
      },
      (error: unknown) => dispatch({ type: 'accept-failed', error }),
    );
    return true;
  };
  const usualPreheat = preheaters[0]
    ? {
        kind: preheaters[0].spec.heat,
        setpoint_C: Math.min(150, preheaters[0].spec.setpointRange_C[1]),
        soak_s: 120,
      }
    : null;

  const run = (id: PlanCommand): boolean => {
    switch (id) {
      case 'hotter':
        return turn(10);
      case 'cooler':
        return turn(-10);
      case 'next-tip': {
        if (!setting || !iron) return false;
        const tips = iron.spec.tips;
        const at = tips.findIndex((t) => sameTip(t, setting.tip));
        return change({ tip: tips[(at + 1) % tips.length]! });
      }
      case 'warm':
        return usualPreheat !== null && change({ preheat: setting?.preheat ? null : usualPreheat });
      case 'flux':
        return change({ fluxed: !setting?.fluxed });
      case 'solder':
        return change({ freshSolder: !setting?.freshSolder });
      case 'choice':
        return (
          state.search.status === 'done' &&
          state.search.answer.outcome === 'found' &&
          take(state.search.answer.chosen)
        );
      case 'low-and-long':
        return take(lowAndLong(frontier));
      case 'hot-and-quick':
        return take(hotAndQuick(frontier));
      case 'next-pin': {
        const names = site.pads.map((p) => p.name);
        dispatch({ type: 'pad', pad: names[(names.indexOf(state.pad) + 1) % names.length]! });
        return true;
      }
      case 'hot-air':
        window.location.href = `/sites/${site.id}/air`;
        return true;
      case 'cancel':
        if (state.search.status !== 'running' && state.exploration.status !== 'running') return false;
        stop();
        // Stopped before the search had a proposal: begin by hand from a usual setting.
        if (!setting && irons[0]) {
          dispatch({
            type: 'set',
            setting: {
              ironId: irons[0].id,
              tip: irons[0].spec.tips[0]!,
              setpoint_C: Math.min(350, irons[0].spec.setpointRange_C[1]),
              preheat: null,
              fluxed: true,
              freshSolder: true,
            },
          });
        }
        return true;
      case 'accept':
        return accept();
    }
  };
  useCommands('plan', PLAN_COMMANDS, run);

  const spent = useMemo(() => planRequestOf(sheet.input).history.padDose, [sheet.input]);
  const alloy = ALLOYS[site.alloy];
  const curve = state.curves.find((c) => c.pad === state.pad);
  const pin = state.pins[state.pad];
  const buildCurves = useCallback(
    (colours: ChartColours) =>
      curveChart(
        curve!,
        pin,
        { solidus_C: celsius(alloy.solidus.value), liquidus_C: celsius(alloy.liquidus.value) },
        colours,
      ),
    [curve, pin, alloy],
  );
  const buildFrontier = useCallback(
    (colours: ChartColours) => frontierChart(frontier, option, colours),
    [frontier, option],
  );

  return (
    <div
      className={css['view']}
      data-ready={ready || undefined}
      data-solved={state.exploration.status === 'done' || undefined}
    >
      <SettingPanel
        goal={state.goal}
        onGoal={(goal: Goal) => dispatch({ type: 'goal', goal })}
        setting={setting}
        irons={irons}
        usualPreheat={usualPreheat}
        onChange={change}
        run={run}
      />
      <section className={css['middle']} aria-label="What it does">
        <Proposal state={state} iron={iron?.name ?? ''} run={run} onTake={(o) => take(o)} />
        <BudgetWarning pins={freshPins(state)} spent={spent} />
        <ErrorNote error={state.error} />
        <WindowsPanel state={state} pads={site.pads} onPad={(pad) => dispatch({ type: 'pad', pad })} />
        <div className={css['curves']}>
          <h3>Pin {state.pad}: temperatures at nominal values</h3>
          {curve ? (
            <Chart label={`Temperatures of pin ${state.pad}`} height={244} build={buildCurves} />
          ) : (
            <p className="quiet">Waiting for a setting…</p>
          )}
        </div>
      </section>
      <section className={css['right']} aria-label="Lands and frontier">
        <div className={css['land']}>
          <LandDrawing
            part={site.package}
            from="solder side"
            selected={state.pad}
            onSelect={(pad) => dispatch({ type: 'pad', pad })}
            pads={padMarks(site.pads, sheet.padStates, (pad) => {
              const pin = state.pins[pad];
              return pin && secondsRange(pin.melt_s.p10, pin.melt_s.p90);
            })}
          />
        </div>
        <div>
          <h3>Damage against time: click a point to set it</h3>
          {frontier.length > 0 ? (
            <Chart
              label="Frontier of damage against time"
              height={250}
              build={buildFrontier}
              onPoint={(index, trace) => {
                if (trace === 0) take(frontier[index] ?? null);
              }}
            />
          ) : (
            <p className="quiet">
              {state.search.status === 'running'
                ? 'Searching the bench…'
                : 'No setting on this bench keeps every limit.'}
            </p>
          )}
        </div>
      </section>
      <StepsAndMatter state={state} />
    </div>
  );
}

const sameTip = (a: SettingInput['tip'], b: SettingInput['tip']): boolean =>
  a.shape === b.shape && a.construction === b.construction && Math.abs(a.width_mm - b.width_mm) < 1e-6;
