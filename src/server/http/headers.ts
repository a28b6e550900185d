/**
 * The policy of whatever is no page: records, pictures, and the scripts of workers, which compile the kernels. A page has
 * one of its own, which names its scripts.
 */
export const FILE_POLICY =
  "default-src 'none'; script-src 'self' 'wasm-unsafe-eval'; connect-src 'self'; frame-ancestors 'none'";

/** What every answer carries, files too: nothing of another site is run here, shown here, or shows this. */
export const HEADERS: Readonly<Record<string, string>> = {
  'x-content-type-options': 'nosniff',
  'referrer-policy': 'same-origin',
  'cross-origin-opener-policy': 'same-origin',
  'cross-origin-resource-policy': 'same-origin',
  'permissions-policy':
    'screen-wake-lock=(self), camera=(), microphone=(), geolocation=(), payment=(), usb=(), browsing-topics=()',
};
