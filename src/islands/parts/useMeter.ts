import { useEffect, useState } from 'react';
import { valueInWords } from '~/core/quantity/partValue';
import type { InstrumentLine } from '~/schema/sheets/instruments';
import { getJson } from '~/ui/api';

/** What a connected meter shows, field by field as one would type it. */
type MeterShows = Partial<Record<'capacitance' | 'esr_Ohm' | 'resistance' | 'drop_V', string>>;

interface Meter {
  readonly name: string;
  readonly simulated: boolean;
  /** Reads it now; nothing where it is gone, or lies on nothing. */
  readonly read: () => Promise<MeterShows>;
}

const asked = async (): Promise<InstrumentLine | null> => {
  const { instruments } = await getJson<{ instruments: readonly InstrumentLine[] }>('/api/instruments');
  return instruments.find(({ kind, state }) => kind === 'component-meter' && state === 'live') ?? null;
};

/** The component meter that is connected; null where none is. */
export function useMeter(): Meter | null {
  const [meter, setMeter] = useState<InstrumentLine | null>(null);
  useEffect(() => {
    let gone = false;
    asked().then(
      (found) => !gone && setMeter(found),
      // A reading is typed as well.
      () => undefined,
    );
    return () => {
      gone = true;
    };
  }, []);
  return (
    meter && {
      name: meter.name,
      simulated: meter.simulated,
      read: async () => shownBy(await asked()),
    }
  );
}

function shownBy(meter: InstrumentLine | null): MeterShows {
  const { c, esr, r, diode } = meter?.latest ?? {};
  return {
    ...(c == null ? {} : { capacitance: valueInWords(c, 'capacitance') }),
    ...(esr == null ? {} : { esr_Ohm: esr.toPrecision(3) }),
    ...(r == null ? {} : { resistance: valueInWords(r, 'resistance') }),
    ...(diode == null ? {} : { drop_V: diode.toFixed(3) }),
  };
}
