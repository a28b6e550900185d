import type { PadStateId } from '~/core/record/padStates';
import type { PlanInput } from '~/schema/exchange/plan/planRequest';
import type { BoardRecord } from '~/schema/records/board/board';
import type { ToolRecord } from '~/schema/records/rig/tool';
import type { HotAirSpec } from '~/schema/values/toolSpec';
import type { SiteSheet } from './boardSheet';

/** All that a site's hot-air sheet starts from. */
export interface AirSheet {
  readonly board: BoardRecord;
  readonly site: SiteSheet;
  readonly padStates: Readonly<Record<string, PadStateId>>;
  readonly stations: readonly (ToolRecord & { readonly spec: HotAirSpec })[];
  /** The site as a plan takes it: the board is heated as a plan would heat it. */
  readonly input: PlanInput;
}
