import { useEffect, useState } from 'react';
import type { PartInput } from '~/schema/exchange/parts/part';
import type { SitePartReading } from '~/schema/records/site/partReading';
import { getJson } from '~/ui/api';
import { ReadingForm } from './ReadingForm';
import { ReadingList } from './ReadingList';

/** What the part on a site reads, judged by what it is taken for, visit by visit. */
export function SiteReadings({
  siteId,
  siteRef,
  part,
  by,
}: {
  readonly siteId: string;
  readonly siteRef: string;
  readonly part: PartInput;
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
      <ReadingList part={part} readings={readings} />
    </section>
  );
}
