import { describe, expect, it } from 'vitest';
import { thermalProfile, type ThermalProfile } from '~/schema/values/thermalProfile';
import { InputError } from '~/schema/values/faults';
import { csvwOf, readCsv, writeCsv } from './csv';

const LOG: ThermalProfile = {
  format: 'thermal-profile',
  version: 1,
  title: 'C7, pin 2',
  began_ms: 1_800_000_000_000,
  channels: [
    { id: 'tc1', name: 'Land', unit: 'degC' },
    { id: 'tc2', name: 'Board, "beside"', unit: 'degC' },
  ],
  elapsed_s: [0, 0.1, 0.2],
  values: { tc1: [23.1, 60.5, null], tc2: [23, 23.2, 23.9] },
  marks: [],
};
const faultsOf = (text: string): readonly { path: string; message: string }[] => {
  try {
    readCsv(text);
    return [];
  } catch (error) {
    return (error as InputError).faults;
  }
};

describe('a thermal log as CSV', () => {
  // RFC 4180: CRLF at line ends, a header line, fields parted by commas.
  it('is written as the standard has it and read back as it was', () => {
    const text = writeCsv(LOG);
    expect(text).toBe('elapsed_s,tc1,tc2\r\n0,23.1,23\r\n0.1,60.5,23.2\r\n0.2,,23.9\r\n');
    const back = readCsv(text);
    expect(back.values).toEqual(LOG.values);
    expect(back.elapsed_s).toEqual(LOG.elapsed_s);
    expect(thermalProfile.safeParse(back).success).toBe(true);
  });

  it('of other loggers is read: semicolons with decimal commas, tabs, gaps in words, times that begin late', () => {
    const semicolons = readCsv('Time;Pad;Body\n10,0;25,5;24\n10,5;OL;24,1\n');
    expect(semicolons.elapsed_s).toEqual([0, 0.5]);
    expect(semicolons.values).toEqual({ Pad: [25.5, null], Body: [24, 24.1] });
    expect(readCsv('t\tchannel 1\n0\t20\n1\t21\n').values).toEqual({ channel_1: [20, 21] });
    expect(readCsv('\ufeffelapsed_s,A,A\n0,1,2\n').values).toEqual({ A: [1], A_2: [2] });
  });

  it('that is none is refused by line, in words', () => {
    expect(faultsOf('a,b\n1,2\n')).toMatchObject([{ path: 'line 1', message: /no column of times/ }]);
    expect(faultsOf('elapsed_s\n1\n')).toMatchObject([{ path: 'line 1', message: /no column beside/ }]);
    expect(faultsOf('elapsed_s,tc1\n0,20\n5,21\n4,22\nx,23\n')).toMatchObject([
      { path: 'line 4', message: /no later/ },
      { path: 'line 5', message: /no time/ },
    ]);
  });

  // W3C, Metadata Vocabulary for Tabular Data: context, url, tableSchema with columns by name.
  it('has a sidecar that names its columns', () => {
    const sidecar = csvwOf(LOG, 'log.csv') as {
      '@context': string;
      url: string;
      tableSchema: { columns: { name: string }[]; primaryKey: string };
    };
    expect(sidecar['@context']).toBe('http://www.w3.org/ns/csvw');
    expect(sidecar.url).toBe('log.csv');
    expect(sidecar.tableSchema.columns.map((c) => c.name)).toEqual(['elapsed_s', 'tc1', 'tc2']);
    expect(sidecar.tableSchema.primaryKey).toBe('elapsed_s');
  });
});

describe('the JSON form', () => {
  it('refuses rows of another length, unknown channels and times that fall back, by name', () => {
    const told = (changes: object): string =>
      JSON.stringify(thermalProfile.safeParse({ ...LOG, ...changes }).error?.issues);
    expect(told({ values: { tc1: [1], tc2: [1, 2, 3] } })).toContain('has 1 values for 3 times');
    expect(told({ values: { ...LOG.values, tc9: [1, 2, 3] } })).toContain('is no channel');
    expect(told({ elapsed_s: [0, 2, 1] })).toContain('no later');
    expect(told({ version: 2 })).toContain('another version');
  });
});
