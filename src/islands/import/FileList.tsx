import type { Dispatch, ReactNode } from 'react';
import { Columns } from './Columns';
import { SelectField, TextField } from '~/ui/controls/Field';
import type { ImportPreview } from '~/workers/protocol';
import type { ImportAction } from './state';
import css from './import.module.css';

const KIND_WORDS = {
  netlist: 'netlist, records',
  artwork: 'artwork, operations',
  drill: 'drill file, holes',
  table: 'list, rows',
  exchange: 'board exchange, things',
  archive: 'archive, files',
  unknown: 'not understood',
} as const;

/** Faults shown of one file; the rest is counted. */
const SHOWN = 12;

interface FileListProps {
  readonly preview: ImportPreview;
  readonly layerCount: number;
  /** Names of files that were left out. */
  readonly without: readonly string[];
  readonly dispatch: Dispatch<ImportAction>;
  readonly clear: ReactNode;
}

/** What was read, what each artwork is taken for, where the files' origin lies, and what was not understood by line. */
export function FileList({ preview, layerCount, without, dispatch, clear }: FileListProps) {
  const [x, y] = preview.shift_mm;
  const shift = (to: readonly [number, number]): void => {
    if (to.every(Number.isFinite)) dispatch({ type: 'shift', shift_mm: to });
  };
  return (
    <>
      <h2>Files</h2>
      <ul className={css['list']}>
        {preview.files.map((file) => (
          <li key={file.name}>
            <p className={css['name']}>{file.name}</p>
            <p className="quiet">
              {KIND_WORDS[file.kind]} {file.kind === 'unknown' ? '' : file.count.toLocaleString('en')}
              {file.spelt && ` · ${file.spelt}`}{' '}
              <button
                type="button"
                className={css['plain']}
                onClick={() => dispatch({ type: 'leave-out', name: file.name })}
              >
                leave out
              </button>
              {file.otherwise && (
                <button
                  type="button"
                  className={css['plain']}
                  onClick={() => dispatch({ type: 'as-written', name: file.name })}
                >
                  read as written
                </button>
              )}
            </p>
            {file.layer !== null && (
              <SelectField
                label="Stands for"
                value={String(file.layer)}
                onChange={(value) => dispatch({ type: 'layer', file: file.name, layer: Number(value) })}
                options={[
                  { value: '0', label: 'none of them' },
                  { value: '-1', label: 'the board’s edge' },
                  ...Array.from({ length: layerCount }, (_, i) => ({
                    value: String(i + 1),
                    label: layerName(i + 1, layerCount, preview),
                  })),
                ]}
              />
            )}
            {file.table && (
              <Columns
                table={file.table}
                onChange={(columns) => dispatch({ type: 'columns', file: file.name, columns })}
              />
            )}
            {file.faults.length > 0 && (
              <details className={css['faults']}>
                <summary>
                  {file.faults.length} {nounOf(file)} not understood
                </summary>
                <ul>
                  {file.faults.slice(0, SHOWN).map((fault, i) => (
                    <li key={i}>
                      {fault.line > 0 && <span className="digits">line {fault.line}</span>} {fault.why}
                      {fault.text && <code>{fault.text}</code>}
                    </li>
                  ))}
                  {file.faults.length > SHOWN && <li>and {file.faults.length - SHOWN} more</li>}
                </ul>
              </details>
            )}
          </li>
        ))}
      </ul>
      {without.length > 0 && (
        <ul className={css['list']} aria-label="Left out">
          {without.map((name) => (
            <li key={name}>
              <span className={css['name']}>{name}</span> <span className="quiet">left out</span>{' '}
              <button
                type="button"
                className={css['plain']}
                onClick={() => dispatch({ type: 'take-in', name })}
              >
                take it
              </button>
            </li>
          ))}
        </ul>
      )}
      <div className={css['shift']}>
        <TextField
          label="Shift x, mm"
          type="number"
          step="any"
          key={`x${x}`}
          defaultValue={Math.round(x * 100) / 100}
          onBlur={(event) => shift([event.target.valueAsNumber, y])}
        />
        <TextField
          label="Shift y, mm"
          type="number"
          step="any"
          key={`y${y}`}
          defaultValue={Math.round(y * 100) / 100}
          onBlur={(event) => shift([x, event.target.valueAsNumber])}
        />
      </div>
      <p className="quiet">From the files’ origin to the board’s lower left corner.</p>
      {clear}
    </>
  );
}

const nounOf = ({ kind, faults: { length } }: ImportPreview['files'][number]): string =>
  kind === 'archive' ? (length === 1 ? 'file' : 'files') : length === 1 ? 'line' : 'lines';

function layerName(layer: number, count: number, preview: ImportPreview): string {
  const where = layer === 1 ? ', top' : layer === count ? ', bottom' : '';
  const covered = preview.layers.find((l) => l.layer === layer);
  return `${layer}${where}${covered ? ` · ${Math.round(100 * covered.coverage)} % copper` : ''}`;
}
