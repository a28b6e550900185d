import { TIP_CONSTRUCTION_IDS, TIP_SHAPE_IDS, type TipShapeId } from '~/core/materials/tips';
import type { PreheaterId } from '~/core/materials/air';
import { newTool, type NewTool } from '~/schema/records/rig/tool';
import type { ToolSpec } from '~/schema/values/toolSpec';
import { parseInput } from '~/schema/values/faults';

/** One tip or nozzle as it is typed; which fields count depends on the tool. */
export interface EndDraft {
  readonly shape: TipShapeId;
  readonly construction: (typeof TIP_CONSTRUCTION_IDS)[number];
  /** A tip's width; a bore; a round nozzle's diameter or a rectangle's width. */
  readonly a: string;
  /** A gun's outer diameter; a rectangle's height, empty for a round one. */
  readonly b: string;
  /** Slots of a hood, empty where the whole outlet is open. */
  readonly c: string;
}

/** A tool as it is typed. */
export interface ToolDraft {
  readonly name: string;
  readonly kind: ToolSpec['kind'];
  readonly heat: PreheaterId;
  readonly power: string;
  readonly low: string;
  readonly high: string;
  readonly flowLow: string;
  readonly flowHigh: string;
  readonly ends: EndDraft[];
  readonly offset: string;
  readonly hours: string;
  /** Per cent. */
  readonly clogged: string;
}

export const NEW_END: EndDraft = { shape: TIP_SHAPE_IDS[0], construction: 'cartridge', a: '', b: '', c: '' };

/** A tool's draft from what is known of it, or from a preset. */
export function draftOf(tool: Pick<NewTool, 'name' | 'spec'> & Partial<NewTool>): ToolDraft {
  const { spec } = tool;
  const range = spec.kind === 'hot-air' ? spec.airRange_C : spec.setpointRange_C;
  return {
    name: tool.name,
    kind: spec.kind,
    heat: spec.kind === 'preheater' ? spec.heat : 'convective',
    power: 'power_W' in spec ? String(spec.power_W) : '',
    low: String(range[0]),
    high: String(range[1]),
    flowLow: spec.kind === 'hot-air' ? String(spec.flowRange_L_min[0]) : '',
    flowHigh: spec.kind === 'hot-air' ? String(spec.flowRange_L_min[1]) : '',
    ends: endsOf(spec),
    offset: String(tool.offset_K ?? 0),
    hours: String(tool.hours ?? 0),
    clogged: String(Math.round(100 * (tool.clogged ?? 0))),
  };
}

function endsOf(spec: ToolSpec): EndDraft[] {
  switch (spec.kind) {
    case 'iron':
    case 'tweezers':
      return spec.tips.map((t) => ({
        shape: t.shape,
        construction: t.construction,
        a: String(t.width_mm),
        b: '',
        c: '',
      }));
    case 'gun':
      return spec.nozzles.map((n) => ({ ...NEW_END, a: String(n.inner_mm), b: String(n.outer_mm) }));
    case 'hot-air':
      return spec.nozzles.map((n) =>
        'diameter_mm' in n
          ? { ...NEW_END, a: String(n.diameter_mm) }
          : {
              ...NEW_END,
              a: String(n.width_mm),
              b: String(n.height_mm),
              c: n.slot_mm === undefined ? '' : String(n.slot_mm),
            },
      );
    case 'preheater':
      return [];
  }
}

/** Throws the faults of a draft, each naming its field; else the tool it stands for. */
export const toolOf = (draft: ToolDraft, checkedAt_ms: number | null): NewTool =>
  parseInput(newTool, {
    name: draft.name,
    spec: specOf(draft),
    offset_K: number(draft.offset),
    checkedAt_ms,
    hours: number(draft.hours),
    clogged: number(draft.clogged) / 100,
  });

function specOf(draft: ToolDraft): unknown {
  const range = [number(draft.low), number(draft.high)];
  const { kind } = draft;
  switch (kind) {
    case 'iron':
    case 'tweezers':
      return {
        kind,
        power_W: number(draft.power),
        setpointRange_C: range,
        tips: draft.ends.map((e) => ({
          shape: e.shape,
          width_mm: number(e.a),
          construction: e.construction,
        })),
      };
    case 'gun':
      return {
        kind,
        power_W: number(draft.power),
        setpointRange_C: range,
        nozzles: draft.ends.map((e) => ({ inner_mm: number(e.a), outer_mm: number(e.b) })),
      };
    case 'hot-air':
      return {
        kind,
        airRange_C: range,
        flowRange_L_min: [number(draft.flowLow), number(draft.flowHigh)],
        nozzles: draft.ends.map((e) =>
          e.b.trim() === ''
            ? { diameter_mm: number(e.a) }
            : {
                width_mm: number(e.a),
                height_mm: number(e.b),
                ...(e.c.trim() === '' ? {} : { slot_mm: number(e.c) }),
              },
        ),
      };
    case 'preheater':
      return { kind, heat: draft.heat, setpointRange_C: range };
  }
}

/** A typed number, comma or point; not a number where it is none, which the schema refuses by name. */
export const number = (typed: string): number =>
  typed.trim() === '' ? Number.NaN : Number(typed.trim().replace(',', '.'));
