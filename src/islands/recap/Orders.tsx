import type { RecapAnswer, SequenceAnswer } from '~/schema/exchange/recap/recapAnswer';
import { CommandButton } from '~/ui/controls/Button';
import { minutesText } from '~/ui/figures';
import { recapCommand, type RecapCommand } from './commands';
import css from './recap.module.css';

const times = (count: number): string => (count === 1 ? 'once' : `${count} times`);

const ROWS: readonly (readonly [string, (s: SequenceAnswer) => string])[] = [
  ['Time in all', (s) => minutesText(s.minutes)],
  ['Stations set', (s) => times(s.stations)],
  ['Times moved to another area', (s) => times(s.areaVisits)],
  ['Preheats', (s) => String(s.soaks)],
  ['Drawers opened', (s) => times(s.trays)],
  ['Cooling waits', (s) => (s.wait_min < 0.05 ? 'none' : minutesText(s.wait_min))],
  ['Chance of a mix-up', (s) => (s.mixUps === 0 ? 'none to make' : `1 in ${Math.round(1 / s.mixUps)}`)],
  ['Total iron time', (s) => minutesText(s.heat_s / 60)],
];

/** The two schools side by side, each with its figures. */
export function Orders({
  answer,
  order,
  run,
}: {
  answer: RecapAnswer;
  order: 'value' | 'area';
  run: (id: RecapCommand) => void;
}) {
  return (
    <table className={css['orders']}>
      <thead>
        <tr>
          <th scope="col">Order</th>
          {(['value', 'area'] as const).map((by) => (
            <th key={by} scope="col" data-chosen={order === by || undefined}>
              <CommandButton
                small
                command={recapCommand(by === 'value' ? 'by-value' : 'by-area')}
                pressed={order === by}
                run={run}
              />
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {ROWS.map(([name, words]) => (
          <tr key={name}>
            <th scope="row">{name}</th>
            <td className="digits" data-chosen={order === 'value' || undefined}>
              {words(answer.byValue)}
            </td>
            <td className="digits" data-chosen={order === 'area' || undefined}>
              {words(answer.byArea)}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
