import type { PartInput } from '~/schema/exchange/parts/part';
import type { PartReading } from '~/schema/records/parts/stockPart';
import { dayAndTime } from '~/ui/dates';
import { trendInWords, trendOfReadings } from './printed';
import css from './parts.module.css';

/** What was read, newest first, and how it went over the visits; nothing where nothing was. */
export function ReadingList({
  part,
  readings,
}: {
  readonly part: PartInput;
  readonly readings: readonly Omit<PartReading, 'partId'>[];
}) {
  if (readings.length === 0) return null;
  const trend = trendOfReadings(part, readings);
  return (
    <>
      <h3>Readings</h3>
      {trend && <p>{trendInWords(trend)}.</p>}
      <ul className={css['past']}>
        {readings.map((r) => (
          <li key={r.id}>
            <span className="quiet">{dayAndTime(r.at_ms)}</span>{' '}
            <strong data-verdict={r.verdict}>{r.verdict}</strong> {r.reason}.{' '}
            {[
              r.reading.inCircuit ? 'In circuit' : '',
              r.reading.frequency_Hz === undefined ? '' : `${r.reading.frequency_Hz} Hz`,
              r.reading.nulled ? 'leads nulled' : '',
              r.by,
            ]
              .filter(Boolean)
              .join(', ')}
          </li>
        ))}
      </ul>
    </>
  );
}
