import type { Refusal } from '~/schema/values/refusal';
import { askLead } from '~/ui/lead';
import { newKey } from '~/ui/newKey';

/** Why a request did not do what was asked, in words to show. */
export class ApiError extends Error {
  constructor(
    readonly kind: Refusal['error'] | 'offline',
    message: string,
    readonly faults: readonly { path: string; message: string }[] = [],
    readonly current: unknown = null,
  ) {
    super(message);
  }
}

export function postJson<T>(url: string, body: unknown): Promise<T> {
  const text = JSON.stringify(body);
  return sendOnce<T>(`${url} ${text}`, url, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: text,
  });
}

export const patchJson = <T>(url: string, body: unknown): Promise<T> =>
  send<T>(url, {
    method: 'PATCH',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  });

/** What the server takes under its own name: pictures, logs and bundles. */
const KEPT_TYPES = /^(image\/|text\/csv$|application\/(json|zip)$)/;

/** Sends a file as it is; what goes with it stands in the address. */
export const postFile = <T>(url: string, file: Blob, type = file.type): Promise<T> =>
  sendOnce<T>(`${url} ${file instanceof File ? `${file.name} ${file.lastModified}` : ''} ${file.size}`, url, {
    method: 'POST',
    headers: { 'content-type': KEPT_TYPES.test(type) ? type : 'application/octet-stream' },
    body: file,
  });

export const deleteJson = <T>(url: string): Promise<T> => send<T>(url, { method: 'DELETE' });

export const getJson = <T>(url: string): Promise<T> => send<T>(url, {});

/** Requests whose answer never came, by what they asked: sent again they carry the same key, and are done once. */
const unanswered = new Map<string, string>();

/** Sends what makes something new: tried again after a broken line or a fault of the server it is the same request. */
async function sendOnce<T>(
  what: string,
  url: string,
  init: Omit<RequestInit, 'headers'> & { readonly headers: Readonly<Record<string, string>> },
): Promise<T> {
  const key = unanswered.get(what) ?? newKey();
  unanswered.set(what, key);
  try {
    const answer = await sendSigned<T>(url, {
      ...init,
      headers: { ...init.headers, 'idempotency-key': key },
    });
    unanswered.delete(what);
    return answer;
  } catch (error) {
    // Refused for what it says: sent again it is another request.
    if (!(error instanceof ApiError) || !UNSURE.has(error.kind)) unanswered.delete(what);
    throw error;
  }
}

/** Ends after which nobody knows whether it was done. */
const UNSURE: ReadonlySet<ApiError['kind']> = new Set(['offline', 'internal']);

/** Sends, and where a lead has to sign asks the one who stands beside the bench, then sends again with the signature. */
async function sendSigned<T>(
  url: string,
  init: Omit<RequestInit, 'headers'> & { readonly headers: Readonly<Record<string, string>> },
): Promise<T> {
  try {
    return await send<T>(url, init);
  } catch (error) {
    if (!(error instanceof ApiError) || error.kind !== 'needs-lead') throw error;
    const signature = await askLead();
    if (signature === null) throw error;
    return send<T>(url, { ...init, headers: { ...init.headers, 'x-lead-signature': signature } });
  }
}

async function send<T>(url: string, init: RequestInit): Promise<T> {
  let response: Response;
  try {
    response = await fetch(url, init);
  } catch {
    throw new ApiError(
      'offline',
      'The bench computer does not answer. What you entered is kept here; it is sent again when it does.',
    );
  }
  const answer = (await response.json().catch(() => null)) as unknown;
  if (response.ok) return answer as T;
  const refusal = answer as Refusal | null;
  throw new ApiError(
    refusal?.error ?? 'internal',
    refusal?.message ?? `the server answered ${response.status}; try again`,
    refusal?.faults ?? [],
    refusal?.current ?? null,
  );
}
