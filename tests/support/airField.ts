import { benchToolOf } from '~/schema/records/rig/tool';
import { newBoard } from '~/schema/records/board/board';
import type { AirSettingInput, PlanInput } from '~/schema/exchange/plan/planRequest';
import { planInput } from '~/schema/exchange/plan/planRequest';
import type { AirFieldAsk } from '~/schema/exchange/simulate/airField';
import type { AirSheet } from '~/schema/sheets/airSheet';
import { parseInput } from '~/schema/values/faults';
import { HOT_AIR_EXAMPLE } from './requests';

/** A 100-pin pack under hot air as its page asks for it; each test says what it changes. */

const { board, site, neighbours } = HOT_AIR_EXAMPLE;

const STATION = {
  id: 'h',
  name: 'Hot air',
  retired: false,
  revision: 1,
  offset_K: 0,
  checkedAt_ms: null,
  hours: 0,
  clogged: 0,
  spec: {
    kind: 'hot-air' as const,
    airRange_C: [100, 480] as [number, number],
    flowRange_L_min: [10, 120] as [number, number],
    nozzles: [{ diameter_mm: 8 }, { width_mm: 30, height_mm: 30 }, { width_mm: 18, height_mm: 18 }],
  },
};

export const airInput = (changes: object = {}, station: object = {}): PlanInput =>
  parseInput(planInput, {
    board,
    site,
    neighbours,
    goal: 'remove-keep-part',
    bench: [
      benchToolOf({ ...STATION, ...station }),
      { kind: 'preheater', id: 'p', name: 'P', heat: 'convective', setpointRange_C: [60, 200] },
    ],
    ...changes,
  });

export const AIR_SETTING: AirSettingInput = {
  kind: 'air',
  toolId: 'h',
  nozzle: { width_mm: 18, height_mm: 18 },
  setpoint_C: 380,
  flow_L_min: 50,
  standoff_mm: 8,
  preheat: { kind: 'convective', setpoint_C: 180, soak_s: 120 },
  approach_s: 0,
  shielded: false,
};

export const airAsk = (setting: Partial<AirSettingInput> = {}, input = airInput()): AirFieldAsk => ({
  input,
  setting: { ...AIR_SETTING, ...setting },
  airOn_s: 90,
});

export const airSheetOf = (input = airInput()): AirSheet =>
  ({
    board: {
      ...newBoard.parse({ name: 'B', owner: 'MK', fault: '-', construction: board }),
      id: 'b',
    },
    site: {
      id: 's',
      side: 'top',
      package: input.site.package,
      pads: [{ id: 'p', name: '1', net: '', connections: [] }],
    },
    padStates: {},
    stations: [STATION],
    input,
  }) as unknown as AirSheet;
