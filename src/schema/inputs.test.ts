import { describe, expect, it } from 'vitest';
import { changed, HOT_AIR_EXAMPLE, PLAN_EXAMPLE, SIMULATE_EXAMPLE } from '../../tests/support/requests';
import { newBoard } from '~/schema/records/board/board';
import { InputError, parseInput, type Fault } from '~/schema/values/faults';
import { newFinding } from '~/schema/records/site/finding';
import { planInput } from '~/schema/exchange/plan/planRequest';
import { planRequestOf } from '~/schema/exchange/si/plan';
import { simulateInput } from '~/schema/exchange/simulate/simulateRequest';
import { writableEvent } from '~/schema/records/jobs/runEvent';
import type { z } from 'zod';

function faultsOf<T>(schema: z.ZodType<T>, input: unknown): readonly Fault[] {
  try {
    parseInput(schema, input);
  } catch (error) {
    if (error instanceof InputError) return error.faults;
    throw error;
  }
  return [];
}

describe('the contract’s example', () => {
  it('is accepted as it stands', () => {
    expect(faultsOf(simulateInput, SIMULATE_EXAMPLE)).toEqual([]);
    expect(faultsOf(planInput, PLAN_EXAMPLE)).toEqual([]);
  });

  it('lays a track without layers on the solder side, and a default on every unnamed pad', () => {
    const request = planRequestOf(parseInput(planInput, PLAN_EXAMPLE));
    expect(request.site.connections['1']).toEqual([
      { kind: 'track', width_m: 0.4e-3, count: 1, layers: [4] },
    ]);
    expect(request.site.connections['2']).toEqual([{ kind: 'solid-plane', layers: [2, 3] }]);
    expect(request.history.padDose).toEqual({ '1': 0.02, '2': 0.02 });
  });
});

describe('bad input names the field and the remedy', () => {
  it.each([
    [
      'a board without copper',
      simulateInput,
      changed(SIMULATE_EXAMPLE, 'board.copperLayers', []),
      '$.board.copperLayers',
      /needs copper: add one/,
    ],
    [
      'a hole smaller than its lead',
      simulateInput,
      changed(SIMULATE_EXAMPLE, 'site.package.holeDiameter_mm', 0.5),
      '$.site.package.holeDiameter_mm',
      /0\.5 mm.*0\.6 mm lead.*larger/,
    ],
    [
      'a negative thickness',
      simulateInput,
      changed(SIMULATE_EXAMPLE, 'board.thickness_mm', -1),
      '$.board.thickness_mm',
      /is -1; give a number from 0\.2 to 6\.4 mm/,
    ],
    [
      'a number as text',
      simulateInput,
      changed(SIMULATE_EXAMPLE, 'duration_s', '8'),
      '$.duration_s',
      /"8".*give a number/,
    ],
    [
      'an unknown key',
      simulateInput,
      changed(SIMULATE_EXAMPLE, 'site.colour', 'red'),
      '$.site.colour',
      /not a known key.*remove/,
    ],
    [
      'an unknown alloy',
      simulateInput,
      changed(SIMULATE_EXAMPLE, 'site.alloy', 'tin'),
      '$.site.alloy',
      /give one of sn60pb40/,
    ],
    [
      'a layer that is not there',
      simulateInput,
      changed(SIMULATE_EXAMPLE, 'site.connections.2', { kind: 'solid-plane', layers: [5] }),
      '$.site.connections.2.layers',
      /layer 5.*1 to 4/,
    ],
    [
      'a pin that is not there',
      simulateInput,
      changed(SIMULATE_EXAMPLE, 'load.pad', '3'),
      '$.load.pad',
      /pins 1 to 2/,
    ],
    [
      'a load that is none of the four',
      simulateInput,
      changed(SIMULATE_EXAMPLE, 'load.kind', 'oven'),
      '$.load.kind',
      /iron, gun, tweezers, hot-air/,
    ],
    [
      'a socket for a part that has none',
      planInput,
      changed(PLAN_EXAMPLE, 'goal', 'fit-socket'),
      '$.goal',
      /radial has no socket; give fit/,
    ],
    [
      'a bench of preheaters alone',
      planInput,
      changed(PLAN_EXAMPLE, 'bench', [{ kind: 'preheater', heat: 'plate', setpointRange_C: [60, 200] }]),
      '$.bench',
      /only preheaters; put an iron/,
    ],
    [
      'a mate whose package nobody gave',
      planInput,
      changed(PLAN_EXAMPLE, 'neighbours', [
        { ref: 'R3', x_mm: 86, y_mm: 50, side: 'top', alloy: 'sn60pb40', comesToo: true },
      ]),
      '$.neighbours[0].package',
      /comes off too must be known/,
    ],
    [
      'a state of a pin that is not there',
      planInput,
      changed(PLAN_EXAMPLE, 'site.padStates', { '9': 'lifted' }),
      '$.site.padStates.9',
      /no pin of the part/,
    ],
    [
      'a supply of a kind that is not kept',
      planInput,
      changed(PLAN_EXAMPLE, 'supplies', [{ kind: 'glue' }]),
      '$.supplies[0].kind',
      /wire, braid, low-melt/,
    ],
    [
      'a range upside down',
      planInput,
      changed(PLAN_EXAMPLE, 'bench.0.setpointRange_C', [450, 200]),
      '$.bench[0].setpointRange_C',
      /swap/,
    ],
    [
      'hot air without a nozzle',
      simulateInput,
      changed(HOT_AIR_EXAMPLE, 'load.nozzle_mm', undefined),
      '$.load.nozzle_mm',
      /missing; give nozzle_mm, or/,
    ],
    [
      'a schedule out of order',
      simulateInput,
      changed(HOT_AIR_EXAMPLE, 'load.schedule', [
        { at_s: 30, air_C: 350 },
        { at_s: 20, off: true },
      ]),
      '$.load.schedule[1].at_s',
      /20 s, not after.*order of time/,
    ],
    [
      'a grid finer than a run may ask for',
      simulateInput,
      changed(changed(HOT_AIR_EXAMPLE, 'board.length_mm', 900) as object, 'grid_mm', 0.5),
      '$.grid_mm',
      /cells on this board; give a coarser grid/,
    ],
    [
      'a quad pack with a pin too many',
      simulateInput,
      changed(HOT_AIR_EXAMPLE, 'site.package.pins', 101),
      '$.site.package.pins',
      /multiple of four/,
    ],
    [
      'a gun triggered after its run',
      simulateInput,
      changed(SIMULATE_EXAMPLE, 'load', {
        kind: 'gun',
        setpoint_C: 360,
        power_W: 100,
        nozzleInner_mm: 1,
        nozzleOuter_mm: 2.5,
        triggerAt_s: 9,
        pad: '1',
      }),
      '$.load.triggerAt_s',
      /after the run ends/,
    ],
    ['a missing goal', planInput, changed(PLAN_EXAMPLE, 'goal', undefined), '$.goal', /missing; give one of/],
  ])('%s', (_name, schema, input, path, message) => {
    const faults = faultsOf(schema as z.ZodType, input);
    expect(faults.map((f) => f.path)).toContain(path);
    expect(faults.find((f) => f.path === path)!.message).toMatch(message);
  });

  it('tells every fault, not only the first', () => {
    const twice = changed(changed(SIMULATE_EXAMPLE, 'duration_s', -1) as object, 'ambient_C', 'warm');
    expect(faultsOf(simulateInput, twice)).toHaveLength(2);
  });
});

describe('what a person types', () => {
  const board = { name: 'A', owner: 'MK', fault: 'x', construction: SIMULATE_EXAMPLE.board };

  it('markup in a name is text like any other, and kept as written', () => {
    const parsed = parseInput(newBoard, { ...board, name: '<script>alert(1)</script>' });
    expect(parsed.name).toBe('<script>alert(1)</script>');
  });

  it('control characters, empty names and long names are refused', () => {
    expect(faultsOf(newBoard, { ...board, name: 'a\u0000b' })[0]!.message).toMatch(/control characters/);
    expect(faultsOf(newBoard, { ...board, name: '   ' })[0]!.message).toMatch(/empty/);
    expect(faultsOf(newBoard, { ...board, name: 'x'.repeat(81) })[0]!.message).toMatch(/too long.*80/);
  });

  it('a bridge must name another pad', () => {
    const finding = { padId: 'p1', state: 'bridged', foundAs: 'done-here', by: 'MK' };
    expect(faultsOf(newFinding, finding)[0]).toMatchObject({ path: '$.otherPadId' });
    expect(faultsOf(newFinding, { ...finding, otherPadId: 'p1' })[0]!.message).toMatch(/same pad/);
    expect(faultsOf(newFinding, { ...finding, otherPadId: 'p2' })).toEqual([]);
  });

  it('a screen may not write the server’s own entries', () => {
    expect(faultsOf(writableEvent, { kind: 'exposure', pad: '1' })[0]!.message).toMatch(
      /kind must be one of/,
    );
    expect(faultsOf(writableEvent, { kind: 'opened' })).toHaveLength(1);
  });
});
