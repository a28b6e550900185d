import { z } from 'zod';
import { PROGRAMMER_SOCKET_IDS } from '~/core/electrical/memory/sockets';
import { PROGRAMMER_FAULT_IDS } from '~/core/electrical/memory/standInPart';
import { MEMORY_SIZES } from './programmerSizes';
import { initials, oneOf, recordId, text } from '~/schema/values/fields';

const every = {
  socket: oneOf(PROGRAMMER_SOCKET_IDS),
  /** The board's own part, or the one that takes its place. */
  part: oneOf(['own', 'new']),
  size_bytes: z.literal(MEMORY_SIZES, {
    error: 'is no size that a memory has; choose one of the list',
  }),
  /** Provoked on the simulated programmer. */
  fault: oneOf(PROGRAMMER_FAULT_IDS).default('none'),
  by: initials,
};

/** What the programmer is asked to do. */
export const programmerAsked = z.discriminatedUnion('do', [
  z.strictObject({ do: z.literal('read'), name: text(1, 80), ...every }),
  z.strictObject({ do: z.literal('program'), dumpId: recordId, ...every }),
  z.strictObject({ do: z.literal('verify'), dumpId: recordId, fitted: z.boolean(), ...every }),
]);
export type ProgrammerAsked = z.infer<typeof programmerAsked>;
