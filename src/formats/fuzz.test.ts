import { inOneGo } from '~/core/stepwise';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { centroidOf, copperOf, drillOf, netlistOf, profileOf } from '../../tests/support/openFiles';
import { newImport } from '~/schema/records/board/boardImport';
import { DEMO_BOARDS } from '~/server/demo/boards';
import { readExcellon } from '~/formats/excellon/excellon';
import { readGerber } from '~/formats/gerber/read';
import { UNSETTLED } from '~/formats/import/choices';
import { planImport, type ImportPreview } from '~/formats/import/importPlan';
import { readNetlist } from '~/formats/netlist/netlist';

/**
 * Files come from anywhere: cut short, mangled by mail, or no such file at all. Whatever is in them a reader
 * gives back what it understood and names the rest by line; it never throws and never hands on a number that is none.
 */
const TIDE = DEMO_BOARDS.find((board) => board.id === 'demo-tide-1')!;
const { construction } = TIDE.board;
const WHOLE: Readonly<Record<string, string>> = {
  'tide.ipc': netlistOf('Tide', TIDE.sites),
  'tide-top.gbr': copperOf(construction, TIDE.sites, 'top', true),
  'tide.drl': drillOf(TIDE.sites),
  'tide-profile.gbr': profileOf(construction),
  'tide.csv': centroidOf(TIDE.sites),
};

/** A whole file with some of its characters lost, doubled or put in place of others. */
const mangled = fc
  .tuple(
    fc.constantFrom(...Object.keys(WHOLE)),
    fc.array(fc.tuple(fc.double({ min: 0, max: 1, noNaN: true }), fc.string({ maxLength: 4 }), fc.nat(6)), {
      minLength: 1,
      maxLength: 12,
    }),
  )
  .map(([name, edits]) => {
    let text = WHOLE[name]!;
    for (const [share, put, lost] of edits) {
      const at = Math.floor(share * text.length);
      text = text.slice(0, at) + put + text.slice(at + lost);
    }
    return { name, text };
  });

function planned(files: readonly { name: string; text: string }[]): ImportPreview {
  return inOneGo(planImport(files, { construction, taken: [], alloy: 'sn60pb40' }, UNSETTLED));
}

const finite = (value: unknown): boolean =>
  typeof value === 'number'
    ? Number.isFinite(value)
    : typeof value === 'object' && value !== null && !ArrayBuffer.isView(value)
      ? Object.values(value).every(finite)
      : true;

describe('any text', () => {
  it('is read without throwing', () => {
    const anything = fc.oneof(
      fc.string({ maxLength: 400 }),
      fc.string({ unit: 'binary', maxLength: 400 }),
      fc
        .array(
          fc.constantFrom(
            '%',
            '*',
            'X1',
            'Y-2',
            'D01',
            'G36',
            'AM',
            'AD',
            'LPC',
            'SR',
            '\n',
            '317',
            'M48',
            'T1',
            'R3',
            'P  ',
          ),
          { maxLength: 60 },
        )
        .map((parts) => parts.join('')),
    );
    fc.assert(
      fc.property(anything, (text) => {
        expect(finite(readNetlist(text).points)).toBe(true);
        expect(finite(readGerber(text).pads)).toBe(true);
        expect(finite(readExcellon(text).holes)).toBe(true);
      }),
      { seed: 17, numRuns: 400 },
    );
  });
});

describe('a mangled file', () => {
  it('makes only what the record would take, beside the others that are whole', () => {
    fc.assert(
      fc.property(mangled, (file) => {
        const others = Object.entries(WHOLE).filter(
          ([name]) => name !== file.name && name !== 'tide-top.gbr',
        );
        const preview = planned([file, ...others.map(([name, text]) => ({ name, text }))]);
        const wanted = newImport.safeParse({
          by: 'MK',
          files: preview.files.map(({ name, kind, count }) => ({ name, kind, count })),
          sites: preview.sites.map(({ site }) => site),
          copper: [],
          profile: preview.profile,
        });
        expect(wanted.error?.issues ?? []).toEqual([]);
      }),
      { seed: 23, numRuns: 60 },
    );
  }, 60_000);

  it('cut short anywhere keeps what came before', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...Object.keys(WHOLE)),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (name, share) => {
          const text = WHOLE[name]!.slice(0, Math.floor(share * WHOLE[name]!.length));
          const preview = planned([{ name, text }]);
          expect(preview.files).toHaveLength(1);
          expect(finite(preview.profile)).toBe(true);
        },
      ),
      { seed: 29, numRuns: 60 },
    );
  }, 60_000);
});
