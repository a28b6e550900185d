import { InputError } from '~/schema/values/faults';

interface Flags {
  readonly rest: readonly string[];
  readonly values: ReadonlyMap<string, string>;
  readonly switches: ReadonlySet<string>;
}

/** Takes a command's flags out of its arguments; one that it does not know is refused by name. */
export function flagsIn(
  args: readonly string[],
  known: { readonly values: readonly string[]; readonly switches: readonly string[] },
): Flags {
  const rest: string[] = [];
  const values = new Map<string, string>();
  const switches = new Set<string>();
  for (let i = 0; i < args.length; i++) {
    const arg = args[i]!;
    if (known.switches.includes(arg)) switches.add(arg);
    else if (known.values.includes(arg)) {
      const value = args[++i];
      if (value === undefined)
        throw new InputError([{ path: `$${arg}`, message: 'is missing; give it behind the flag' }]);
      values.set(arg, value);
    } else if (arg.startsWith('-'))
      throw new InputError([
        {
          path: `$${arg}`,
          message: `is not known here; give ${[...known.values, ...known.switches].join(' or ')}`,
        },
      ]);
    else rest.push(arg);
  }
  return { rest, values, switches };
}
