// @vitest-environment jsdom
import { render } from '@testing-library/react';
import { expect, it } from 'vitest';
import type { FaceSite } from './SiteGlyph';
import { Crowd, nearestOf } from './Crowd';

const part = (x_mm: number, side: FaceSite['side'] = 'top') => ({
  side,
  x_mm,
  y_mm: 20,
  rotation_deg: 0,
  package: { family: 'chip', code: '0805' } as const,
});

const drawn = (sites: ReturnType<typeof part>[], side: FaceSite['side'] = 'top') => {
  const { container, rerender } = render(crowd(sites, side));
  return {
    paths: () => [...container.querySelectorAll('path')],
    again: (left: typeof sites, of = side) => rerender(crowd(left, of)),
  };
};
const crowd = (sites: ReturnType<typeof part>[], side: FaceSite['side']) => (
  <svg>
    <Crowd sites={sites} side={side} length_mm={200} width_mm={100} />
  </svg>
);

it('a part that is taken out draws its own tile anew and no other', () => {
  const [one, beside, far] = [part(30), part(34), part(120)];
  const { paths, again } = drawn([one, beside, far]);
  const before = paths();
  expect(before.map((path) => path.getAttribute('d')!.match(/Z/g)!.length)).toEqual([2, 1]);
  const farther = before[1]!.getAttribute('d');
  again([one, far]);
  expect(paths()).toEqual(before);
  expect(paths().map((path) => path.getAttribute('d')!.match(/Z/g)!.length)).toEqual([1, 1]);
  expect(paths()[1]!.getAttribute('d')).toBe(farther);
});

it('the other face is mirrored, what stands there comes to the front', () => {
  const { paths, again } = drawn([part(30), part(120, 'bottom')]);
  const [behind, front] = paths().map((path) => path.getAttribute('class'));
  again([part(30), part(120, 'bottom')], 'bottom');
  expect(paths().map((path) => path.getAttribute('class'))).toEqual([behind, front]);
  // Seen from below, 120 from the left is 80.
  expect(paths()[1]!.getAttribute('d')).toMatch(/^M(79|8[01])\./);
});

it('a point means the nearest part of its face, within reach', () => {
  const sites = [part(30), part(34), part(33, 'bottom')];
  expect(nearestOf(sites, 'top', 33, 20)).toBe(sites[1]);
  expect(nearestOf(sites, 'top', 60, 20)).toBeNull();
});
