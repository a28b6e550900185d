import { describe, expect, it } from 'vitest';
import { kelvin } from '~/core/quantity/convert';
import { bindingInWords, touchInWords } from './bindingWords';
import type { Binding } from './candidate';

const binding = (part: Partial<Binding>): Binding => ({
  pad: '2',
  limit: 'pad budget',
  short_s: null,
  shortOfLiquidus_K: null,
  lastToMelt: 'far fillet',
  ...part,
});

const heat = (body_C: number, joint_C: number) => ({
  ref: 'J1',
  body_K: kelvin(body_C),
  bodyLimit_K: kelvin(200),
  jointLimit_K: kelvin(163),
  joint_K: kelvin(joint_C),
});

describe('the limit that binds, in words', () => {
  it.each([
    [binding({ short_s: 0.84 }), 'meets its pad budget 0.8 s before it could be off'],
    [binding({ short_s: 0 }), 'has too little room before its pad budget once contact and tip vary'],
    [binding({ limit: 'melt', short_s: 2 }), 'meets its longest dwell 2.0 s before it could be off'],
    [
      binding({ limit: 'melt', shortOfLiquidus_K: 14.4 }),
      'never melts through: the far fillet stays 14 K below liquidus',
    ],
    [binding({ limit: 'method' }), 'cannot be reached by any tool or method on this bench'],
    [
      binding({ limit: 'neighbour', neighbour: heat(215, 180) }),
      'would be molten in time, but the body of J1 reaches 215 °C meanwhile, and stands 200 °C',
    ],
    [
      binding({ limit: 'neighbour', neighbour: heat(150, 172) }),
      'would be molten in time, but the joints of J1 reach 172 °C meanwhile: they melt, or are less than 20 K from it',
    ],
  ])('%o', (of, words) => {
    expect(bindingInWords(of)).toBe(words);
  });

  it('names one touch, and all together', () => {
    expect(touchInWords('7')).toBe('pin 7');
    expect(touchInWords('all')).toBe('the joints together');
  });
});
