import { useEffect, useState } from 'react';
import type { PartInput } from '~/schema/exchange/parts/part';
import type { SitePartReading } from '~/schema/records/site/partReading';
import { getJson } from '~/ui/api';
import { Caution } from '~/ui/controls/Notes';
import { suspicionsOn } from './printed';
import { ReadingForm } from './ReadingForm';
import { ReadingList } from './ReadingList';

/** What the part on a site reads, judged by what it is taken for, visit by visit. */
export function SiteReadings({
  siteId,
  siteRef,
  part,
  boardYear,
  by,
}: {
  readonly siteId: string;
  readonly siteRef: string;
  readonly part: PartInput;
  /** When the board was made; null where nobody knows. */
  readonly boardYear: number | null;
  readonly by: string;
}) {
  const [readings, setReadings] = useState<readonly SitePartReading[]>([]);
  const address = `/api/sites/${siteId}/part-readings`;
  const look = (): void =>
    void getJson<{ readings: SitePartReading[] }>(address).then(
      (told) => setReadings(told.readings),
      // The panel stands without them.
      () => undefined,
    );
  useEffect(look, [address]);
  return (
    <section aria-label={`What ${siteRef} reads`}>
      <h2>What {siteRef} reads</h2>
      <ReadingForm part={part} address={address} by={by} withPart onKept={look} />
      {suspicionsOn(part, boardYear).map((why) => (
        <Caution key={why}>{why}.</Caution>
      ))}
      <ReadingList part={part} readings={readings} />
    </section>
  );
}
