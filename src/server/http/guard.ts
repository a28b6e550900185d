/** What is looked at of a request before anything is done for it. */
export interface Asked {
  readonly method: string;
  /** Address without the server's own name. */
  readonly path: string;
  /** A header by its lower-case name; null where it was not sent. */
  readonly header: (name: string) => string | null;
}

/** Why a request is turned away at the door. */
export interface TurnedAway {
  readonly status: 403 | 404 | 405;
  readonly message: string;
  readonly allow?: string;
}

const READS: ReadonlySet<string> = new Set(['GET', 'HEAD']);
const KNOWN: ReadonlySet<string> = new Set([...READS, 'POST', 'PUT', 'PATCH', 'DELETE']);

/**
 * Judges a request by where it comes from: another name for this machine (DNS rebinding), a page of another site, a method
 * that nothing here has. Null lets it in. `hosts` are the names that this server answers to, without a port.
 */
export function turnedAway({ method, path, header }: Asked, hosts: ReadonlySet<string>): TurnedAway | null {
  const host = header('host') ?? '';
  if (!hosts.has(nameOf(host)))
    return refused(
      403,
      'Ithermon answers to its own name only; use 127.0.0.1, localhost or a name given with --name',
    );
  if (!KNOWN.has(method)) return notAllowed(method, 'GET, HEAD, POST, PUT, PATCH, DELETE');
  // The framework would draw any picture anew here; nothing of ours uses it.
  if (path.startsWith('/_image') || !isWritten(path)) return refused(404, NOTHING);
  const reads = READS.has(method);
  if (!reads && !path.startsWith('/api/')) return notAllowed(method, 'GET, HEAD');
  const [site, origin] = [header('sec-fetch-site'), header('origin')];
  const foreign =
    (site !== null && site !== 'same-origin' && site !== 'none') ||
    (origin !== null && origin !== `http://${host}` && origin !== `https://${host}`);
  // A link on another page may lead here; nothing else of another site is answered.
  const followed =
    reads && header('sec-fetch-mode') === 'navigate' && header('sec-fetch-dest') === 'document';
  return foreign && !followed
    ? refused(403, 'this request comes from another site; use Ithermon’s own pages')
    : null;
}

/** Whether a page was opened from one of ours, or by its address typed in: what it will ask for may be begun. */
export const fromOurPages = (headers: Headers): boolean =>
  ['same-origin', 'none'].includes(headers.get('sec-fetch-site') ?? 'none');

const NOTHING = 'there is nothing at this address';

/** Whether an address is written as ours are: signs of signs, and what is no sign at all, lead nowhere. */
function isWritten(path: string): boolean {
  const [name] = path.split('?');
  try {
    const read = decodeURI(name!);
    // Decoded once it must say what it means.
    return read === name || !/%[0-9a-f]{2}/i.test(read);
  } catch {
    return false;
  }
}

/** The name of a host header, without its port: `[::1]:80` is `[::1]`. */
const nameOf = (host: string): string => host.replace(/:\d+$/, '').toLowerCase();

const refused = (status: 403 | 404, message: string): TurnedAway => ({ status, message });

const notAllowed = (method: string, allow: string): TurnedAway => ({
  status: 405,
  message: `${method} is not done at this address; it takes ${allow}`,
  allow,
});
