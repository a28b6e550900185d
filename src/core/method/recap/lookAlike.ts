import { landShapes, type PartPackage } from '~/core/packages/form';
import { RECAP } from './data';

/** Whether a part goes into the lands of another of its family: the wrong one would be fitted without resistance. */
export function fitsToo(a: PartPackage, b: PartPackage): boolean {
  if (a.family !== b.family) return false;
  const [one, two] = [landShapes(a), landShapes(b)];
  return (
    one.length === two.length &&
    one.every((land, i) => Math.hypot(land.x_m - two[i]!.x_m, land.y_m - two[i]!.y_m) <= RECAP.gives.value)
  );
}
