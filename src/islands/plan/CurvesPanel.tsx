import { useCallback } from 'react';
import { ALLOYS, type AlloyId } from '~/core/materials/alloys';
import { celsius } from '~/core/quantity/convert';
import type { PinAnswer } from '~/schema/exchange/plan/planAnswer';
import type { CurveAnswer } from '~/workers/protocol';
import { Chart, type ChartColours } from '~/ui/chart/Chart';
import { curveChart } from './charts';
import css from './plan.module.css';

/** Tip, land and coldest solder of the touch that is looked at. */
export function CurvesPanel({
  curve,
  pin,
  pad,
  alloy,
  mixed,
  searching,
}: {
  readonly curve: CurveAnswer | undefined;
  readonly pin: PinAnswer | undefined;
  readonly pad: string;
  readonly alloy: AlloyId;
  readonly searching: boolean;
  /** Where the joint melts once something was melted into it; null: as its alloy does. */
  readonly mixed: { readonly solidus_C: number; readonly liquidus_C: number } | null;
}) {
  const { solidus, liquidus } = ALLOYS[alloy];
  const solidus_C = mixed?.solidus_C ?? celsius(solidus.value);
  const liquidus_C = mixed?.liquidus_C ?? celsius(liquidus.value);
  const build = useCallback(
    (colours: ChartColours) => curveChart(curve!, pin, { solidus_C, liquidus_C }, colours),
    [curve, pin, solidus_C, liquidus_C],
  );
  return (
    <div className={css['curves']}>
      <h2>{curve?.pad === 'all' ? 'All pads together' : `Pin ${pad}`}: typical temperatures</h2>
      {curve ? (
        <Chart label={`Temperatures of pin ${pad}`} height={244} build={build} waits={searching} />
      ) : (
        <p className="quiet">{searching ? 'Waiting for a setting…' : 'No curve of this setting yet.'}</p>
      )}
    </div>
  );
}
