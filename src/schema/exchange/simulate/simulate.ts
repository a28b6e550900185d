import { isSurface } from '~/core/packages/form';
import { asLabelled } from '../si/moisture';
import { partOf } from '../si/part';
import { simulateFieldAnswer } from './simulateField';
import { simulateHand } from './simulateHand';
import { simulateLands } from './simulateLands';
import { InputError } from '~/schema/values/faults';
import type { SimulateInput } from './simulateRequest';
import type { SimulateAnswer } from './simulateAnswer';

/** Runs a request at the scale its load belongs to. Throws InputError where load and part do not go together. */
export function simulate(input: SimulateInput): SimulateAnswer {
  const { load, site } = input;
  const part = asLabelled(partOf(site.package), site.moisture);
  if (load.kind === 'hot-air') return simulateFieldAnswer(input, load);
  if (isSurface(part)) {
    if (load.kind === 'gun') {
      throw new InputError([
        {
          path: '$.load.kind',
          message: `is "gun", which clears holes; give iron, tweezers or hot-air for ${site.package.family}`,
        },
      ]);
    }
    return simulateLands(input, load, part);
  }
  if (load.kind === 'tweezers') {
    throw new InputError([
      {
        path: '$.load.kind',
        message: `is "tweezers", which need lands on one face; give iron, gun or hot-air for ${site.package.family}`,
      },
    ]);
  }
  return simulateHand(input, load, part);
}
