import type { AirSetting } from '../request';

/** One arrangement of air over a site: everything but the temperatures, which superposition answers. */
export type Arrangement = Omit<AirSetting, 'kind' | 'air_K' | 'preheat'> & {
  readonly preheat: NonNullable<AirSetting['preheat']> | null;
};
