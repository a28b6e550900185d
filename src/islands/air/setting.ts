import { partOf } from '~/schema/exchange/si/part';
import { millimetres } from '~/core/quantity/convert';
import type { AirSheet } from '~/schema/sheets/airSheet';
import type { SimulateInput } from '~/schema/exchange/simulate/simulateRequest';
import type { NozzleRecord } from '~/schema/values/toolSpec';

/** What a technician sets for hot air. */
export interface AirSetting {
  readonly air_C: number;
  readonly flow_L_min: number;
  readonly standoff_mm: number;
  readonly nozzle: NozzleRecord;
  /** Air stays on this long, then the board cools for as long again, up to two minutes. */
  readonly airOn_s: number;
  readonly warm: boolean;
  readonly preheat_C: number;
  readonly foil: boolean;
}

/** Usual beginnings: a nozzle about as wide as the part, the station in the middle of its range. */
export function fieldsOfLoad(sheet: AirSheet): AirSetting {
  const station = sheet.stations[0]?.spec;
  const { body } = partOf(sheet.site.package);
  const across_mm = millimetres(Math.max(body.length_m, body.width_m)) + 2;
  const nozzles = station?.nozzles ?? [{ diameter_mm: 8 }];
  const fits = nozzles.filter((n) => widthOf(n) >= across_mm);
  const nozzle = fits.reduce<NozzleRecord | null>((a, b) => (a && widthOf(a) <= widthOf(b) ? a : b), null);
  return {
    air_C: 360,
    flow_L_min: 40,
    standoff_mm: 8,
    nozzle: nozzle ?? nozzles.reduce((a, b) => (widthOf(b) > widthOf(a) ? b : a)),
    airOn_s: 120,
    warm: false,
    preheat_C: sheet.preheats[0]?.setpoint_C ?? 180,
    foil: false,
  };
}

export const widthOf = (n: NozzleRecord): number => ('diameter_mm' in n ? n.diameter_mm : n.width_mm);

/** Beyond the nozzle's rim by this much foil begins. */
const FOIL_GAP_mm = 3;

/** The request that a setting stands for. */
export function requestOf(sheet: AirSheet, setting: AirSetting): SimulateInput {
  const { ground } = sheet;
  const preheat = sheet.preheats[0];
  const cool_s = Math.min(120, setting.airOn_s);
  return {
    ...ground,
    load: {
      kind: 'hot-air',
      air_C: setting.air_C,
      flow_L_min: setting.flow_L_min,
      standoff_mm: setting.standoff_mm,
      ...('diameter_mm' in setting.nozzle
        ? { nozzle_mm: setting.nozzle.diameter_mm }
        : { nozzleWidth_mm: setting.nozzle.width_mm, nozzleHeight_mm: setting.nozzle.height_mm }),
      schedule: [{ at_s: setting.airOn_s, off: true }],
    },
    preheat:
      setting.warm && preheat
        ? { kind: preheat.kind, setpoint_C: setting.preheat_C, soak_s: preheat.soak_s }
        : null,
    shields: setting.foil ? foilAround(sheet, setting) : [],
    grid_mm: 2,
    duration_s: setting.airOn_s + cool_s,
  };
}

/** Four strips of foil that leave the nozzle's opening free. */
function foilAround(sheet: AirSheet, { nozzle }: AirSetting): SimulateInput['shields'] {
  const { site, board } = sheet.ground;
  const half_mm = widthOf(nozzle) / 2 + FOIL_GAP_mm;
  const { length_mm, width_mm } = board;
  const strip = (x0: number, y0: number, x1: number, y1: number): SimulateInput['shields'] =>
    x1 - x0 < 0.5 || y1 - y0 < 0.5
      ? []
      : [
          {
            kind: 'foil',
            side: site.side,
            x_mm: (x0 + x1) / 2,
            y_mm: (y0 + y1) / 2,
            width_mm: x1 - x0,
            height_mm: y1 - y0,
          },
        ];
  const left = Math.max(0, site.x_mm - half_mm);
  const right = Math.min(length_mm, site.x_mm + half_mm);
  const low = Math.max(0, site.y_mm - half_mm);
  const high = Math.min(width_mm, site.y_mm + half_mm);
  return [
    ...strip(0, 0, left, width_mm),
    ...strip(right, 0, length_mm, width_mm),
    ...strip(left, 0, right, low),
    ...strip(left, high, right, width_mm),
  ];
}
