import { describe, expect, it } from 'vitest';
import { OPTION } from '../../../tests/support/answers';
import { PACKAGE_PRESETS } from '~/schema/presets/packagePresets';
import { anyPackage } from '~/schema/values/package';
import { choiceOfOption } from '~/schema/exchange/plan/optionChoice';
import { choiceInWords, settingInWords } from './settingWords';
import { STACKUP_IDS, STACKUPS } from '~/schema/presets/stackupPresets';
import { endsInWords, specInWords, stateInWords } from './toolWords';
import { newTool, type ToolRecord } from '~/schema/records/rig/tool';
import { TOOL_PRESETS } from '~/schema/presets/toolPresets';
import { connectionInWords, constructionInWords, packageInWords, partFacts, recordInWords } from './words';

const AIR = {
  ...OPTION,
  method: 'hot-air',
  tool: 'Hot air',
  toolId: 'air',
  kind: 'air' as const,
  tip: null,
  nozzle: { width_mm: 18, height_mm: 18 },
  setpoint_C: 380,
  flow_L_min: 43.3,
  standoff_mm: 8,
};

describe('a setting in words', () => {
  it('is tool, tip and temperature', () => {
    expect(settingInWords(OPTION)).toBe('Iron, chisel 2.4 mm, 340 °C');
  });

  it('is nozzle, temperature, flow and distance for air', () => {
    expect(settingInWords(AIR)).toBe('Hot air, nozzle 18 × 18 mm, 380 °C, 43 L/min from 8 mm');
    expect(settingInWords({ ...AIR, nozzle: { diameter_mm: 8 } })).toContain('nozzle ⌀ 8 mm');
    expect(settingInWords({ ...AIR, nozzle: { ...AIR.nozzle, slot_mm: 2.5 } })).toContain(
      'nozzle 18 × 18 mm, four slots of 2.5 mm',
    );
  });

  it('tells the warm board, a gun’s bore, and pins that the station is turned for', () => {
    expect(settingInWords({ ...OPTION, preheat: { setpoint_C: 150, soak_s: 120 } })).toContain(
      'board warmed at 150 °C for 120 s',
    );
    expect(settingInWords({ ...OPTION, tip: { inner_mm: 1 } })).toContain('bore 1.0 mm');
    expect(settingInWords({ ...OPTION, perPad_C: { '2': 400, '7': 400, '9': 380 } })).toBe(
      'Iron, chisel 2.4 mm, 340 °C (pins 2, 7 at 400 °C) (pin 9 at 380 °C)',
    );
  });

  it('reads the same from what is set as from what was searched', () => {
    for (const option of [OPTION, AIR])
      expect(choiceInWords(choiceOfOption('remove', option), option.tool)).toBe(
        settingInWords({ ...option, flow_L_min: option.flow_L_min }),
      );
  });
});

describe('copper in words', () => {
  it('names what holds a pad’s heat, and nothing where nothing does', () => {
    expect(connectionInWords([])).toBe('isolated');
    expect(connectionInWords([{ kind: 'isolated' }])).toBe('isolated');
    expect(
      connectionInWords([
        { kind: 'track', width_mm: 0.4, count: 2 },
        { kind: 'thermal-relief', spokes: 4, spokeWidth_mm: 0.3, spokeLength_mm: 0.3, layers: [2, 3] },
        { kind: 'solid-plane', layers: [2] },
        { kind: 'isolated' },
      ]),
    ).toBe('2 tracks 0.4 mm + relief to layers 2, 3 + solid plane, layer 2');
  });

  it('tells spokes and pour where they were measured off artwork', () => {
    expect(
      connectionInWords([
        {
          kind: 'thermal-relief',
          spokes: 2,
          spokeWidth_mm: 0.25,
          spokeLength_mm: 0.3,
          layers: [4],
          pourShare: 0.55,
        },
      ]),
    ).toBe('relief, 2 spokes of 0.25 mm, to layer 4, 55 % copper about it');
  });
});

describe('boards in words', () => {
  it.each(STACKUP_IDS)('%s', (id) => {
    const construction = {
      length_mm: 100,
      width_mm: 80,
      ...STACKUPS[id],
      copperLayers: [...STACKUPS[id].copperLayers],
    };
    const words = constructionInWords(construction);
    expect(words).toContain('100 × 80 mm');
    expect(words).toContain(
      construction.copperLayers.length === 1 ? 'Single-sided' : `${construction.copperLayers.length} layers`,
    );
  });

  it('tell finish and age where they are known, and only then', () => {
    expect(recordInWords({ finish: 'unknown', madeIn: null })).toBe('');
    expect(recordInWords({ finish: 'nickel-gold', madeIn: 1998 })).toBe(
      ', ENIG (immersion gold over nickel), made in 1998',
    );
  });
});

describe('parts in words', () => {
  it.each(PACKAGE_PRESETS.map((preset) => [preset.name, preset] as const))('%s', (_, preset) => {
    const part = anyPackage.parse(preset.package);
    expect(packageInWords(part).length).toBeGreaterThan(5);
    expect(partFacts(part, 'sn63pb37')).toMatch(
      /^\d+\.\d mm high, about [\d.e+-]+ m?g and [\d.e+-]+ J\/K; .+; body to \d+ °C at most$/,
    );
  });
});

describe('tools in words', () => {
  const record = (changes: Partial<ToolRecord>): ToolRecord => ({
    ...newTool.parse({ name: TOOL_PRESETS[0]!.name, spec: TOOL_PRESETS[0]!.spec }),
    id: 't',
    retired: false,
    revision: 1,
    ...changes,
  });

  it.each(TOOL_PRESETS.map((preset) => [preset.name, preset] as const))('%s', (_, preset) => {
    expect(specInWords(preset.spec)).toMatch(/\d+\sto\s\d+\s°C/);
    expect(endsInWords(preset.spec).length > 0).toBe(preset.spec.kind !== 'preheater');
    expect(stateInWords(record({ spec: preset.spec }))).toEqual([]);
  });

  it('say what wear and offset do to plans', () => {
    expect(stateInWords(record({ offset_K: -12 }))).toEqual([
      'offset −12\u00a0°C against its display, counted in',
    ]);
    expect(stateInWords(record({ offset_K: 0.3 }))).toEqual([]);
    expect(stateInWords(record({ hours: 400 }))[0]).toMatch(/^tip wear ×\s[\d.]+ after 400\sh$/);
    const gun = TOOL_PRESETS.find((preset) => preset.spec.kind === 'gun')!.spec;
    expect(stateInWords(record({ spec: gun, clogged: 0.3 }))).toEqual(['bore 30 % closed']);
    expect(stateInWords(record({ spec: gun, clogged: 0.6 }))[0]).toContain('plans leave it out until then');
  });
});
