import { PREHEATERS } from '~/core/materials/air';
import { wearOf } from '~/core/materials/tips';
import type { ToolRecord } from '~/schema/records/rig/tool';
import type { NozzleRecord, ToolSpec } from '~/schema/values/toolSpec';

/** A tool's ranges in one line; a number never parts from its unit. */
export function specInWords(spec: ToolSpec): string {
  switch (spec.kind) {
    case 'iron':
    case 'tweezers':
      return `${spec.kind === 'tweezers' ? '2 × ' : ''}${spec.power_W}\u00a0W, ${range(spec.setpointRange_C)}`;
    case 'gun':
      return `${spec.power_W}\u00a0W, ${range(spec.setpointRange_C)}`;
    case 'hot-air':
      return `${range(spec.airRange_C)}, ${spec.flowRange_L_min[0]} to\u00a0${spec.flowRange_L_min[1]}\u00a0L/min`;
    case 'preheater':
      return `${PREHEATERS[spec.heat].name.toLowerCase()}, ${range(spec.setpointRange_C)}`;
  }
}

const range = ([low, high]: readonly [number, number]): string => `${low}\u00a0to\u00a0${high}\u00a0°C`;

/** A tip or a gun's bore. */
export const tipWords = (
  tip: { readonly inner_mm: number } | { readonly shape: string; readonly width_mm: number },
): string =>
  'inner_mm' in tip ? `bore ${tip.inner_mm.toFixed(1)} mm` : `${tip.shape} ${tip.width_mm.toFixed(1)} mm`;

export const nozzleWords = (n: NozzleRecord): string =>
  'diameter_mm' in n
    ? `⌀ ${n.diameter_mm} mm`
    : `${n.width_mm} × ${n.height_mm} mm${n.slot_mm === undefined ? '' : `, four slots of ${n.slot_mm} mm`}`;

/** Its tips or nozzles. */
export function endsInWords(spec: ToolSpec): string {
  switch (spec.kind) {
    case 'iron':
    case 'tweezers':
      return spec.tips.map(tipWords).join(', ');
    case 'gun':
      return spec.nozzles.map(tipWords).join(', ');
    case 'hot-air':
      return spec.nozzles.map(nozzleWords).join(', ');
    case 'preheater':
      return '';
  }
}

/** What a tool's state does to plans, in sentences; empty for one that is as new. */
export function stateInWords(tool: ToolRecord): string[] {
  const lines: string[] = [];
  if (Math.abs(tool.offset_K) >= 0.5) {
    lines.push(
      `offset ${tool.offset_K < 0 ? '−' : '+'}${Math.abs(tool.offset_K)}\u00a0°C against its display, counted in`,
    );
  }
  const wear = wearOf(tool.hours);
  if (wear >= 1.05 && tool.spec.kind !== 'preheater' && tool.spec.kind !== 'hot-air') {
    lines.push(`tip wear ×\u00a0${wear.toFixed(1)} after ${tool.hours}\u00a0h`);
  }
  if (tool.spec.kind === 'gun' && tool.clogged > 0) {
    lines.push(
      `bore ${Math.round(100 * tool.clogged)} % closed${tool.clogged > 0.5 ? ': clean it, plans leave it out until then' : ''}`,
    );
  }
  return lines;
}
