import { Caution } from '~/ui/controls/Notes';
import { degrees, secondsRange, seconds } from '~/ui/figures';
import type { PlanState } from './state';
import css from './plan.module.css';

/** The job as it will be run, with what it needs and what to mind. */
export function StepsAndMatter({ state }: { state: PlanState }) {
  const { exploration } = state;
  if (exploration.status !== 'done') return null;
  const { steps, materials, cautions, neighbours } = exploration.answer;
  const risky = neighbours.filter((n) => !n.ok);
  return (
    <section className={css['below']} aria-label="Steps and materials">
      <div>
        <h2>Steps</h2>
        <ol className={css['steps']}>
          {steps.map((step) => (
            <li key={step.id}>
              <strong>{step.title}</strong>
              <span>
                {step.dwell
                  ? `${step.dwell.setpoint_C} °C · expect ${secondsRange(...step.dwell.expect_s)} · stop at ${seconds(step.dwell.stop_s)}`
                  : step.detail}
              </span>
            </li>
          ))}
        </ol>
      </div>
      <div className={css['matter']}>
        <h2>Materials</h2>
        <dl>
          <div>
            <dt>Solder wire {materials.wireDiameter_mm.toFixed(1)} mm</dt>
            <dd className="digits">{materials.solderWire_mm.toFixed(0)} mm</dd>
          </div>
          {materials.braid_mm > 0 && (
            <div>
              <dt>Braid {materials.braidWidth_mm.toFixed(1)} mm</dt>
              <dd className="digits">{materials.braid_mm.toFixed(0)} mm</dd>
            </div>
          )}
          <div>
            <dt>Flux</dt>
            <dd className="digits">{(materials.flux_mL * 1000).toFixed(1)} µL</dd>
          </div>
        </dl>
        <h2>Neighbours</h2>
        {neighbours.length === 0 && <p className="quiet">No other site on this board.</p>}
        {neighbours.length > 0 && risky.length === 0 && (
          <p className="quiet">
            None at risk; warmest {neighbours.reduce((a, b) => (b.joint_C > a.joint_C ? b : a)).ref} at{' '}
            {degrees(Math.max(...neighbours.map((n) => n.joint_C)))}.
          </p>
        )}
        {risky.map((n) => (
          <Caution key={n.ref}>
            {n.ref} reaches {degrees(n.joint_C)}: too near its solidus. Shield it, or work from farther off.
          </Caution>
        ))}
        <h2>Cautions</h2>
        <ul>
          {cautions.map((c) => (
            <li key={c.id}>
              <Caution>{c.text}</Caution>
            </li>
          ))}
        </ul>
        <p className="quiet">
          Estimates, not promises. Local codes, the equipment’s own service data and licensed practice come
          first.
        </p>
      </div>
    </section>
  );
}
