import type { FoundAnswer, PhaseAnswer } from '~/schema/exchange/plan/planAnswer';
import { phasesIn } from '~/schema/exchange/plan/phasesIn';
import type { PlanInput } from '~/schema/exchange/plan/planRequest';
import { Caution } from '~/ui/controls/Notes';
import { HeatAbout } from '~/ui/face/HeatAbout';
import { amountWords, budget, degrees, seconds } from '~/ui/figures';
import css from './plan.module.css';

/** What the job uses up, what it does to others, how it comes down, and what to mind. */
export function MatterPanel({ answer, input }: { answer: FoundAnswer; input: PlanInput }) {
  const phases = phasesIn(answer);
  const short = answer.consumption.filter((d) => d.short);
  const mixed = phases.flatMap((p) => (p.materials.mixture ? [p.materials.mixture] : []))[0];
  return (
    <div className={css['matter']}>
      <h2>Materials</h2>
      {short.map((d) => (
        <Caution key={d.kind}>
          {d.name} will run out: {amountWords(d)} wanted, {amountWords({ ...d, amount: d.left ?? 0 })} left.
          Get more before you begin.
        </Caution>
      ))}
      <dl>
        {answer.consumption.map((d) => (
          <div key={`${d.kind}-${d.supplyId}`}>
            <dt>{d.supplyId ? d.name : `${d.name} (none in stock)`}</dt>
            <dd className="digits">
              {amountWords(d)}
              {d.left !== null && <span className="quiet"> of {amountWords({ ...d, amount: d.left })}</span>}
            </dd>
          </div>
        ))}
      </dl>
      {mixed && (
        <p>
          Mixed in the joint it melts over {Math.round(mixed.solidus_C)} to {Math.round(mixed.liquidus_C)} °C,
          good to about {Math.round(mixed.uncertainty_K)} K. {mixed.warning}
        </p>
      )}
      {answer.partCycles && (
        <>
          <h2>The part itself</h2>
          {answer.partCycles.over ? (
            <Caution>
              This would be heat cycle {answer.partCycles.after} of this part, and a body is good for about{' '}
              {answer.partCycles.most}. Fit a fresh one, or a socket, or leave it.
            </Caution>
          ) : (
            <p className="quiet">
              Heat cycles: {answer.partCycles.before} before, {answer.partCycles.after} after this.
            </p>
          )}
        </>
      )}
      <h2>Neighbours</h2>
      {phases.map((p) => (
        <Neighbours key={p.phase} phase={p} input={input} />
      ))}
      {phases.map(
        (p) =>
          p.coolDown && (
            <div key={p.phase}>
              <h2>Coming down</h2>
              <p>
                {sentence(p.coolDown.how)}; cool to the touch after {seconds(p.coolDown.clock_s)}. Bow{' '}
                {p.coolDown.bowHot_pct.toFixed(2)} % while hot, {p.coolDown.bowLeft_pct.toFixed(2)} % left, of{' '}
                {p.coolDown.bowLimit_pct.toFixed(2)} % allowed.
              </p>
              {!p.coolDown.ok && (
                <Caution>
                  No way down that was tried keeps bow and cooling rate within their limits; this one comes
                  nearest.
                </Caution>
              )}
            </div>
          ),
      )}
      <h2>Cautions</h2>
      <ul className={css['cautions']}>
        {answer.cautions.map((c) => (
          <li key={c.id}>{c.text}</li>
        ))}
      </ul>
      <p className="quiet">Each stands again in the step that it belongs to.</p>
      <p className="quiet">
        Estimates, not promises. Local codes, the equipment’s own service data and licensed practice come
        first.
      </p>
    </div>
  );
}

function Neighbours({
  phase: { neighbours, shared, keepOut },
  input,
}: {
  phase: PhaseAnswer;
  input: PlanInput;
}) {
  const placed = new Map(input.neighbours.map((n) => [n.ref, n]));
  const about = neighbours.flatMap((n) => {
    const at = placed.get(n.ref);
    return at ? [{ ...at, hottest_C: Math.max(n.joint_C, n.body_C), ok: n.ok }] : [];
  });
  const risky = neighbours.filter((n) => !n.ok);
  const warmest = neighbours.reduce<(typeof neighbours)[number] | null>(
    (a, b) => (a && a.joint_C >= b.joint_C ? a : b),
    null,
  );
  return (
    <>
      <HeatAbout site={input.site} neighbours={about} />
      {neighbours.length === 0 && <p className="quiet">No other part on this board.</p>}
      {warmest && risky.length === 0 && (
        <p className="quiet">
          None at risk; warmest {warmest.ref} at {degrees(warmest.joint_C)}.
        </p>
      )}
      {risky.map((n) => (
        <Caution key={n.ref}>
          {n.ref} reaches {degrees(Math.max(n.joint_C, n.body_C))}: shield it, or work from farther off.
        </Caution>
      ))}
      {keepOut && (
        <p data-keep-out>
          <strong>Lithium cell:</strong>{' '}
          {keepOut.within_mm === null
            ? `the whole board passes ${degrees(keepOut.limit_C)}; it has to come out.`
            : keepOut.within_mm > 0
              ? `keep it farther than ${Math.ceil(keepOut.within_mm)} mm from ${input.site.ref}; nearer, the board passes ${degrees(keepOut.limit_C)}.`
              : `nothing beyond the joints passes ${degrees(keepOut.limit_C)}.`}
        </p>
      )}
      {shared && (
        <p data-shared>
          <strong>{shared.refs.join(' and ')} in one heat:</strong> {seconds(shared.time_s)} of heat instead
          of {seconds(shared.timeApart_s)} in {shared.heatsApart} heats, and {budget(shared.padDose)} of the
          worst pad’s budget instead of {budget(shared.padDoseApart)}.
        </p>
      )}
    </>
  );
}

const sentence = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
