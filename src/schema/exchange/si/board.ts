import { foilThickness_m, metres } from '~/core/quantity/convert';
import type { CoverageMap, FieldBoard } from '~/core/thermal/field/mesh';
import type { Board } from '~/core/thermal/stackup';
import type { Construction } from '~/schema/values/construction';
import type { MappedBoard } from '~/schema/values/mappedBoard';

export const boardOf = (c: Construction): Board => ({
  length_m: metres(c.length_mm),
  width_m: metres(c.width_mm),
  thickness_m: metres(c.thickness_mm),
  laminate: c.laminate,
  copper: c.copperLayers.map((layer) => ({
    thickness_m: foilThickness_m(layer.weight_oz),
    coverage: layer.coverage,
  })),
});

export const fieldBoardOf = (board: MappedBoard): FieldBoard => ({
  ...boardOf(board),
  outline: board.outline_mm?.map(([x_mm, y_mm]) => [metres(x_mm), metres(y_mm)] as const),
  maps: mapsOf(board),
});

/** Coverage by layer where a picture of it was given. */
function mapsOf(board: MappedBoard): readonly (CoverageMap | null)[] | undefined {
  if (!board.copperMaps || board.copperMaps.length === 0) return undefined;
  return board.copperLayers.map((_, i) => {
    const map = board.copperMaps!.find((m) => m.layer === i + 1);
    if (!map) return null;
    const share = Float32Array.from(atob(map.cells), (byte) => byte.charCodeAt(0) / 255);
    return { nx: map.nx, ny: map.ny, share };
  });
}
