import { BOARD_MARK_IDS, BOARD_MARKS, PART_MARK_IDS, PART_MARKS } from '~/core/packages/polarity';
import { Segments, SelectField } from '~/ui/controls/Field';
import type { SiteDraft } from './siteDraft';
import css from './intake.module.css';

type Sign = SiteDraft['sign'];

/** The sign of a part with two poles: what is on the part, which pad is plus, and what the board prints. */
export function PolarityFields({
  sign,
  fault,
  onSign,
}: {
  sign: Sign;
  fault?: string | undefined;
  onSign: (sign: Sign) => void;
}) {
  const diode = sign.part === 'cathode-band' || sign.part === 'cathode-flat';
  const pads = ['1', '2'].map((value) => ({ value, label: `pad ${value}` }));
  return (
    <>
      <h2>Sign</h2>
      <div className={css['three']}>
        <SelectField<Sign['part']>
          label="Marked on the part"
          value={sign.part}
          onChange={(part) => onSign({ ...sign, part })}
          options={[
            { value: '', label: 'none, or not known' },
            ...PART_MARK_IDS.map((id) => ({
              value: id,
              label: `${PART_MARKS[id].name}: ${PART_MARKS[id].means}`,
            })),
          ]}
        />
        {sign.part !== '' && (
          <>
            <Segments
              label={diode ? 'Anode at' : 'Plus at'}
              value={sign.plusPad}
              onChange={(plusPad) => onSign({ ...sign, plusPad })}
              options={pads}
            />
            <SelectField<Sign['boardMark']>
              label="Printed on the board"
              value={sign.boardMark}
              onChange={(boardMark) => onSign({ ...sign, boardMark })}
              options={[
                { value: '', label: 'nothing, or not looked' },
                ...BOARD_MARK_IDS.map((id) => ({ value: id, label: BOARD_MARKS[id].name })),
              ]}
            />
            {sign.boardMark !== '' && (
              <Segments
                label="Printed at"
                value={sign.boardPad}
                onChange={(boardPad) => onSign({ ...sign, boardPad })}
                options={pads}
              />
            )}
          </>
        )}
      </div>
      {fault && <p role="alert">The pad {fault}.</p>}
    </>
  );
}
