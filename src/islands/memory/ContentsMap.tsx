import type { MapCell } from '~/core/electrical/memory/compare';
import { hex } from '~/core/electrical/memory/checksums';
import type { ComparedDumps } from '~/schema/sheets/memorySheet';
import css from './memory.module.css';

const COLUMNS = 64;
const CELL = 10;

const WORDS: Readonly<Record<MapCell, string>> = {
  same: 'alike',
  differs: 'differs',
  blank: 'blank in both',
};

/** Two contents as one picture: every stretch of them, and whether anything in it differs; the ranges stand beside it. */
export function ContentsMap({
  compared,
  label,
}: {
  readonly compared: ComparedDumps;
  readonly label: string;
}) {
  const { cells, cell_bytes, ranges, more } = compared;
  const rows = Math.ceil(cells.length / COLUMNS);
  const differ = cells.filter((cell) => cell === 'differs').length;
  return (
    <div className={css['compared']}>
      <figure className={css['map']}>
        <svg
          viewBox={`0 0 ${COLUMNS * CELL + 56} ${rows * CELL}`}
          role="img"
          aria-label={`${label}: ${differ === 0 ? 'alike everywhere' : `${differ} of ${cells.length} stretches differ`}`}
        >
          {Array.from({ length: Math.ceil(rows / 4) }, (_, i) => (
            <text key={i} x={0} y={i * 4 * CELL + 8} className={css['address']}>
              {hex(i * 4 * COLUMNS * cell_bytes, 5)}
            </text>
          ))}
          {cells.map((cell, i) => {
            const [x, y] = [56 + (i % COLUMNS) * CELL, Math.floor(i / COLUMNS) * CELL];
            return (
              <g key={i} data-cell={cell}>
                <rect x={x + 0.5} y={y + 0.5} width={CELL - 1} height={CELL - 1} />
                {cell === 'differs' && <path d={`M${x + 2} ${y + 2}l6 6m0-6l-6 6`} />}
                {cell === 'blank' && <circle cx={x + CELL / 2} cy={y + CELL / 2} r={1} />}
              </g>
            );
          })}
        </svg>
        <figcaption className="quiet">
          {(['same', 'differs', 'blank'] as const).map((cell) => (
            <span key={cell} className={css['legend']}>
              <svg viewBox="0 0 10 10" aria-hidden="true" data-cell={cell}>
                <rect x={0.5} y={0.5} width={9} height={9} />
                {cell === 'differs' && <path d="M2 2l6 6m0-6l-6 6" />}
                {cell === 'blank' && <circle cx={5} cy={5} r={1} />}
              </svg>
              {WORDS[cell]}
            </span>
          ))}
          A square is {cell_bytes === 1 ? 'a byte' : `${cell_bytes} bytes`}.
        </figcaption>
      </figure>
      {ranges.length > 0 && (
        <div className={css['scrolled']} tabIndex={0} role="group" aria-label="Ranges that differ">
          <table className={css['ranges']}>
            <thead>
              <tr>
                <th scope="col">from</th>
                <th scope="col">to</th>
                <th scope="col">bytes</th>
              </tr>
            </thead>
            <tbody>
              {ranges.map(({ from, to }) => (
                <tr key={from}>
                  <td className="digits">{hex(from, 5)}</td>
                  <td className="digits">{hex(to - 1, 5)}</td>
                  <td className="digits">{to - from}</td>
                </tr>
              ))}
            </tbody>
            {more > 0 && (
              <tfoot>
                <tr>
                  <td colSpan={3}>and {more} more</td>
                </tr>
              </tfoot>
            )}
          </table>
        </div>
      )}
    </div>
  );
}
