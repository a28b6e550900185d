import { useCallback } from 'react';
import type { OptionAnswer } from '~/schema/exchange/plan/planAnswer';
import { Chart, type ChartColours } from '~/ui/chart/Chart';
import { CommandButton } from '~/ui/controls/Button';
import { frontierChart } from './charts';
import { planCommand, type PlanCommand } from './commands';
import css from './plan.module.css';

/** Damage against time: every setting worth having, the one at hand, and the schools at its ends. */
export function FrontierPanel({
  frontier,
  option,
  empty,
  searching,
  onTake,
  run,
}: {
  readonly frontier: readonly OptionAnswer[];
  readonly option: OptionAnswer | null;
  /** What is said where there is none. */
  readonly empty: string;
  readonly searching: boolean;
  readonly onTake: (option: OptionAnswer | null) => void;
  readonly run: (id: PlanCommand) => void;
}) {
  const build = useCallback(
    (colours: ChartColours) => frontierChart(frontier, option, colours),
    [frontier, option],
  );
  return (
    <div>
      <h2>Damage against time: click a point to set it</h2>
      {frontier.length === 0 ? (
        <p className="quiet">{empty}</p>
      ) : (
        <>
          <Chart
            label="Frontier of damage against time"
            height={230}
            build={build}
            waits={searching}
            onPoint={(index, trace) => {
              if (trace === 0) onTake(frontier[index] ?? null);
            }}
          />
          <div className={css['schools']}>
            <CommandButton small command={planCommand('gentler')} label="Gentler" run={run} />
            <CommandButton small command={planCommand('quicker')} label="Quicker" run={run} />
            <CommandButton small command={planCommand('low-and-long')} run={run} />
            <CommandButton small command={planCommand('hot-and-quick')} run={run} />
            <CommandButton small command={planCommand('choice')} label="Recommended" run={run} />
          </div>
        </>
      )}
      <div className={css['field']}>
        <CommandButton small command={planCommand('hot-air')} label="Hot-air map" run={run} />
      </div>
    </div>
  );
}
