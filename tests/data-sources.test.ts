import { describe, expect, it } from 'vitest';
import type { Property } from '~/core/materials/property';
import { registeredData } from '~/core/sources';

const STANDING = { published: 'published', 'from-memory': 'from memory', assumed: 'assumed' } as const;

const number = (value: number): string =>
  value !== 0 && (Math.abs(value) < 1e-2 || Math.abs(value) >= 1e5)
    ? value.toExponential(3).replace(/\.?0+e/, 'e')
    : String(Number(value.toPrecision(5)));

const row = (name: string, p: Property): string =>
  `| ${name} | ${number(p.value)} | ${p.unit === '1' ? '–' : p.unit} | ${number(p.range[0])} to ${number(p.range[1])} | ${number(100 * p.uncertainty)} % | ${STANDING[p.standing]} | ${p.source} |`;

function page(): string {
  const sections = registeredData().map(({ title, values }) =>
    [
      `## ${title}`,
      '',
      '| value of | value | unit | range | uncertainty (1 σ) | standing | source |',
      '| --- | ---: | --- | --- | ---: | --- | --- |',
      ...values.map(({ name, of }) => row(name, of)),
      '',
    ].join('\n'),
  );
  return [
    '# Where the numbers come from',
    '',
    'Every material and tool value that the heat model reads, written by `npm run schemas` from the data itself;',
    'a test fails when this page is behind. *From memory* means quoted from the named source without it at hand;',
    '*assumed* means reasoned, to be replaced by calibration. A calibration never moves a value outside its range.',
    'The air table is Incropera & DeWitt table A.4; moisture and classification tables are in `src/core/packages`.',
    '',
    ...sections,
  ].join('\n');
}

describe('docs/data-sources.md', () => {
  it('is what the data says (npm run schemas writes it)', async () => {
    await expect(page()).toMatchFileSnapshot('../docs/data-sources.md');
  });

  it('every value is finite, inside its range, with a source and an uncertainty', () => {
    const all = registeredData().flatMap((subject) => subject.values);
    expect(all.length).toBeGreaterThan(150);
    for (const { name, of } of all) {
      expect(Number.isFinite(of.value), name).toBe(true);
      expect(of.value, name).toBeGreaterThanOrEqual(of.range[0]);
      expect(of.value, name).toBeLessThanOrEqual(of.range[1]);
      expect(of.uncertainty, name).toBeGreaterThan(0);
      expect(of.source.length, name).toBeGreaterThan(3);
    }
  });

  it('names are unique within a subject', () => {
    for (const { title, values } of registeredData()) {
      const names = values.map((v) => v.name);
      expect(new Set(names).size, title).toBe(names.length);
    }
  });
});
