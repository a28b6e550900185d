import { PREHEATERS } from '~/core/materials/air';
import { wearOf } from '~/core/materials/tips';
import type { ToolRecord } from '~/schema/records/rig/tool';
import type { NozzleRecord, ToolSpec } from '~/schema/values/toolSpec';

/** A tool's ranges in one line. */
export function specInWords(spec: ToolSpec): string {
  switch (spec.kind) {
    case 'iron':
    case 'tweezers':
      return `${spec.kind === 'tweezers' ? '2 × ' : ''}${spec.power_W} W, ${range(spec.setpointRange_C)}`;
    case 'gun':
      return `${spec.power_W} W, ${range(spec.setpointRange_C)}`;
    case 'hot-air':
      return `${range(spec.airRange_C)}, ${spec.flowRange_L_min[0]} to ${spec.flowRange_L_min[1]} L/min`;
    case 'preheater':
      return `${PREHEATERS[spec.heat].name.toLowerCase()}, ${range(spec.setpointRange_C)}`;
  }
}

const range = ([low, high]: readonly [number, number]): string => `${low} to ${high} °C`;

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
      `reaches ${Math.abs(tool.offset_K)} K ${tool.offset_K < 0 ? 'less' : 'more'} than it shows: plans count it in`,
    );
  }
  const wear = wearOf(tool.hours);
  if (wear >= 1.05 && tool.spec.kind !== 'preheater' && tool.spec.kind !== 'hot-air') {
    lines.push(`${tool.hours} h on its tips: contact about ${wear.toFixed(1)} times a new one’s`);
  }
  if (tool.spec.kind === 'gun' && tool.clogged > 0) {
    lines.push(
      `bore ${Math.round(100 * tool.clogged)} % closed${tool.clogged > 0.5 ? ': clean it, plans leave it out until then' : ''}`,
    );
  }
  return lines;
}
