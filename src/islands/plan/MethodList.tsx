import { ChevronDown, ChevronUp } from 'lucide-react';
import { useState } from 'react';
import type { MethodAnswer } from '~/schema/exchange/plan/planAnswer';
import { KeyCap } from '~/ui/controls/Button';
import { budget } from '~/ui/figures';
import { keyOf } from '~/ui/keyboard/command';
import { PLAN_COMMANDS } from './commands';
import css from './plan.module.css';

/**
 * Every way to do it, ranked, with what it costs; those that may not be used stay in sight with the reason. A press takes
 * a way; why it stands where it stands opens beside it.
 */
export function MethodList({
  methods,
  chosen,
  searching,
  onTake,
}: {
  readonly methods: readonly MethodAnswer[];
  readonly chosen: string | null;
  readonly searching: boolean;
  readonly onTake: (method: MethodAnswer) => void;
}) {
  const [open, setOpen] = useState<string | null>(null);
  if (methods.length === 0) {
    return <p className="quiet">{searching ? 'Comparing ways…' : 'No way was compared yet.'}</p>;
  }
  return (
    <ol className={css['methods']} aria-label="Ways to do it">
      {methods.map((method, i) => (
        <li
          key={method.id}
          data-chosen={method.id === chosen || undefined}
          data-closed={!method.feasible || undefined}
        >
          <div className={css['way']}>
            <button
              type="button"
              className={css['method']}
              disabled={method.option === null}
              aria-pressed={method.id === chosen}
              onClick={() => {
                if (method.id !== chosen) onTake(method);
              }}
            >
              <span className="digits">{method.feasible ? i + 1 : '×'}</span>
              <span>
                <strong>{method.name}</strong>
                <span className="quiet">{lineOf(method)}</span>
              </span>
            </button>
            <button
              type="button"
              className={css['wayWhy']}
              aria-expanded={open === method.id}
              aria-label={`Why: ${method.name}`}
              onClick={() => setOpen(open === method.id ? null : method.id)}
            >
              {open === method.id ? <ChevronUp aria-hidden /> : <ChevronDown aria-hidden />}
            </button>
          </div>
          {open === method.id && (
            <div className={css['reasons']}>
              <p>{method.about}</p>
              {method.reasons.map((reason) => (
                <p key={reason}>{reason}</p>
              ))}
              <p className="quiet">Usual failure: {method.failure}</p>
              <p className="quiet">Leaves: {method.leaves}</p>
            </div>
          )}
        </li>
      ))}
      <li className={css['methodsHint']}>
        <KeyCap of={keyOf(PLAN_COMMANDS, 'next-method')} /> next method
      </li>
    </ol>
  );
}

function lineOf(method: MethodAnswer): string {
  // Of several reasons the last is what the model said.
  if (!method.feasible || !method.option) return method.reasons.at(-1) ?? 'Not possible here.';
  const damage = (method.option.padDose.p50 ?? 0) + (method.option.laminateDose ?? 0);
  const minutes = method.minutes ?? 0;
  const time = minutes < 1 ? `${Math.round(60 * minutes)} s` : `${minutes.toFixed(minutes < 10 ? 1 : 0)} min`;
  return `${budget(damage)} of a pad, ${time}`;
}
