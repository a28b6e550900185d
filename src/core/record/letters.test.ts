import { describe, expect, it } from 'vitest';
import { FACE_STATES } from './faceStates';
import { PAD_STATES } from './padStates';

/** Letters that a pad and a place beside it share, because they are the same damage. */
const SAME = ['sound', 'corroded', 'flaked', 'bridged', 'repaired', 'track-cut cut', 'barrel open'];

const lettersOf = (states: Readonly<Record<string, { readonly letter: string }>>): string[] =>
  Object.values(states).map((state) => state.letter);

// Rule broken: findings M8 (look), an E on one picture was residue here and excess solder there.
describe('letters of what is found', () => {
  it('mean one thing each, on pads and beside them', () => {
    const shared = Object.entries(PAD_STATES).flatMap(([pad, { letter }]) =>
      Object.entries(FACE_STATES)
        .filter(([, state]) => state.letter === letter)
        .map(([place]) => (pad === place ? pad : `${pad} ${place}`)),
    );
    expect(shared.sort()).toEqual([...SAME].sort());
    for (const letters of [lettersOf(PAD_STATES), lettersOf(FACE_STATES)])
      expect(new Set(letters).size).toBe(letters.length);
  });
});
