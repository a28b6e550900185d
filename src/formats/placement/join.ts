import type { CentroidRow } from './centroid';

/**
 * Rows of several lists as one row a part: places from the list of positions, values and footprints from the parts list, each giving
 * what it has. Where two lists give the same thing differently the first that was given stays.
 */
export function joined(rows: readonly CentroidRow[]): Map<string, CentroidRow> {
  const by = new Map<string, CentroidRow>();
  for (const row of rows) {
    const known = by.get(row.ref);
    if (!known) {
      by.set(row.ref, row);
      continue;
    }
    by.set(row.ref, {
      ...known,
      value: known.value || row.value,
      footprint: known.footprint || row.footprint,
      side: known.side ?? row.side,
      x_m: known.x_m ?? row.x_m,
      y_m: known.y_m ?? row.y_m,
      rotation_deg: known.rotation_deg ?? row.rotation_deg,
    });
  }
  return by;
}
