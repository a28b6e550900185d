import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { edited, mayHide, type StepEdit } from '~/core/method/steps/edits';
import { PLAN } from '~/core/method/settings';
import type { FoundAnswer, StepAnswer } from '~/schema/exchange/plan/planAnswer';
import { addedStep } from '~/schema/exchange/plan/addedStep';
import { jointInWords } from '~/schema/words/jointWords';
import { Button, CommandButton } from '~/ui/controls/Button';
import { SelectField, TextField } from '~/ui/controls/Field';
import { seconds } from '~/ui/figures';
import { planCommand, type PlanCommand } from './commands';
import { JobTime } from './JobTime';
import css from './plan.module.css';

interface StepsPanelProps {
  readonly steps: readonly StepAnswer[];
  /** What its ways take and how fast hands are; null where it is not known. */
  readonly times: FoundAnswer['times'];
  readonly edits: readonly StepEdit[];
  readonly why: boolean;
  readonly editing: boolean;
  /** What is written where the changes are kept: null while nothing was kept yet. */
  readonly kept: string | null;
  readonly onEdits: (edits: readonly StepEdit[]) => void;
  readonly onKeep: () => void;
  readonly run: (id: PlanCommand) => void;
}

/** The job as it will be run: every step, its reason one key away, and the workshop's own changes. */
export function StepsPanel({
  steps,
  times,
  edits,
  why,
  editing,
  kept,
  onEdits,
  onKeep,
  run,
}: StepsPanelProps) {
  const shown = edited(steps, edits, addedStep);
  const hidden = edits.flatMap((edit) => {
    if (edit.op !== 'hide') return [];
    const step = steps.find((s) => s.id === edit.id);
    return step && !shown.includes(step) ? [step] : [];
  });
  const add = (edit: StepEdit): void => onEdits([...edits, edit]);
  return (
    <div>
      <div className={css['stepsHead']}>
        <h2>Steps</h2>
        <CommandButton
          small
          command={planCommand('why')}
          label={why ? 'Hide the reasons' : 'Reasons'}
          pressed={why}
          run={run}
        />
        <CommandButton
          small
          command={planCommand('edit-steps')}
          label={editing ? 'Done changing' : 'Change'}
          pressed={editing}
          run={run}
        />
      </div>
      {times && <JobTime steps={shown} times={times} />}
      <ol className={css['steps']} data-editing={editing || undefined}>
        {shown.map((step, i) => (
          <li key={step.id} data-kind={step.kind}>
            <strong>{step.title}</strong>
            <span>
              {step.dwell
                ? jointInWords(step.dwell.setpoint_C, {
                    p50_s: step.dwell.liftFrom_s === null ? null : step.dwell.liftFrom_s - PLAN.settle_s,
                    p90_s: step.dwell.expect_s[1],
                    stop_s: step.dwell.stop_s,
                  })
                : step.detail}
              {step.dwell && tellsFirst(shown, i) && (
                <small className={css['because']}>Not molten at the stop: {step.dwell.ifNotMolten}</small>
              )}
              {step.wait_s !== null && <em className="digits"> {seconds(step.wait_s)}</em>}
              {why && <small className={css['because']}>{step.why}</small>}
            </span>
            {editing && (
              <Row
                step={step}
                before={shown[i - 2]?.id ?? ''}
                first={i === 0}
                after={shown[i + 1]?.id}
                add={add}
              />
            )}
          </li>
        ))}
      </ol>
      {editing && (
        <div className={css['stepTools']}>
          {hidden.length > 0 && (
            <p>
              Left out: {hidden.map((step) => step.title).join(', ')}.{' '}
              <Button
                small
                onClick={() =>
                  onEdits(
                    edits.filter((edit) => !(edit.op === 'hide' && hidden.some((h) => h.id === edit.id))),
                  )
                }
              >
                Put back
              </Button>
            </p>
          )}
          <AddStep steps={shown} onAdd={add} />
          <div className={css['pair']}>
            <Button small disabled={edits.length === 0} onClick={() => onEdits([])}>
              Undo every change
            </Button>
            <Button small onClick={onKeep}>
              Keep for this workshop
            </Button>
          </div>
          {kept && (
            <p role="status" className="quiet">
              {kept}
            </p>
          )}
          <p className="quiet">Hold points and heat stay: they may be reworded and moved, not left out.</p>
        </div>
      )}
    </div>
  );
}

/** What to do then is told with the first heat that says it; the next ones mean the same. */
const tellsFirst = (steps: readonly StepAnswer[], at: number): boolean =>
  steps.findIndex((s) => s.dwell?.ifNotMolten === steps[at]!.dwell?.ifNotMolten) === at;

function Row({
  step,
  before,
  first,
  after,
  add,
}: {
  step: StepAnswer;
  /** The step two places up: what this one comes after once moved up. */
  before: string;
  first: boolean;
  after: string | undefined;
  add: (edit: StepEdit) => void;
}) {
  const [words, setWords] = useState<{ title: string; detail: string } | null>(null);
  if (words) {
    return (
      <div className={css['reword']}>
        <TextField
          label="Title"
          value={words.title}
          maxLength={80}
          onChange={(e) => setWords({ ...words, title: e.target.value })}
        />
        <TextField
          label="What to do"
          value={words.detail}
          maxLength={400}
          onChange={(e) => setWords({ ...words, detail: e.target.value })}
        />
        <Button
          small
          disabled={words.title.trim() === ''}
          onClick={() => {
            add({ op: 'reword', id: step.id, ...words });
            setWords(null);
          }}
        >
          Reword it
        </Button>
      </div>
    );
  }
  return (
    <div className={css['rowTools']}>
      <Button
        small
        disabled={first}
        aria-label={`Move “${step.title}” up`}
        onClick={() => add({ op: 'move', id: step.id, after: before })}
      >
        ↑
      </Button>
      <Button
        small
        disabled={after === undefined}
        aria-label={`Move “${step.title}” down`}
        onClick={() => add({ op: 'move', id: step.id, after: after! })}
      >
        ↓
      </Button>
      <Button
        small
        aria-label={`Reword “${step.title}”`}
        onClick={() => setWords({ title: step.title, detail: step.detail })}
      >
        Reword
      </Button>
      <Button
        small
        disabled={!mayHide(step)}
        aria-label={`Leave “${step.title}” out`}
        onClick={() => add({ op: 'hide', id: step.id })}
      >
        Leave out
      </Button>
    </div>
  );
}

const KINDS = [
  { value: 'do', label: 'Do' },
  { value: 'inspect', label: 'Look' },
  { value: 'gate', label: 'Hold point: must be confirmed' },
  { value: 'wait', label: 'Wait with a clock' },
] as const;

interface StepDraft {
  readonly after: string;
  readonly kind: (typeof KINDS)[number]['value'];
  readonly title: string;
  readonly detail: string;
  readonly wait: string;
}

function AddStep({ steps, onAdd }: { steps: readonly StepAnswer[]; onAdd: (edit: StepEdit) => void }) {
  const { register, getValues, watch, setValue } = useForm<StepDraft>({
    defaultValues: { after: steps.at(-1)?.id ?? '', kind: 'do', title: '', detail: '', wait: '60' },
  });
  const draft = watch();
  const wait_s = Number(draft.wait);
  const wrongWait = draft.kind === 'wait' && !(wait_s >= 1 && wait_s <= 86_400);
  const add = (): void => {
    const { title, detail, after, kind } = getValues();
    onAdd({
      op: 'add',
      id: `own-${title
        .trim()
        .toLowerCase()
        .replace(/[^a-z0-9]+/g, '-')
        .slice(0, 40)}-${steps.length}`,
      after,
      kind,
      title: title.trim(),
      detail: detail.trim(),
      why: '',
      wait_s: kind === 'wait' ? wait_s : null,
    });
    setValue('title', '');
    setValue('detail', '');
  };
  return (
    <details>
      <summary>Add a step</summary>
      <div className={css['addStep']}>
        <TextField label="Title" maxLength={80} {...register('title')} />
        <TextField label="What to do" maxLength={400} {...register('detail')} />
        <SelectField
          label="Kind"
          value={draft.kind}
          onChange={(kind) => setValue('kind', kind)}
          options={KINDS}
        />
        {draft.kind === 'wait' && (
          <TextField
            label="Clock, s"
            inputMode="numeric"
            {...register('wait')}
            fault={wrongWait ? 'give 1 to 86400 s' : undefined}
          />
        )}
        <SelectField
          label="Comes after"
          value={draft.after}
          onChange={(after) => setValue('after', after)}
          options={[
            { value: '', label: 'nothing: first of all' },
            ...steps.map((s) => ({ value: s.id, label: s.title })),
          ]}
        />
        <Button small disabled={draft.title.trim() === '' || wrongWait} onClick={add}>
          Add it
        </Button>
      </div>
    </details>
  );
}
