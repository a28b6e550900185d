import { describe, expect, it } from 'vitest';
import type { z } from 'zod';
import { newBoard } from '~/schema/records/board/board';
import { newSite } from '~/schema/records/site/site';
import { newSupply } from '~/schema/records/rig/supply';
import { newTool } from '~/schema/records/rig/tool';
import { InputError, parseInput, type Fault } from '~/schema/values/faults';
import { fieldInWords, messageInWords } from './fieldWords';

describe('a field in the words of the screen', () => {
  it.each([
    ['$.ref', 'Reference'],
    ['$.package.pitch_mm', 'Pitch'],
    ['$.pads[1].connections[0].width_mm', 'Pin 2, Width'],
    ['$.construction.copperLayers[0].coverage', 'Copper layer 1, Coverage'],
    ['$.spec.tips[2].width_mm', 'Tip 3, Width'],
    ['$.spec.construction', 'Kind of tip'],
    ['$.polarity.board.pad', 'Printed at'],
    ['$.left', 'There is'],
    ['$.package.pinPlaces_mm[2][0]', 'Place of pin 3'],
    ['$.somethingNew_mm', 'Something new'],
    ['$', ''],
  ])('%s is "%s"', (path, words) => {
    expect(fieldInWords(path)).toBe(words);
  });

  it('a message names other fields as the screen does', () => {
    expect(messageInWords('is 0.5 mm; give a hole larger than leadDiameter_mm')).toBe(
      'is 0.5 mm; give a hole larger than lead',
    );
    expect(messageInWords('is 900 °C; give 50 to 500 °C')).toBe('is 900 °C; give 50 to 500 °C');
  });

  it.each([
    ['a board', newBoard],
    ['a site', newSite],
    ['a tool', newTool],
    ['a supply', newSupply],
  ] as const)('%s refused as a whole says nothing in the names of its record', (_, schema) => {
    for (const given of [
      {},
      { spec: {}, package: { family: 'dip', pins: 3 }, pads: [{}], construction: {} },
    ]) {
      let faults: readonly Fault[] = [];
      try {
        parseInput(schema as z.ZodType, given);
      } catch (error) {
        faults = (error as InputError).faults;
      }
      expect(faults.length).toBeGreaterThan(0);
      for (const fault of faults) {
        const said = `${fieldInWords(fault.path)} ${messageInWords(fault.message)}`;
        expect(said, fault.path).not.toMatch(/[a-z]_[a-zA-Z]|[a-z][A-Z]|\$/);
      }
    }
  });
});
