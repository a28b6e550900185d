import { describe, expect, it } from 'vitest';
import { stroked, STROKE_IDS, STROKES, strokeOfLetter } from './copperStroke';
import { connection } from '~/schema/values/connection';
import { heaviestKind } from '~/schema/values/connectionKind';
import { constructionFrom } from './stackupPresets';
import type { PadStand } from './usualCopper';

const FOUR = constructionFrom('four-layer', 100, 80);
const SINGLE = constructionFrom('single-sided', 100, 80);
const HOLE: PadStand = { holed: true, side: 'top' };
const LAND: PadStand = { holed: false, side: 'top' };
const bare = { net: '', connections: [] };

describe('copper in a stroke', () => {
  it('has a letter for each', () => {
    expect(new Set(STROKE_IDS.map((id) => STROKES[id].letter)).size).toBe(STROKE_IDS.length);
    expect(strokeOfLetter('g')).toBe('ground');
    expect(strokeOfLetter('q')).toBeNull();
  });

  it('ground goes to the first plane, a supply to the second (common practice)', () => {
    expect(stroked('ground', bare, HOLE, FOUR)).toMatchObject({
      net: 'GND',
      connections: [{ kind: 'thermal-relief', layers: [2] }],
    });
    expect(stroked('power', bare, HOLE, FOUR)).toMatchObject({
      net: 'VCC',
      connections: [{ kind: 'thermal-relief', layers: [3] }],
    });
  });

  it('keeps a name that fits, and drops one that does not', () => {
    expect(stroked('ground', { net: 'AGND', connections: [] }, HOLE, FOUR).net).toBe('AGND');
    expect(stroked('power', { net: '+12V', connections: [] }, HOLE, FOUR).net).toBe('+12V');
    expect(stroked('signal', { net: 'GND', connections: [] }, HOLE, FOUR).net).toBe('');
    expect(stroked('signal', { net: 'SDA', connections: [] }, HOLE, FOUR).net).toBe('SDA');
  });

  it('a surface pad reaches its plane by a track and a via, a hole by itself', () => {
    expect(stroked('ground', bare, LAND, FOUR).connections.map((c) => c.kind)).toEqual([
      'track',
      'thermal-relief',
    ]);
    const track = stroked('signal', bare, LAND, FOUR).connections[0];
    expect(track).toMatchObject({ kind: 'track', layers: [1] });
    expect(stroked('signal', bare, HOLE, FOUR).connections[0]).toMatchObject({ layers: [4] });
  });

  it('turns a relief into full contact and back on the same layers', () => {
    const ground = stroked('ground', bare, HOLE, FOUR);
    const solid = stroked('solid', ground, HOLE, FOUR);
    expect(solid.connections).toEqual([{ kind: 'solid-plane', layers: [2] }]);
    expect(stroked('relief', solid, HOLE, FOUR)).toEqual(ground);
  });

  it('without planes ground is a track, and every stroke makes a record that holds', () => {
    expect(heaviestKind(stroked('ground', bare, HOLE, SINGLE).connections)).toBe('track');
    for (const id of STROKE_IDS)
      for (const c of stroked(id, bare, HOLE, SINGLE).connections)
        expect(connection.safeParse(c).success).toBe(true);
  });
});
