import { describe, expect, it } from 'vitest';
import { parseInput, InputError } from '~/schema/values/faults';
import { newTool, type ToolRecord } from '~/schema/records/rig/tool';
import { TOOL_PRESETS } from '~/schema/presets/toolPresets';
import type { StockedSupply } from '~/schema/records/rig/supply';
import { draftOf, NEW_END, number, toolOf, type ToolDraft } from './toolDraft';
import { reduce, runningLow, start } from './state';

const tool = (id: string, name: string): ToolRecord =>
  ({ id, name, spec: TOOL_PRESETS[0]!.spec, revision: 1 }) as ToolRecord;
const supply = (id: string, left: number, low: number): StockedSupply => ({
  id,
  name: id,
  spec: { kind: 'flux' },
  left,
  low,
  retired: false,
  revision: 1,
});

const opened = reduce(
  start({
    tools: [tool('a', 'Iron'), tool('b', 'Gun')],
    supplies: [supply('x', 4, 10)],
    moves: [],
  }),
  { type: 'open', what: 'a' },
);

describe('the Rig', () => {
  it('puts a changed tool in its place by name, shuts its sheet and says so', () => {
    const state = reduce(opened, { type: 'tool', tool: tool('a', 'Heavy iron'), told: 'Kept.' });
    expect(state.tools.map((t) => t.name)).toEqual(['Gun', 'Heavy iron']);
    expect(state.open).toBeNull();
    expect(state.told).toBe('Kept.');
  });

  it('keeps a sheet open, with what is wrong, until it is mended', () => {
    const refused = reduce(opened, { type: 'failed', error: 'behind' });
    expect(refused.open).toBe('a');
    expect(refused.error).toBe('behind');
    expect(reduce(refused, { type: 'open', what: 'b' }).error).toBeNull();
  });

  it('adds and takes out supplies', () => {
    const more = reduce(opened, { type: 'supply', supply: supply('y', 1, 0), told: 'Added.' });
    expect(more.supplies.map((s) => s.id)).toEqual(['x', 'y']);
    expect(reduce(more, { type: 'supply gone', id: 'x' }).supplies.map((s) => s.id)).toEqual(['y']);
  });

  it('says what runs low, the emptiest against its mark first; what has no mark never does', () => {
    const low = runningLow([supply('a', 9, 10), supply('b', 1, 10), supply('c', 0, 0), supply('d', 10, 10)]);
    expect(low.map((s) => s.id)).toEqual(['b', 'a']);
  });
});

describe('a tool as it is typed', () => {
  it.each(TOOL_PRESETS.map((preset) => [preset.name, preset] as const))(
    '%s comes back as it was',
    (_, preset) => {
      const { name, spec } = toolOf(draftOf(preset), null);
      expect({ name, spec }).toEqual({ name: preset.name, spec: parseInput(newTool, preset).spec });
    },
  );

  it('keeps what was checked of it', () => {
    const worn = { ...TOOL_PRESETS[0]!, offset_K: -7.5, hours: 120, clogged: 0.25 };
    expect(toolOf(draftOf(worn), 5)).toMatchObject({
      offset_K: -7.5,
      hours: 120,
      clogged: 0.25,
      checkedAt_ms: 5,
    });
  });

  it('takes numbers with a comma or a point, and nothing for no number', () => {
    expect(number(' 2,4 ')).toBe(2.4);
    expect(number('2.4')).toBe(2.4);
    expect(number('')).toBeNaN();
    expect(number('2,4 mm')).toBeNaN();
  });

  const iron = draftOf(TOOL_PRESETS[0]!);
  const air = draftOf(TOOL_PRESETS.find((p) => p.spec.kind === 'hot-air')!);
  const faults = (draft: ToolDraft): string[] => {
    try {
      toolOf(draft, null);
      return [];
    } catch (error) {
      return (error as InputError).faults.map((fault) => `${fault.path} ${fault.message}`);
    }
  };

  it.each<[string, ToolDraft, RegExp]>([
    ['without a name', { ...iron, name: ' ' }, /name is empty/],
    ['with no power', { ...iron, power: '' }, /power_W.* give a number from 5 to 400 W/],
    [
      'with its range turned round',
      { ...iron, low: '450', high: '200' },
      /lowest above its highest; swap them/,
    ],
    ['without a tip', { ...iron, ends: [] }, /tips is empty; an iron needs at least one tip/],
    ['with a tip of no width', { ...iron, ends: [NEW_END] }, /tips.*width_mm/],
    ['past any iron’s range', { ...iron, high: '900' }, /is 900; give a number from 50 to 500 °C/],
    ['with flow turned round', { ...air, flowLow: '90', flowHigh: '20' }, /lowest above its highest/],
    ['more than wholly closed', { ...iron, clogged: '140' }, /clogged.*0 to 1/],
    ['with an offset past belief', { ...iron, offset: '300' }, /offset_K.*-80 to 80 K/],
  ])('is refused %s, by its field and what to do', (_, draft, says) => {
    expect(faults(draft).join('\n')).toMatch(says);
  });

  it('a rectangle has two sizes, a round nozzle one', () => {
    const { spec } = toolOf(
      {
        ...air,
        ends: [
          { ...NEW_END, a: '8' },
          { ...NEW_END, a: '12', b: '18' },
        ],
      },
      null,
    );
    expect(spec).toMatchObject({ nozzles: [{ diameter_mm: 8 }, { width_mm: 12, height_mm: 18 }] });
  });

  it('a hood has its slots as well, comes back from the record with them, and none so wide that they meet', () => {
    const hood = (c: string) => toolOf({ ...air, ends: [{ ...NEW_END, a: '32', b: '32', c }] }, null);
    const { spec } = hood('2.5');
    expect(spec).toMatchObject({ nozzles: [{ width_mm: 32, height_mm: 32, slot_mm: 2.5 }] });
    expect(draftOf({ name: 'x', spec }).ends).toMatchObject([{ a: '32', b: '32', c: '2.5' }]);
    expect(() => hood('16')).toThrow(/slots meet/);
  });
});
