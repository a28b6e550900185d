import { z } from 'zod';

/** One thing wrong with what was given: where, what, and what to change. */
export interface Fault {
  /** JSON path, such as `$.board.copperLayers[0].weight_oz`. */
  readonly path: string;
  readonly message: string;
}

/** Bad input, told to whoever gave it; anything else that throws is a bug. */
export class InputError extends Error {
  constructor(readonly faults: readonly Fault[]) {
    super(faults.map((f) => `${f.path}: ${f.message}`).join('\n'));
    this.name = 'InputError';
  }
}

/** Parses a boundary's input, or throws every fault it has. `base` is where in the whole it stands. */
export function parseInput<T>(schema: z.ZodType<T>, input: unknown, base = '$'): T {
  const result = schema.safeParse(input);
  if (result.success) return result.data;
  const faults = result.error.issues.flatMap((issue) => faultsOf(issue));
  throw new InputError(faults.map((fault) => ({ ...fault, path: base + fault.path.slice(1) })));
}

function faultsOf(issue: z.core.$ZodIssue): Fault[] {
  const path = jsonPath(issue.path);
  switch (issue.code) {
    case 'unrecognized_keys':
      return issue.keys.map((key) => ({
        path: `${path}.${key}`,
        message: 'is not a known key here; remove it or correct its spelling',
      }));
    case 'invalid_union':
      // A discriminator that matches no branch has no branches to report.
      if (issue.errors.length === 0) return [{ path, message: issue.message }];
      return closestBranch(issue.errors).map((inner) => ({
        path: inner.path === '$' ? path : path + inner.path.slice(1),
        message: inner.message,
      }));
    default:
      return [{ path, message: issue.message }];
  }
}

/** Of a union's branches, the faults of the one that came nearest. */
function closestBranch(branches: readonly (readonly z.core.$ZodIssue[])[]): Fault[] {
  const depth = (issues: readonly z.core.$ZodIssue[]): number =>
    Math.max(0, ...issues.map((issue) => issue.path.length));
  const best = [...branches].sort((a, b) => depth(b) - depth(a) || a.length - b.length)[0];
  return best && best.length > 0
    ? best.flatMap((issue) => faultsOf(issue))
    : [{ path: '$', message: 'matches none of the allowed forms' }];
}

function jsonPath(path: readonly PropertyKey[]): string {
  return path.reduce<string>(
    (text, part) => (typeof part === 'number' ? `${text}[${part}]` : `${text}.${String(part)}`),
    '$',
  );
}
