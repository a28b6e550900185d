import { incomingPlan, incomingStands, type IncomingReading } from '~/core/electrical/parts/incoming';
import type { PartReading, StockPart } from '~/schema/records/parts/stockPart';
import { Caution } from '~/ui/controls/Notes';
import { ofPrinted, suspicionsOn } from './printed';

const SAYS = {
  'read-more': 'Read more of them before any is fitted.',
  release: 'As many as were asked for read well: it may be released.',
  reject: 'More are dead than a good batch has: it is rejected.',
} as const;

/** How many of a line are read before it is fitted, where that stands, and whether they were marked anew. */
export function IncomingTest({
  line,
  readings,
}: {
  readonly line: StockPart;
  readonly readings: readonly PartReading[];
}) {
  const plan = incomingPlan(line.count, line.part.source);
  const alone = readings.filter(({ reading }) => !reading.inCircuit);
  const stands = incomingStands(
    plan,
    alone.map((r): IncomingReading => ({ verdict: r.verdict, ofPrinted: ofPrinted(line.part, r) })),
  );
  return (
    <>
      <p className="quiet" data-says={stands.says}>
        Incoming test of {line.count}: {stands.read} of {plan.n} read, {stands.bad} dead, {plan.accept} may
        be. A batch with {Math.round(100 * plan.bad)} % dead gets through{' '}
        {Math.round(100 * plan.consumersRisk)} times in a hundred. <strong>{SAYS[stands.says]}</strong>
      </p>
      {[...suspicionsOn(line.part), ...stands.remarked].map((why) => (
        <Caution key={why}>{why}.</Caution>
      ))}
    </>
  );
}
