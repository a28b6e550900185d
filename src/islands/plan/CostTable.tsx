import type { ReactNode } from 'react';
import { Figure } from '~/ui/controls/Notes';
import { budget, chance, seconds, secondsRange } from '~/ui/figures';
import { padsWords } from '~/ui/land/padsWords';
import type { PinGroup } from './pinGroups';
import css from './plan.module.css';

/** What each joint costs, a row each, its figures in line: where they come from stands behind every one. */
export function CostTable({ groups }: { readonly groups: readonly PinGroup[] }) {
  return (
    <table className={css['costs']} aria-label="What each joint costs">
      <thead>
        <tr>
          <th scope="col">Pin</th>
          <th scope="col">molten at</th>
          <th scope="col">lift within, after melt</th>
          <th scope="col">pad</th>
          <th scope="col">laminate</th>
          <th scope="col">not molten at stop</th>
        </tr>
      </thead>
      <tbody>
        {groups.map(({ pin, pads }) => (
          <tr key={pads.join(' ')} data-solid={pin.chanceSolidAtStop > 0 || undefined}>
            <th scope="row">{padsWords(pads).replace(/^Pins? /, '')}</th>
            <Cell
              from={`Computed: 10 to 90 % of ${pin.draws} simulated cases over contact, copper, laminate, tip calibration`}
            >
              {secondsRange(pin.melt_s.p10, pin.melt_s.p90)}
            </Cell>
            <Cell from="Computed: once the melt is seen, nine cases in ten stay inside their budget this long">
              {seconds(pin.holdAfterMelt_s)}
            </Cell>
            <Cell
              from={`Estimated share of the heat this pad’s bond stands, half of the cases below; one in ten above ${budget(pin.padDose.p90)}. Source: Arrhenius line through solder-float and bench anchors`}
            >
              {budget(pin.padDose.p50)}
            </Cell>
            <Cell
              from={`Estimated share of the laminate’s life, one in ten above ${budget(pin.laminateDose.p90)}. Source: T260 and T288 of the laminate`}
            >
              {budget(pin.laminateDose.p50)}
            </Cell>
            <Cell
              from={`Cases not molten through at ${seconds(pin.stop_s)}; the stop is set ${pin.stopBecause === 'well past the melt' ? pin.stopBecause : `by the ${pin.stopBecause}`}`}
            >
              {chance(pin.chanceSolidAtStop, pin.draws)}
            </Cell>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

const Cell = ({ from, children }: { readonly from: string; readonly children: ReactNode }) => (
  <td>
    <Figure right from={from}>
      {children}
    </Figure>
  </td>
);
