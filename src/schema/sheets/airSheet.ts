import type { BoardRecord } from '~/schema/records/board/board';
import type { SiteSheet } from './boardSheet';
import type { SimulateInput } from '~/schema/exchange/simulate/simulateRequest';
import type { ToolRecord } from '~/schema/records/rig/tool';
import type { HotAirSpec } from '~/schema/values/toolSpec';
import type { PreheatInput } from '~/schema/exchange/plan/planRequest';
import type { PadStateId } from '~/core/record/padStates';

/** What the record brings to a hot-air run; the sheet adds load, preheat and time. */
export type AirGround = Pick<SimulateInput, 'ambient_C' | 'board' | 'site' | 'neighbours'>;

/** All that a site's hot-air sheet starts from. */
export interface AirSheet {
  readonly board: BoardRecord;
  readonly site: SiteSheet;
  readonly padStates: Readonly<Record<string, PadStateId>>;
  readonly stations: readonly (ToolRecord & { readonly spec: HotAirSpec })[];
  /** Preheaters of the bench at a usual setting. */
  readonly preheats: readonly (PreheatInput & {
    readonly name: string;
    readonly range_C: readonly [number, number];
  })[];
  readonly ground: AirGround;
}
