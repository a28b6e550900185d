import { useState } from 'react';
import type { PlacedPad } from '~/core/electrical/checklist';
import { jumperFor, usualCurrent_A } from '~/core/electrical/jumper';
import { JUMPER } from '~/core/electrical/jumperData';
import { millimetres, wholeCelsius } from '~/core/quantity/convert';
import { PAD_STATES, type PadStateId } from '~/core/record/padStates';
import { repairFor } from '~/core/record/repairs';
import type { BoardRecord } from '~/schema/records/board/board';
import { boardOf } from '~/schema/exchange/si/board';
import { TextField } from '~/ui/controls/Field';
import { Figure } from '~/ui/controls/Notes';
import css from './check.module.css';

const CURRENT_FROM = {
  track: 'What the lost track could carry (IPC-2221 §6.2)',
  relief: 'What the spokes of its relief could carry (IPC-2221 §6.2)',
  assumed: 'Assumed; give what the circuit draws here',
} as const;

/** How a failed pad is put right, and the wire for it where a wire is a way. */
export function Mending(props: {
  readonly pad: PlacedPad;
  readonly pads: readonly PlacedPad[];
  readonly board: BoardRecord;
  readonly state: PadStateId;
  readonly nameOf: (padId: string) => string;
}) {
  const { pad, pads, state, nameOf } = props;
  const board = boardOf(props.board.construction);
  const usual = usualCurrent_A(pad, board);
  const [current, setCurrent] = useState(usual.current_A.toFixed(1));
  const [rise, setRise] = useState(String(JUMPER.usualRise.value));
  const repair = repairFor(state);
  if (!repair) return null;
  const current_A = Number(current.replace(',', '.'));
  const rise_K = Number(rise.replace(',', '.'));
  const usable = current_A > 0 && current_A <= 100 && rise_K >= 1 && rise_K <= 80;
  const wire = repair.jumper && usable ? jumperFor(pad, pads, board, { current_A, rise_K }) : null;
  return (
    <section aria-label="Repair" className={css['mending']}>
      <h3>
        Recorded: {PAD_STATES[state].name.toLowerCase()}, pin {pad.name}
      </h3>
      <p>{repair.how}</p>
      {repair.jumper && (
        <div className={css['order']}>
          <TextField
            label="Current, A"
            inputMode="decimal"
            value={current}
            fault={current_A > 0 && current_A <= 100 ? undefined : 'is no current; give 0.01 to 100 A'}
            onChange={(event) => setCurrent(event.target.value)}
            hint={CURRENT_FROM[usual.from]}
          />
          <TextField
            label="Wire may warm by, K"
            inputMode="decimal"
            value={rise}
            fault={rise_K >= 1 && rise_K <= 80 ? undefined : 'is out of range; give 1 to 80 K'}
            onChange={(event) => setRise(event.target.value)}
          />
        </div>
      )}
      {wire?.outcome === 'wire' && (
        <p className={css['wire']}>
          Jumper from pin {pad.name} to {nameOf(wire.to.id)}:{' '}
          <Figure
            from={`Computed: straight way over the board and ${millimetres(JUMPER.end.value)} mm at each end to strip and dress`}
          >
            {millimetres(wire.length_m).toFixed(0)} mm
          </Figure>{' '}
          of gauge {wire.gauge},{' '}
          <Figure
            from={`Computed from heat lost by a wire in still air at ${wholeCelsius(JUMPER.caseAir.value)} °C (Churchill & Chu 1975): carries ${wire.carries_A.toFixed(1)} A at this rise`}
          >
            {millimetres(wire.diameter_m).toFixed(2)} mm
          </Figure>
          ; drops {(wire.drop_V * 1e3).toFixed(wire.drop_V < 0.01 ? 1 : 0)} mV; {wire.insulation}.
          {wire.changesFace && ' It changes face: lead it through a free hole or round the nearest edge.'}{' '}
          Secure it every {millimetres(JUMPER.secureEvery.value)} mm.
        </p>
      )}
      {wire?.outcome === 'nowhere-to-go' && <p className={css['wire']}>No wire can be named: {wire.why}.</p>}
      {wire?.outcome === 'too-much-current' && (
        <p className={css['wire']}>
          More than one gauge {wire.gauge} wire carries ({wire.carries_A.toFixed(0)} A at this rise): lay
          braid or several wires side by side.
        </p>
      )}
      <p className="quiet">Counts as repaired when verified: {repair.verify}.</p>
    </section>
  );
}
