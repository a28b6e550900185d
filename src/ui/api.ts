import type { Refusal } from '~/schema/values/refusal';

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

export const postJson = <T>(url: string, body: unknown): Promise<T> =>
  send<T>(url, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  });

export const patchJson = <T>(url: string, body: unknown): Promise<T> =>
  send<T>(url, {
    method: 'PATCH',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  });

/** Sends a file as it is; what goes with it stands in the address. */
export const postFile = <T>(url: string, file: Blob): Promise<T> =>
  send<T>(url, {
    method: 'POST',
    headers: { 'content-type': file.type.startsWith('image/') ? file.type : 'application/octet-stream' },
    body: file,
  });

export const deleteJson = <T>(url: string): Promise<T> => send<T>(url, { method: 'DELETE' });

export const getJson = <T>(url: string): Promise<T> => send<T>(url, {});

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
