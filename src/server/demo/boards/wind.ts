import { constructionFrom } from '~/schema/presets/stackupPresets';
import type { DemoBoard } from '../demoBoard';
import { radial, relief, track } from '../parts';

export const WIND: DemoBoard = {
  id: 'demo-wind-2',
  daysAgo: 1,
  board: {
    name: 'Wind logger 2',
    owner: 'HL',
    fault: 'Reads half speed. Sensor filter capacitor measured open.',
    triedBefore: '',
    hazards: [],
    construction: constructionFrom('two-layer', 100, 70),
  },
  sites: [
    {
      ref: 'C5',
      value: '6n8',
      side: 'top',
      x_mm: 50,
      y_mm: 30,
      rotation_deg: 0,
      alloy: 'sn63pb37',
      clinched: false,
      package: radial(5, 5, 0.5),
      pads: [
        { name: '1', net: 'SIG', connections: [track(0.25)] },
        { name: '2', net: 'GND', connections: [relief(2)] },
      ],
    },
  ],
  findings: [],
  entries: [
    {
      by: 'HL',
      daysAgo: 0.6 / 24,
      body: {
        kind: 'clock-started',
        clock: 'oven',
        what: 'after the wash, 45 °C',
        siteId: null,
        jobId: null,
        stepId: null,
        length_s: 2 * 3600,
      },
    },
  ],
};
