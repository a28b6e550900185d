import type { AirSheet } from '~/schema/sheets/airSheet';
import { copperMapsOf } from '~/server/boards/copperMaps';
import type { Db } from '~/server/store/db';
import { getBoard } from '~/server/store/repositories/boards';
import { findingsOf } from '~/server/store/repositories/findings';
import { getSite, sitesOf } from '~/server/store/repositories/sites';
import { listTools } from '~/server/store/repositories/tools';

/** A setting at which a preheater brings a board to about 130 °C in the open. */
const USUAL_PREHEAT_C = 180;

const USUAL_SOAK_s = 120;

/** Gathers what a hot-air run on one site starts from. */
export function airSheet(db: Db, siteId: string): AirSheet {
  const site = getSite(db, siteId);
  const board = getBoard(db, site.boardId);
  const tools = listTools(db);
  return {
    board,
    site,
    padStates: Object.fromEntries(findingsOf(db, board.id).map((f) => [f.padId, f.state] as const)),
    stations: tools.flatMap((t) => (t.spec.kind === 'hot-air' ? [{ ...t, spec: t.spec }] : [])),
    preheats: tools.flatMap((t) =>
      t.spec.kind === 'preheater'
        ? [
            {
              name: t.name,
              kind: t.spec.heat,
              range_C: t.spec.setpointRange_C,
              setpoint_C: Math.min(USUAL_PREHEAT_C, t.spec.setpointRange_C[1]),
              soak_s: USUAL_SOAK_s,
            },
          ]
        : [],
    ),
    ground: {
      ambient_C: 23,
      board: { ...board.construction, copperMaps: copperMapsOf(db, board.id) },
      site: {
        ref: site.ref,
        side: site.side,
        x_mm: site.x_mm,
        y_mm: site.y_mm,
        rotation_deg: site.rotation_deg,
        alloy: site.alloy,
        package: site.package,
        connections: Object.fromEntries(site.pads.map((pad) => [pad.name, pad.connections])),
      },
      neighbours: sitesOf(db, board.id)
        .filter((other) => other.id !== site.id)
        .map((other) => ({
          ref: other.ref,
          package: other.package,
          x_mm: other.x_mm,
          y_mm: other.y_mm,
          rotation_deg: other.rotation_deg,
          side: other.side,
          alloy: other.alloy,
        })),
    },
  };
}
