/** A socket of a programmer, and the packages that it takes. */
interface ProgrammerSocket {
  readonly name: string;
  readonly families: readonly string[];
  readonly mostPins: number;
}

/** Sockets as programmers have them (common practice); a smaller part of the family sits at the lower end. */
export const PROGRAMMER_SOCKETS = {
  dip40: { name: 'dual in-line, up to 40 pins', families: ['dip', 'dipSocket'], mostPins: 40 },
  so16: {
    name: 'small outline, up to 16 pins',
    families: ['soic', 'ssop', 'soj'],
    mostPins: 16,
  },
  so44: {
    name: 'small outline, up to 44 pins',
    families: ['soic', 'ssop', 'soj'],
    mostPins: 44,
  },
  plcc44: { name: 'chip carrier, up to 44 leads', families: ['plcc'], mostPins: 44 },
  tsop56: { name: 'thin small outline, up to 56 pins', families: ['tsop'], mostPins: 56 },
} as const satisfies Record<string, ProgrammerSocket>;
export type ProgrammerSocketId = keyof typeof PROGRAMMER_SOCKETS;
export const PROGRAMMER_SOCKET_IDS = Object.keys(PROGRAMMER_SOCKETS) as [
  ProgrammerSocketId,
  ...ProgrammerSocketId[],
];

/** Sockets that take a package, the smallest first. */
export const socketsFor = (family: string, pins: number): ProgrammerSocketId[] =>
  PROGRAMMER_SOCKET_IDS.filter((id) => {
    const { families, mostPins }: ProgrammerSocket = PROGRAMMER_SOCKETS[id];
    return families.includes(family) && pins <= mostPins;
  });
