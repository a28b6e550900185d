import { describe, expect, it } from 'vitest';
import { isSupplyGate, supplyRefusal } from './supplyGate';

describe('before first power', () => {
  const right = { asks_V: 12, gives_V: 12.1, limit_A: 0.5 };

  it('voltage, polarity and limit are read, each of them', () => {
    expect(supplyRefusal(right)).toBeNull();
    expect(supplyRefusal(undefined)).toMatch(/label/);
    expect(supplyRefusal({ ...right, gives_V: undefined })).toMatch(/at the plug/);
    expect(supplyRefusal({ ...right, limit_A: undefined })).toMatch(/current limit/);
    expect(supplyRefusal({ ...right, limit_A: 0 })).toMatch(/current limit/);
  });

  it('another voltage, turned leads and an output that is off are refused with what to do', () => {
    expect(supplyRefusal({ ...right, gives_V: 18 })).toMatch(/18 V and the unit asks 12 V; set the supply/);
    expect(supplyRefusal({ ...right, gives_V: -12 })).toMatch(/wrong way round/);
    expect(supplyRefusal({ ...right, gives_V: 0.01 })).toMatch(/gives nothing/);
    // A unit that is fed with its plus on ground asks below nought.
    expect(supplyRefusal({ asks_V: -9, gives_V: -9.1, limit_A: 0.2 })).toBeNull();
  });

  it('is asked for in a job of its own and in the second half of a longer one', () => {
    expect(['supply', 'fit-supply', 'supply-check', undefined].map(isSupplyGate)).toEqual([
      true,
      true,
      false,
      false,
    ]);
  });
});
