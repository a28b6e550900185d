import { AsyncLocalStorage } from 'node:async_hooks';
import { randomBytes } from 'node:crypto';

/** A request that may come twice: what it makes is named by it, so that the second time is known for what it is. */
interface Naming {
  readonly key: string;
  made: number;
}

const naming = new AsyncLocalStorage<Naming>();

/** A short unguessable identifier with a prefix that says what it names; within a request that may be repeated, the same again. */
export function newId(prefix: string): string {
  const request = naming.getStore();
  if (!request) return `${prefix}_${randomBytes(9).toString('base64url')}`;
  return `${prefix}_${request.key}${request.made++ === 0 ? '' : `-${request.made}`}`;
}

/** Does work whose new identifiers are made from a request's own key. */
export const namedBy = <Result>(key: string, work: () => Result): Result =>
  naming.run({ key, made: 0 }, work);
