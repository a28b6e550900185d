import type { PhaseRequest } from '../request';
import { step, type Step } from './step';

/** What a power tab is held by comes off cold, and how it lay is written down. */
export const hardwareOff = ({ site }: PhaseRequest): Step[] =>
  site.part.family === 'to220'
    ? [
        step({
          id: 'hardware',
          kind: 'do',
          title: 'Screw, clip and heat sink off',
          detail:
            'Cold. Keep insulator, bush and washer together and note their order: the tab is often pin two and live.',
          why: 'A sink drinks the iron’s heat, and a part still screwed down pulls its pads.',
        }),
      ]
    : [];

/** And back in its order once the joints are proved. */
export const hardwareOn = ({ site, phase }: PhaseRequest): Step[] =>
  site.part.family === 'to220' && phase === 'fit'
    ? [
        step({
          id: 'hardware-on',
          kind: 'gate',
          title: 'Heat sink, insulator and screw back',
          detail:
            'Fresh paste or pad, insulator and bush as they lay, screw not overtight. Tab to sink by meter: open where it was insulated.',
          why: 'Without its sink it trips or dies in the first test; without its insulator it shorts to the sink.',
        }),
      ]
    : [];
