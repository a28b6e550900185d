import { property } from '~/core/materials/property';

/** A family's mean density: body with its leads, over the body's volume. */
export const bodyDensity = (value: number) =>
  property(
    value,
    'kg/m³',
    [0.6 * value, 1.5 * value],
    0.2,
    'assumed',
    'masses on data sheets over body volumes, from memory',
  );
