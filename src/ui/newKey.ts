/**
 * A name that no other press has. Made from random bytes: the browser's own maker of such names is there for pages of this
 * machine or over TLS only, and a bench is reached by its plain address as well.
 */
export const newKey = (): string =>
  Array.from(crypto.getRandomValues(new Uint8Array(16)), (byte) => byte.toString(16).padStart(2, '0')).join(
    '',
  );
