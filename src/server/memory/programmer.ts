import { BLANK, countDiffering, judgeReads } from '~/core/electrical/memory/compare';
import { PROGRAMMER_SOCKETS, socketsFor } from '~/core/electrical/memory/sockets';
import { readPart, standInContents, writtenPart } from '~/core/electrical/memory/standInPart';
import type { MemoryEntry } from '~/core/record/memoryEntries';
import { uniformStream } from '~/core/statistics/random';
import type { ProgrammerAsked } from '~/schema/records/site/programmer';
import { InputError } from '~/schema/values/faults';
import type { Db } from '~/server/store/db';
import { addMemoryEntry, bytesOf, keepDump, memoryEntriesOf } from '~/server/store/repositories/memories';
import { getSite, type SiteWithPads } from '~/server/store/repositories/sites';

/**
 * Reads, writes or verifies a part with the simulated programmer. What was read is kept before it is judged. Throws `InputError`
 * where the part does not go into the socket, or does not answer as itself.
 */
export function program(
  db: Db,
  siteId: string,
  asked: ProgrammerAsked,
  at_ms: number,
  random: () => number = uniformStream(at_ms % 2 ** 31),
): MemoryEntry {
  const site = getSite(db, siteId);
  checkSocket(site, asked.socket);
  const { fault, by } = asked;
  const by_ = { socket: asked.socket, simulated: true } as const;
  const refuse = (message: string): never => {
    throw new InputError([{ path: '$.socket', message }]);
  };
  const read = (): Uint8Array =>
    readPart(heldBy(db, site, asked), fault, random) ??
    refuse(
      'holds a part that does not answer as the one that was named: look at its marking and which way round it lies',
    );
  switch (asked.do) {
    case 'read': {
      const [first, second] = [read(), read()];
      return db.transaction(() => {
        const judged = judgeReads(first, second);
        const dump = keepDump(db, siteId, { name: asked.name, bytes: first, by }, at_ms);
        const other =
          judged.verdict === 'differ'
            ? keepDump(
                db,
                siteId,
                { name: `${asked.name}, second read`.slice(0, 80), bytes: second, by },
                at_ms,
              )
            : null;
        const body = {
          kind: 'read',
          dumpId: dump.id,
          otherId: other?.id ?? null,
          ...judged,
          ...by_,
        } as const;
        return addMemoryEntry(db, siteId, body, by, at_ms);
      });
    }
    case 'program': {
      if (fault === 'wrong-part') read();
      const { length } = bytesOf(db, siteId, asked.dumpId);
      if (length !== asked.size_bytes)
        throw new InputError([
          {
            path: '$.size_bytes',
            message: `is ${asked.size_bytes} bytes, and these contents have ${length}; choose the part’s own size, and contents of that size`,
          },
        ]);
      // What a worn part or a bad contact leaves is found by verifying, as at a bench.
      const body = { kind: 'programmed', dumpId: asked.dumpId, fault, ...by_ } as const;
      return addMemoryEntry(db, siteId, body, by, at_ms);
    }
    case 'verify': {
      const held = read();
      const differing_bytes = countDiffering(held, bytesOf(db, siteId, asked.dumpId));
      const body = {
        kind: 'verified',
        dumpId: asked.dumpId,
        fitted: asked.fitted,
        differing_bytes,
        ...by_,
      } as const;
      return addMemoryEntry(db, siteId, body, by, at_ms);
    }
  }
}

function checkSocket({ package: form }: SiteWithPads, socket: ProgrammerAsked['socket']): void {
  const taking = socketsFor(form.family, pinsOf(form));
  if (!(taking as string[]).includes(socket))
    throw new InputError([
      {
        path: '$.socket',
        message:
          taking.length === 0
            ? `is "${PROGRAMMER_SOCKETS[socket].name}", and no socket of this programmer takes the part; read it on the board or in an adapter`
            : `is "${PROGRAMMER_SOCKETS[socket].name}", which does not take the part; use ${PROGRAMMER_SOCKETS[taking[0]!].name}`,
      },
    ]);
}

export const pinsOf = (form: SiteWithPads['package']): number => ('pins' in form ? (form.pins ?? 0) : 0);

/** What the part in the socket holds: the board's own as it came, or a new one as it was last written. */
function heldBy(db: Db, site: SiteWithPads, { part, size_bytes }: ProgrammerAsked): Uint8Array {
  if (part === 'own') return standInContents(site.id, size_bytes);
  const last = memoryEntriesOf(db, site.id).findLast((entry) => entry.kind === 'programmed');
  return last?.kind === 'programmed'
    ? writtenPart(bytesOf(db, site.id, last.dumpId), last.fault ?? 'none')
    : new Uint8Array(size_bytes).fill(BLANK);
}
