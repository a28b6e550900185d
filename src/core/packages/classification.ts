import { kelvin } from '~/core/quantity/convert';

/**
 * Classification temperature of a moulded body: the peak its level was tested to. J-STD-020 tables 4-1
 * (tin–lead) and 4-2 (lead-free), from memory. Thickness in mm and volume in mm³ without balls,
 * leads and stand-off; each row gives the
 * temperatures for volumes under 350, 350 to 2000, and over 2000 mm³.
 */
const CLASSIFICATION_C = {
  leaded: [
    { under_mm: 2.5, peak_C: [235, 220, 220] },
    { under_mm: Infinity, peak_C: [220, 220, 220] },
  ],
  leadFree: [
    { under_mm: 1.6, peak_C: [260, 260, 260] },
    { upTo_mm: 2.5, peak_C: [260, 250, 245] },
    { under_mm: Infinity, peak_C: [250, 245, 245] },
  ],
} as const;

/** Peaks that labels give, °C. */
export const RATED_PEAKS_C = [220, 225, 235, 240, 245, 250, 260] as const;

export function classificationPeak_K(leaded: boolean, thickness_m: number, volume_m3: number): number {
  const thickness_mm = thickness_m * 1e3;
  const volume_mm3 = volume_m3 * 1e9;
  const rows = leaded ? CLASSIFICATION_C.leaded : CLASSIFICATION_C.leadFree;
  // The lead-free table's middle row takes in its upper end, its first row does not, nor does the other table's.
  const row = rows.find((r) =>
    'upTo_mm' in r ? thickness_mm <= r.upTo_mm + 1e-6 : thickness_mm < r.under_mm,
  )!;
  const column = volume_mm3 < 350 ? 0 : volume_mm3 <= 2000 ? 1 : 2;
  return kelvin(row.peak_C[column]);
}
