import { describe, expect, it } from 'vitest';
import type { JobLine, SiteSheet } from '~/schema/sheets/boardSheet';
import type { FindingRecord } from '~/schema/records/site/finding';
import { extended, padsBetween } from '~/ui/land/walk';
import { matches } from '~/islands/board/find';
import { jointOf, reduceMarking, runInWords, statesOf, UNMARKED } from './marking';
import { lifeOf } from './PadLife';

const pad = (name: string, net: string) => ({ id: `p${name}`, name, net });

const SITE = {
  id: 's',
  ref: 'U7',
  value: 'lamp controller',
  package: { family: 'qfp' },
  pads: [pad('1', 'GND'), pad('2', 'V5'), pad('3', 'GND')],
} as unknown as SiteSheet;

const finding = (
  padId: string,
  state: FindingRecord['state'],
  at_ms: number,
  changes = {},
): FindingRecord => ({
  id: `f${at_ms}`,
  boardId: 'b',
  siteId: 's',
  padId,
  state,
  otherPadId: null,
  foundAs: 'done-here',
  jobId: null,
  takesBackId: null,
  note: '',
  by: 'MK',
  at_ms,
  ...changes,
});

describe('two pads that touch, and the netlist', () => {
  it('of one net are joined on purpose', () => {
    expect(jointOf('bridged', pad('1', 'GND'), pad('3', 'GND'))).toEqual({
      state: 'joined',
      told: 'Pins 1 and 3 are both GND: recorded as an intentional bridge.',
    });
  });

  it('of two nets are a defect, told with both names', () => {
    expect(jointOf('bridged', pad('1', 'GND'), pad('2', 'V5'))).toEqual({
      state: 'bridged',
      told: 'Pin 1 is GND, pin 2 is V5: a defect.',
    });
  });

  it('where a net is not known it stays a bridge, and says so', () => {
    expect(jointOf('bridged', pad('1', ''), pad('2', 'V5'))).toEqual({
      state: 'bridged',
      told: 'Recorded as a bridge; the net of pin 1 is not known.',
    });
  });

  it('of two nets are never joined on purpose; of one net they may be', () => {
    expect(jointOf('joined', pad('1', 'GND'), pad('2', 'V5'))).toHaveProperty('refused');
    expect(jointOf('joined', pad('1', 'GND'), pad('3', 'GND'))).toEqual({ state: 'joined', told: null });
  });
});

describe('a run of pads', () => {
  const names = ['1', '2', '3', '4', '5', '6'];

  it('between two pads is by the part’s numbers, from the first taken', () => {
    expect(padsBetween(names, '2', '5')).toEqual(['2', '3', '4', '5']);
    expect(padsBetween(names, '5', '3')).toEqual(['5', '4', '3']);
    expect(padsBetween(names, 'x', '3')).toEqual(['3']);
  });

  it('grows pad by pad, and walking back gives the last up', () => {
    expect(extended([], '2', '3')).toEqual(['2', '3']);
    expect(extended(['2', '3'], '3', '4')).toEqual(['2', '3', '4']);
    expect(extended(['2', '3', '4'], '4', '3')).toEqual(['2', '3']);
  });

  it('is named in few words', () => {
    expect(runInWords(['4'])).toBe('pin 4');
    expect(runInWords(['4', '5', '6'])).toBe('pins 4 to 6');
    expect(runInWords(['1', '5', '9'])).toBe('3 pins');
  });

  it('chooses its last pad; choosing one pad ends it', () => {
    const state = { ...UNMARKED, findings: [] };
    const taken = reduceMarking(state, { type: 'run', pads: ['1', '2', '3'] });
    expect(taken).toMatchObject({ pad: '3', run: ['1', '2', '3'] });
    expect(reduceMarking(taken, { type: 'pad', pad: '2' }).run).toEqual(['2']);
  });

  it('takes all its findings at once', () => {
    const found = [finding('p1', 'dull', 1), finding('p2', 'dull', 2)];
    const state = reduceMarking({ ...UNMARKED, findings: [] }, { type: 'found', findings: found, told: 'x' });
    expect(state).toMatchObject({ findings: found, told: 'x' });
  });
});

describe('a pad’s life', () => {
  const jobs = [
    {
      siteId: 's',
      events: [
        {
          kind: 'exposure',
          pad: '1',
          duration_s: 2.4,
          padDose: 0.03,
          peak_C: 288,
          at_ms: 15,
          by: 'AO',
          seq: 1,
        },
        { kind: 'exposure', pad: '2', duration_s: 9, padDose: 0.3, peak_C: 300, at_ms: 16, by: 'AO', seq: 2 },
      ],
    },
  ] as unknown as JobLine[];

  it('reads findings and heat in their order, each followed by the next', () => {
    const life = lifeOf(
      SITE,
      '1',
      [
        finding('p1', 'lifted', 20),
        finding('p1', 'sound', 10, { foundAs: 'as-received' }),
        finding('p1', 'repaired', 30, { note: 're-bonded, cured; 0.1 Ω' }),
        finding('p2', 'torn', 25),
      ],
      jobs,
    );
    expect(life.map((entry) => entry.text)).toEqual([
      'sound joint, as received',
      'heated 2.4 s, pad to 288 °C, about 3.0 % of its budget',
      'lifted, still attached, here',
      'repaired, here. re-bonded, cured; 0.1 Ω',
    ]);
  });

  it('names a pad of another part, and what a meter showed', () => {
    const other = { ...SITE, id: 't', ref: 'R9', pads: [pad('9', 'X')] } as unknown as SiteSheet;
    const across = [finding('p1', 'bridged', 5, { otherPadId: 'p9' })];
    expect(lifeOf(SITE, '1', across, [], [], [], [other])[0]!.text).toBe('bridged with R9 pin 9, here');
    const reading = (kind: 'continuity' | 'short', value_Ohm: number | null, verdict: 'good' | 'bad') => ({
      id: 'r',
      boardId: 'b',
      siteId: 's',
      kind,
      padId: 'p1',
      otherPadId: kind === 'short' ? 'p2' : 'p9',
      value_Ohm,
      limit_Ohm: 1,
      verdict,
      note: '',
      by: 'MK',
      at_ms: 7,
    });
    const read = (...args: Parameters<typeof reading>) =>
      lifeOf(SITE, '1', [], [], [reading(...args)])[0]!.text;
    expect(read('continuity', 0.1, 'good')).toBe('continuity 0.1 Ω, verified');
    expect(read('continuity', null, 'bad')).toBe('continuity open, fails');
    expect(read('short', null, 'good')).toBe('apart from 2 open, good');
  });

  it('tells a bridge from both of its ends', () => {
    const bridge = [finding('p1', 'bridged', 5, { otherPadId: 'p2' })];
    expect(lifeOf(SITE, '1', bridge, [])[0]!.text).toBe('bridged with 2, here');
    expect(lifeOf(SITE, '2', bridge, [])[0]!.text).toBe('bridged with 1, here');
    expect(lifeOf(SITE, '3', bridge, [])).toEqual([]);
  });
});

describe('finding a site', () => {
  it('by reference, value, family, net, or by what is wrong with it', () => {
    const has = (query: string, findings: FindingRecord[] = []): boolean =>
      matches(SITE, query, statesOf(findings));
    for (const query of ['', 'u7', 'U', 'lamp', 'qfp', 'v5', 'u7 gnd']) expect(has(query), query).toBe(true);
    for (const query of ['u8', 'v12', 'u7 xyz', 'defects']) expect(has(query), query).toBe(false);
    expect(has('defects', [finding('p2', 'dull', 1)])).toBe(true);
    expect(has('defects', [finding('p2', 'dull', 1), finding('p2', 'repaired', 2)])).toBe(false);
  });
});
