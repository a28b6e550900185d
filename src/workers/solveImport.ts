import CRC32 from 'crc-32';
import type { Packed } from '~/formats/archive/unzip';
import type { Remembered } from '~/formats/import/collect';
import { opened, type Opened } from '~/formats/import/opened';
import { planImport, type ImportPreview } from '~/formats/import/importPlan';
import type { Steps } from './dispatch';
import type { ImportTask } from './protocol';

export function* solveImport(task: ImportTask): Steps<ImportPreview> {
  yield { stage: 'import', doing: 'opening the files', done: 0, of: 1 };
  const { files, archives } = openedOnce(task.files);
  const steps = planImport(files, task.ground, task.choices, remembered);
  for (;;) {
    const next = steps.next();
    if (next.done) return { ...next.value, files: [...archives, ...next.value.files] };
    yield { stage: 'import', ...next.value };
  }
}

/** What was read of the files that were asked for last. */
let remembered: Remembered = new Map();
let last: { readonly of: string; readonly opened: Opened } | null = null;

/** The same files are asked for again with each choice about them. */
function openedOnce(files: readonly Packed[]): Opened {
  const of = files.map(({ name, bytes }) => `${name} ${bytes.length} ${CRC32.buf(bytes)}`).join('\n');
  if (last?.of !== of) {
    last = { of, opened: opened(files) };
    remembered = new Map();
  }
  return last.opened;
}
