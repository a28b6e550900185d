import { planImport, type ImportPreview } from '~/formats/import/importPlan';
import type { Steps } from './dispatch';
import type { ImportTask } from './protocol';

export function* solveImport(task: ImportTask): Steps<ImportPreview> {
  const steps = planImport(task.files, task.ground, task.choices);
  for (;;) {
    const next = steps.next();
    if (next.done) return next.value;
    yield { stage: 'import', ...next.value };
  }
}
