import type { AirStation, Bench, GunTool, IronTool, Preheater } from '~/core/method/bench';
import { cubicMetresPerSecond, kelvin, metres, millimetres } from '~/core/quantity/convert';
import type { HollowTip, SolidTip } from '~/core/thermal/joint/scenario';
import { isHood, type Nozzle } from '~/core/thermal/surface/jet';
import type {
  BenchToolInput,
  HollowRecord,
  NozzleRecord,
  TipRecord,
  ToolSpec,
} from '~/schema/values/toolSpec';

type Tools = Pick<Bench, 'irons' | 'guns' | 'tweezers' | 'stations' | 'preheaters'>;

export const KIND_NAMES: Readonly<Record<ToolSpec['kind'], string>> = {
  iron: 'Iron',
  gun: 'Desoldering gun',
  tweezers: 'Hot tweezers',
  'hot-air': 'Hot-air station',
  preheater: 'Preheater',
};

export const tipOf = (t: TipRecord): SolidTip => ({
  shape: t.shape,
  width_m: metres(t.width_mm),
  construction: t.construction,
});

/** A solid tip, or a gun's. */
export const anyTipOf = (t: TipRecord | HollowRecord): SolidTip | HollowTip =>
  'inner_mm' in t ? hollowOf(t) : tipOf(t);

/** Tools in SI, by kind; one without an id is numbered within its kind. */
export function toolsOf(list: readonly BenchToolInput[]): Tools {
  const tools = {
    irons: [] as IronTool[],
    guns: [] as GunTool[],
    tweezers: [] as IronTool[],
    stations: [] as AirStation[],
    preheaters: [] as Preheater[],
  };
  list.forEach((t, i) => {
    const who = {
      id: t.id ?? `${t.kind}-${i + 1}`,
      name: t.name ?? `${KIND_NAMES[t.kind]} ${i + 1}`,
      offset_K: t.offset_K,
    };
    const range = (r: readonly [number, number]) => [kelvin(r[0]), kelvin(r[1])] as const;
    switch (t.kind) {
      case 'iron':
      case 'tweezers':
        tools[t.kind === 'iron' ? 'irons' : 'tweezers'].push({
          ...who,
          wear: t.wear,
          power_W: t.power_W,
          setpointRange_K: range(t.setpointRange_C),
          tips: t.tips.map(tipOf),
        });
        break;
      case 'gun':
        tools.guns.push({
          ...who,
          wear: t.wear,
          clogged: t.clogged,
          power_W: t.power_W,
          setpointRange_K: range(t.setpointRange_C),
          tips: t.nozzles.map(hollowOf),
        });
        break;
      case 'hot-air':
        tools.stations.push({
          ...who,
          airRange_K: range(t.airRange_C),
          flowRange_m3_s: [
            cubicMetresPerSecond(t.flowRange_L_min[0]),
            cubicMetresPerSecond(t.flowRange_L_min[1]),
          ],
          nozzles: t.nozzles.map(nozzleOf),
        });
        break;
      case 'preheater':
        tools.preheaters.push({
          id: who.id,
          name: who.name,
          kind: t.heat,
          setpointRange_K: range(t.setpointRange_C),
        });
        break;
    }
  });
  return tools;
}

const hollowOf = (n: HollowRecord): HollowTip => ({
  shape: 'hollow',
  construction: 'gun',
  width_m: metres(n.outer_mm),
  inner_m: metres(n.inner_mm),
});

export const nozzleOf = (n: NozzleRecord): Nozzle =>
  'diameter_mm' in n
    ? { shape: 'round', diameter_m: metres(n.diameter_mm) }
    : {
        shape: 'rectangle',
        width_m: metres(n.width_mm),
        height_m: metres(n.height_mm),
        ...(n.slot_mm === undefined ? {} : { slot_m: metres(n.slot_mm) }),
      };

/** A length or flow that went to SI and back is what it was. */
export const asWritten = (value: number): number => Number(value.toPrecision(9));

export const tipRecordOf = (tip: SolidTip | HollowTip): TipRecord | HollowRecord =>
  tip.shape === 'hollow'
    ? { inner_mm: asWritten(millimetres(tip.inner_m)), outer_mm: asWritten(millimetres(tip.width_m)) }
    : { shape: tip.shape, width_mm: asWritten(millimetres(tip.width_m)), construction: tip.construction };

export const nozzleRecordOf = (nozzle: Nozzle): NozzleRecord =>
  nozzle.shape === 'round'
    ? { diameter_mm: asWritten(millimetres(nozzle.diameter_m)) }
    : {
        width_mm: asWritten(millimetres(nozzle.width_m)),
        height_mm: asWritten(millimetres(nozzle.height_m)),
        ...(isHood(nozzle) ? { slot_mm: asWritten(millimetres(nozzle.slot_m)) } : {}),
      };
