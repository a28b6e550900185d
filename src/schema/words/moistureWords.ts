import { FLOOR_LIFE_s } from '~/core/packages/moisture';
import type { MoistureAnswer } from '~/schema/exchange/si/moisture';
import type { MoistureInput } from '~/schema/values/moisture';

export function moistureInWords(answer: MoistureAnswer, given: MoistureInput | undefined): string {
  switch (answer.kind) {
    case 'none':
      return answer.because === 'floor life left' && given
        ? `no bake: ${Math.floor(FLOOR_LIFE_s[given.level] / 3600 - given.outOfBag_h)} h of floor life left`
        : `no bake: ${answer.because === 'below 200 °C' ? 'the body stays below 200 °C' : answer.because}`;
    case 'bake':
      return `bake ${answer.hours} h at ${answer.at_C} °C first, or the body may crack as its water boils`;
    case 'label':
      return `bake as the part’s label says: ${answer.because === 'large array' ? 'for arrays over 17 mm the table gives 125 °C only' : answer.because}`;
    case 'level not known':
      return 'the body passes 200 °C: its moisture level decides whether it must be baked first';
  }
}
