import { resolve } from 'node:path';
import { parseArgs } from 'node:util';

export const HELP = `Usage: ./start [--port N] [--host H] [--name NAME] [--db FILE] [--empty] [--backups N]
               [--sign-in] [--cert FILE --key FILE] [--instruments N] [--no-stand-ins]
  --port N     port to serve on (default 4517)
  --host H     address to bind to (default 127.0.0.1: this machine only); any other needs people to sign in:
               add a lead first with ./ithermon people add
  --name NAME  a further name that this machine is called by, as in http://NAME:4517/ (may be given again)
  --db FILE    database file (default data/ithermon.db); a backup is restored by naming it here
  --empty      a new database begins without the demo workshop
  --sign-in    people sign in, on this machine too
  --cert FILE  serve over TLS with this certificate (PEM), and --key FILE its key
  --instruments N  port that instruments connect to, on this machine alone (default: any that is free)
  --no-stand-ins   without the simulated instruments
  --backups N  daily copies kept beside the database (default 7, 0 for none)
  --help       this text`;

/** How a server is started. */
export interface Options {
  readonly port: number;
  readonly host: string;
  /** Names that requests may call this server by, without a port. */
  readonly names: ReadonlySet<string>;
  readonly file: string;
  readonly empty: boolean;
  readonly backups: number;
  /** Port that instruments connect to; 0 takes any that is free. */
  readonly instruments: number;
  /** Whether simulated instruments are started beside the server. */
  readonly standIns: boolean;
  /** People sign in: always where others reach this address. */
  readonly signIn: boolean;
  /** Files of a certificate and its key; null serves without TLS. */
  readonly tls: { readonly cert: string; readonly key: string } | null;
}

/** A fault of the command line, in one line. */
export class BadOption extends Error {}

const MOST_BACKUPS = 400;

/** Options of a command line; null asks for the help. Throws `BadOption`. `from` is where the command was given. */
export function optionsOf(args: readonly string[], from: string): Options | null {
  const values = parsed(args);
  if (values.help) return null;
  const host = values.host ?? '127.0.0.1';
  return {
    port: wholeNumber('--port', values.port ?? '4517', 65535, 'a port; give a number from 1 to 65535'),
    host,
    names: new Set(['127.0.0.1', 'localhost', '[::1]', bracketed(host), ...(values.name ?? [])].map(lower)),
    file: values.db === undefined ? resolve('data/ithermon.db') : resolve(from, values.db),
    empty: values.empty ?? false,
    signIn: (values['sign-in'] ?? false) || !isLoopback(host),
    instruments: wholeNumber(
      '--instruments',
      values.instruments ?? '0',
      65535,
      'a port; give a number from 1 to 65535, or 0 for any',
    ),
    standIns: !(values['no-stand-ins'] ?? false),
    tls: tlsOf(values.cert, values.key, from),
    backups: wholeNumber(
      '--backups',
      values.backups ?? '7',
      MOST_BACKUPS,
      `a number of copies; give 0 to ${MOST_BACKUPS}`,
    ),
  };
}

function parsed(args: readonly string[]) {
  try {
    return parseArgs({
      args: [...args],
      options: {
        port: { type: 'string' },
        host: { type: 'string' },
        name: { type: 'string', multiple: true },
        db: { type: 'string' },
        empty: { type: 'boolean' },
        backups: { type: 'string' },
        'sign-in': { type: 'boolean' },
        instruments: { type: 'string' },
        'no-stand-ins': { type: 'boolean' },
        cert: { type: 'string' },
        key: { type: 'string' },
        help: { type: 'boolean' },
      },
    }).values;
  } catch (error) {
    // Node's own words name the option; the rest of them is about its library.
    const told = error instanceof Error ? error.message.split(/\. |\n/)[0]! : String(error);
    throw new BadOption(`${told}; --help tells which there are`);
  }
}

function tlsOf(cert: string | undefined, key: string | undefined, from: string): Options['tls'] {
  if (cert === undefined && key === undefined) return null;
  if (cert === undefined) throw new BadOption('--key is given without --cert; give both');
  if (key === undefined) throw new BadOption('--cert is given without --key; give both');
  return { cert: resolve(from, cert), key: resolve(from, key) };
}

function wholeNumber(option: string, text: string, most: number, wanted: string): number {
  const value = Number(text);
  if (!/^\d+$/.test(text) || value > most) throw new BadOption(`${option} ${text} is not ${wanted}`);
  return value;
}

const lower = (name: string): string => name.toLowerCase();

/** An address as a request names it: one with colons stands in brackets. */
export const bracketed = (host: string): string => (host.includes(':') ? `[${host}]` : host);

/** Whether an address is this machine's own and nobody else's. */
export const isLoopback = (host: string): boolean =>
  host === 'localhost' || host === '::1' || /^127(\.\d{1,3}){1,3}$/.test(host);
