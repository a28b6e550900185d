/** Every figure that some family of parts takes, as the form names it. */
export const DIMENSION_WORDS = {
  pins: 'Pins',
  sidePins: 'Pins on left and right each',
  rows: 'Rows',
  columns: 'Columns',
  pitch_mm: 'Pitch, mm',
  rowSpacing_mm: 'Row to row, mm',
  leadDiameter_mm: 'Lead, mm',
  holeDiameter_mm: 'Hole, mm',
  landDiameter_mm: 'Land, mm',
  bodyDiameter_mm: 'Body diameter, mm',
  bodyLength_mm: 'Body along x, mm',
  bodyWidth_mm: 'Body along y, mm',
  bodyHeight_mm: 'Body height, mm',
  span_mm: 'Over the leads, mm',
  leadWidth_mm: 'Lead width, mm',
  foot_mm: 'Foot on the land, mm',
  landLength_mm: 'Land along the lead, mm',
  landWidth_mm: 'Land across, mm',
  thermalPad_mm: 'Tab or thermal pad along x, mm',
  thermalPadWidth_mm: 'Tab or thermal pad along y, mm',
} as const;
export type Dimension = keyof typeof DIMENSION_WORDS;
