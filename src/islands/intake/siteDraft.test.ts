import { describe, expect, it } from 'vitest';
import { SURFACE_FAMILY_IDS } from '~/core/packages/surfaceFamilies';
import { newSite } from '~/schema/records/site/site';
import { blankPad, blankSite, copperNotes, siteOf } from './siteDraft';
import { landShapes } from '~/core/packages/form';
import { anyPackage } from '~/schema/values/package';
import { partOf } from '~/schema/exchange/si/part';
import { PACKAGE_PRESETS } from '~/schema/presets/packagePresets';
import {
  dimensionWords,
  dimensionsOf,
  draftOf,
  FAMILIES,
  figureFault,
  packageInputOf,
  pinCount,
  startOf,
  usualFigures,
  type PackageDraft,
} from './packageDraft';
import { snapped } from './pinPlaces';
import { pinsIn } from './pinList';
import { nextReference } from './reference';

/** As many layers, the inner ones planes. */
const board = (count: number) => ({
  copperLayers: Array.from({ length: count }, (_, i) => ({
    weight_oz: 1,
    coverage: i > 0 && i < count - 1 ? 0.9 : 0.3,
  })),
});

const draft = (changes: object) => ({ ...blankSite(100, 80), ref: 'U1', ...changes });

describe('a surface part by the form', () => {
  for (const family of SURFACE_FAMILY_IDS) {
    it(`${family} makes a site that the record takes, as it comes`, () => {
      for (const [side, layers] of [
        ['top', 1],
        ['top', 2],
        ['bottom', 4],
      ] as const) {
        const site = siteOf(draft({ part: startOf(family), side }), board(layers));
        expect(newSite.safeParse(site).error?.issues ?? []).toEqual([]);
      }
    });
  }

  it('ties ground and supplies to planes by a via, signals to their own face', () => {
    const site = siteOf(
      draft({ part: startOf('soic'), groundPins: '4', supplyPins: '8', side: 'bottom' }),
      board(4),
    ) as { pads: { name: string; net: string; connections: unknown[] }[] };
    const pad = (name: string) => site.pads.find((p) => p.name === name)!;
    expect(pad('4')).toMatchObject({ net: 'GND' });
    expect(pad('4').connections[1]).toMatchObject({ kind: 'thermal-relief', layers: [2] });
    expect(pad('8').connections[1]).toMatchObject({ layers: [3] });
    expect(pad('1').connections).toEqual([expect.objectContaining({ kind: 'track', layers: [4] })]);
  });

  it('on a board without planes ground is a net on its own face', () => {
    const site = siteOf(draft({ part: startOf('soic'), groundPins: '4' }), board(2)) as {
      pads: { name: string; net: string; connections: { kind: string }[] }[];
    };
    const ground = site.pads.find((p) => p.net === 'GND')!;
    expect(ground.connections.map((c) => c.kind)).toEqual(['track']);
  });

  it('refuses what the family cannot have', () => {
    const made = (family: 'qfp' | 'soic', figures: object) =>
      newSite.safeParse(siteOf(draft({ part: { family, code: '0603', places: '', figures } }), board(2)))
        .success;
    expect(made('qfp', { pins: '44' })).toBe(true);
    expect(made('qfp', { pins: '43' })).toBe(false);
    expect(made('qfp', { pins: '100', sidePins: '50' })).toBe(false);
    expect(made('soic', { pitch_mm: 'x' })).toBe(false);
  });
});

describe('a part’s figures', () => {
  it('every standard outline comes through the form as it is kept', () => {
    for (const { name, package: input } of PACKAGE_PRESETS) {
      const back = anyPackage.parse(packageInputOf(draftOf(input)));
      expect(back, name).toEqual(anyPackage.parse(input));
    }
  });

  it('a blank one stands for the usual, and says what that is', () => {
    for (const { value: family } of FAMILIES) {
      const start = startOf(family);
      const input = anyPackage.parse(packageInputOf(start));
      const usual = usualFigures(input);
      for (const dimension of dimensionsOf(family)) {
        const known = start.figures[dimension] ?? usual[dimension];
        expect(Number(known), `${family} ${dimension}`).toBeGreaterThan(0);
      }
    }
  });

  it('a tab and a thermal pad are as large as they are said to be', () => {
    const land = (family: 'dpak' | 'qfn', pad: string) => {
      const figures = { thermalPad_mm: '6.2', thermalPadWidth_mm: '5.4' };
      const part = partOf(anyPackage.parse(packageInputOf({ family, code: '0603', places: '', figures })));
      const { width_m, height_m } = landShapes(part).find((l) => l.pad === pad)!;
      return [width_m, height_m].map((m) => Math.round(m * 1e6) / 1e3);
    };
    expect(land('dpak', '2')).toEqual([6.2, 5.4]);
    expect(land('qfn', '33')).toEqual([6.2, 5.4]);
  });

  it('decimal commas are taken', () => {
    expect(
      packageInputOf({ family: 'soic', code: '0603', places: '', figures: { pitch_mm: '1,27' } }),
    ).toEqual({
      family: 'soic',
      pitch_mm: 1.27,
    });
  });
});

describe('pins that stand anywhere', () => {
  const jack = (places: string) => ({ ...startOf('jack'), places });
  const landsOf = (places: string) =>
    landShapes(partOf(anyPackage.parse(packageInputOf(jack(places))))).map(({ pad, x_m, y_m }) => [
      pad,
      Math.round(x_m * 1e6) / 1e3,
      Math.round(y_m * 1e6) / 1e3,
    ]);
  const faultOf = (part: PackageDraft): string => {
    const found = anyPackage.safeParse(packageInputOf(part)).error!.issues[0]!;
    return figureFault(found);
  };

  it('are typed as places from any one point, and lie about the middle of all of them', () => {
    expect(landsOf('0 0; 5 0; 5 -6,5; 0 -6.5; 2.5 -12')).toEqual([
      ['1', -2.5, 6],
      ['2', 2.5, 6],
      ['3', 2.5, -0.5],
      ['4', -2.5, -0.5],
      ['5', 0, -6],
    ]);
  });

  it('make a site that the record takes, with a row of copper for each', () => {
    const places = '0 0; 10 0; 10 12; 0 12; 5 6';
    for (const part of [jack(places), startOf('transformer')]) {
      const site = siteOf(draft({ part, pads: [] }), board(2));
      expect(newSite.safeParse(site).error?.issues ?? []).toEqual([]);
    }
    expect(pinCount(jack(places))).toBe(5);
    expect(draftOf(anyPackage.parse(packageInputOf(jack(places)))).places).toBe(places);
  });

  it('are refused in the words of the form where they are no places or stand in one another', () => {
    expect(faultOf(jack('0 0; 1 0; 9 0'))).toMatch(
      /^Places of its pins puts pins 1 and 2 1.00 mm apart, closer than their 3.00 mm lands/,
    );
    expect(faultOf(jack('0 0; five 0'))).toMatch(/^Places of its pins /);
    expect(
      faultOf({ ...startOf('to220'), figures: { ...startOf('to220').figures, holeDiameter_mm: '0.5' } }),
    ).toMatch(/^Hole is 0.5 mm.*give a hole larger than lead$/);
  });

  it('a click falls on the nearest quarter of a millimetre', () => {
    expect(snapped(2.4, -6.31)).toEqual([2.5, -6.25]);
  });

  it('belong to parts without a pattern of their own', () => {
    const dip = { ...packageInputOf(startOf('dip')), pinPlaces_mm: [[0, 0]] };
    expect(anyPackage.safeParse(dip).error!.issues[0]!.message).toContain(
      'belongs to parts without a pattern',
    );
  });
});

describe('copper that is asked for and is not there', () => {
  const notes = (changes: object, layers: number): string =>
    copperNotes(draft(changes), ['1', '2', '3', '4', '5', '6', '7', '8'], board(layers)).join(' ');

  it('a plane on a board without planes is said, and so is a pin that the part has not', () => {
    const part = startOf('soic');
    expect(notes({ part, groundPins: '4' }, 2)).toContain('ground and supply pins are taken as tracks');
    expect(notes({ part, groundPins: '4' }, 4)).toBe('');
    expect(notes({ part, groundPins: '6, 18-20, 200, abc' }, 4)).toBe(
      'No pin of this part: 18, 19, 20, 200, ABC.',
    );
    const pads = [{ ...blankPad(), kind: 'solid-plane' }, blankPad()];
    expect(notes({ part: startOf('radial'), pads }, 2)).toContain('No layer of this board is a plane');
  });
});

describe('figures of a dual in-line part', () => {
  it('are named by its rows, and the usual ones shown are those that are drawn', () => {
    expect(dimensionWords('bodyLength_mm', 'dip')).toBe('Body along its rows, mm');
    const input = anyPackage.parse(
      packageInputOf({ ...startOf('dip'), figures: { ...startOf('dip').figures, bodyLength_mm: '' } }),
    );
    const usual = usualFigures(input);
    expect(usual.bodyLength_mm!).toBeGreaterThan(usual.bodyWidth_mm!);
    const { body } = partOf(anyPackage.parse({ ...input, bodyLength_mm: 19.3, bodyWidth_mm: 6.35 }));
    expect([body.length_m, body.width_m]).toEqual([6.35e-3, 19.3e-3]);
  });
});

describe('the reference after one', () => {
  it('counts on and passes over what is taken', () => {
    expect(nextReference('C7', ['C7'])).toBe('C8');
    expect(nextReference('C7', ['C8', 'C9'])).toBe('C10');
    expect(nextReference('LED', [])).toBe('');
  });
});

describe('pins as they are written', () => {
  const names = Array.from({ length: 20 }, (_, i) => String(i + 1));

  it('alone, as ranges, by letters; what is no pin is passed over', () => {
    expect(pinsIn('6, 18-20 99', names)).toEqual(['6', '18', '19', '20']);
    expect(pinsIn('a1;B2', ['A1', 'B1', 'B2'])).toEqual(['A1', 'B2']);
    expect(pinsIn('9-7', names)).toEqual([]);
  });
});

describe('the sign of a part by the form', () => {
  const told = (sign: object) =>
    newSite.safeParse(
      siteOf(draft({ sign: { part: '', plusPad: null, boardMark: '', boardPad: null, ...sign } }), board(2)),
    );

  it('is kept whole, part and board apart', () => {
    const made = told({ part: 'minus-stripe', plusPad: '1', boardMark: 'filled-half', boardPad: '2' });
    expect(made.data!.polarity).toEqual({
      part: 'minus-stripe',
      plusPad: '1',
      board: { mark: 'filled-half', pad: '2' },
    });
    expect(told({}).data!.polarity).toBeNull();
  });

  it('half told is refused with a word, never dropped in silence', () => {
    expect(told({ part: 'minus-stripe' }).error!.issues[0]!.message).toMatch(
      /is not chosen; say at which pad/,
    );
    expect(told({ part: 'minus-stripe', plusPad: '1', boardMark: 'plus' }).success).toBe(false);
  });
});
