import { ALLOY_IDS } from '~/core/materials/alloys';
import { boardSide, oneOf, quantity, text } from '~/schema/values/fields';

/** The room's air; a workshop's usual where nothing is said. */
export const room_C = quantity('°C', -10, 50).default(23);

/** Where a place on a board lies, from its lower left corner seen from the top. */
export const place = { x_mm: quantity('mm', 0, 1000), y_mm: quantity('mm', 0, 1000) };

/** What every request says of a part on a board, the site's own or a neighbour. */
export const placed = {
  ref: text(1, 16),
  side: boardSide,
  ...place,
  rotation_deg: quantity('°', -360, 360).default(0),
  alloy: oneOf(ALLOY_IDS),
};
