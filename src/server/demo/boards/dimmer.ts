import { constructionFrom } from '~/schema/presets/stackupPresets';
import type { DemoBoard, DemoSite } from '../demoBoard';
import { partsWith, plane, radial, relief, track } from '../parts';

const part = partsWith('sn60pb40', (net, holed, side) =>
  net === 'GND' && holed
    ? [relief(2)]
    : net === 'V48' && holed
      ? [plane(3)]
      : [{ ...track(0.8), layers: [holed === (side === 'top') ? 4 : 1] }],
);

/** Value, diameter, pitch and lead of each capacitor; the heavy ones hang on the supply's plane. */
const KINDS = [
  { value: '10 µF 63 V', size: [5, 2.5, 0.5], supply: 'VA' },
  { value: '47 µF 50 V', size: [6.3, 2.5, 0.5], supply: 'VA' },
  { value: '100 µF 35 V', size: [8, 3.5, 0.6], supply: 'VB' },
  { value: '180 µF 40 V', size: [10, 5, 0.6], supply: 'VB' },
  { value: '470 µF 63 V', size: [12.5, 5, 0.6], supply: 'V48' },
] as const;

/** Twenty capacitors in four channels of five: one of each value in a channel, as dimmer boards have them. */
const CAPACITORS: DemoSite[] = Array.from({ length: 20 }, (_, i): DemoSite => {
  const channel = i % 4;
  const kind = KINDS[Math.floor(i / 4)]!;
  const [diameter, pitch, lead] = kind.size;
  const at = {
    ref: `C${channel + 1}0${Math.floor(i / 4) + 1}`,
    value: kind.value,
    x_mm: 28 + 45 * channel,
    y_mm: 22 + 16 * Math.floor(i / 4),
  };
  const site = part(at, radial(diameter, pitch, lead), [kind.supply, 'GND']);
  // The first channel was made by hand: its leads are bent over.
  return channel === 0 ? { ...site, clinched: true } : site;
});

/** Four layers, twenty capacitors past their years: a recap. */
export const DIMMER: DemoBoard = {
  id: 'demo-dimmer-4',
  daysAgo: 6,
  board: {
    name: 'Dome dimmer, channels 1 to 4',
    owner: 'AO',
    fault: 'Dome flickers at low light; capacitors warm and past their years.',
    triedBefore: '',
    hazards: ['stored-charge'],
    finish: 'hot-air-levelled',
    madeIn: 1998,
    fixtures: 'Eight screws, two heat sinks that stay on.',
    construction: constructionFrom('four-layer', 200, 110),
  },
  sites: CAPACITORS,
  findings: [
    {
      site: 'C205',
      pad: '1',
      state: 'dull',
      note: 'Ring about the lead, not yet open',
      daysAgo: 6,
      by: 'AO',
    },
  ],
  groups: [{ name: 'Channel 1', refs: CAPACITORS.filter((s) => s.ref.startsWith('C1')).map((s) => s.ref) }],
  entries: [
    {
      by: 'MK',
      daysAgo: 3.2 / 24,
      body: {
        kind: 'clock-started',
        clock: 'soak-test',
        what: 'on the lamp bank at half load',
        siteId: null,
        jobId: null,
        stepId: null,
        length_s: 8 * 3600,
      },
    },
  ],
};
