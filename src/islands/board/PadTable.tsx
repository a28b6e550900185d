import { isHurt, PAD_STATES } from '~/core/record/padStates';
import type { PadExposure } from '~/core/record/heatLife';
import type { SiteSheet } from '~/schema/sheets/boardSheet';
import type { FindingRecord } from '~/schema/records/site/finding';
import { connectionInWords } from '~/schema/words/words';
import { HeatStrip } from '~/ui/strip/HeatStrip';
import { padStatesNow } from '~/islands/findings/marking';
import { stripExposure } from './SiteHeat';
import css from './board.module.css';

/** Every pad of a site as a row: its net and copper, its state, its heat so far. */
export function PadTable({
  site,
  findings,
  exposures,
  run,
  onSelect,
}: {
  site: SiteSheet;
  findings: readonly FindingRecord[];
  exposures: readonly PadExposure[];
  run: readonly string[];
  onSelect: (pad: string) => void;
}) {
  return (
    <>
      <table className={css['pads']}>
        <thead>
          <tr>
            <th scope="col">Pin</th>
            <th scope="col">Net and copper</th>
            <th scope="col">State</th>
            <th scope="col">Heat so far</th>
          </tr>
        </thead>
        <tbody>
          {site.pads.map((pad) => {
            const found = padStatesNow(findings, pad.id);
            const states = found.length > 0 ? found : (['sound'] as const);
            const hurt = states.find((state) => isHurt(state));
            return (
              <tr key={pad.id} aria-selected={run.includes(pad.name)} onClick={() => onSelect(pad.name)}>
                <td className="digits">{pad.name}</td>
                <td>
                  {pad.net || '–'} <span className="quiet">{connectionInWords(pad.connections)}</span>
                </td>
                <td>
                  {states.map((state) => (
                    <div key={state}>
                      <span className="digits">{PAD_STATES[state].letter}</span> {PAD_STATES[state].name}
                    </div>
                  ))}
                </td>
                <td>
                  <HeatStrip
                    label={`Pin ${pad.name}`}
                    doubt={hurt ? 'no estimate holds' : undefined}
                    exposures={exposures.filter((e) => e.padId === pad.id).map((e) => stripExposure(e))}
                  />
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </>
  );
}
