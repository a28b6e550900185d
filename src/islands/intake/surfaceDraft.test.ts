import { describe, expect, it } from 'vitest';
import { SURFACE_FAMILY_IDS } from '~/core/packages/surfaceFamilies';
import { newSite } from '~/schema/site';
import { blankSite, siteOf } from './siteDraft';
import { pinsIn, usualPins } from './surfaceDraft';

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
        const site = siteOf(draft({ family, side, surfacePins: usualPins(family) }), board(layers));
        expect(newSite.safeParse(site).error?.issues ?? []).toEqual([]);
      }
    });
  }

  it('ties ground and supplies to planes by a via, signals to their own face', () => {
    const site = siteOf(
      draft({ family: 'soic', surfacePins: 8, groundPins: '4', supplyPins: '8', side: 'bottom' }),
      board(4),
    ) as { pads: { name: string; net: string; connections: unknown[] }[] };
    const pad = (name: string) => site.pads.find((p) => p.name === name)!;
    expect(pad('4')).toMatchObject({ net: 'GND' });
    expect(pad('4').connections[1]).toMatchObject({ kind: 'thermal-relief', layers: [2] });
    expect(pad('8').connections[1]).toMatchObject({ layers: [3] });
    expect(pad('1').connections).toEqual([expect.objectContaining({ kind: 'track', layers: [4] })]);
  });

  it('on a board without planes ground is a net on its own face', () => {
    const site = siteOf(draft({ family: 'soic', groundPins: '4' }), board(2)) as {
      pads: { name: string; net: string; connections: { kind: string }[] }[];
    };
    const ground = site.pads.find((p) => p.net === 'GND')!;
    expect(ground.connections.map((c) => c.kind)).toEqual(['track']);
  });

  it('refuses what the family cannot have', () => {
    expect(newSite.safeParse(siteOf(draft({ family: 'qfp', surfacePins: 43 }), board(2))).success).toBe(
      false,
    );
    expect(newSite.safeParse(siteOf(draft({ family: 'soic', surfacePitch_mm: 'x' }), board(2))).success).toBe(
      false,
    );
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
