/** A refusal of the server as data, `network` when it did not answer. */
export type Answer<T> =
  | { readonly ok: true; readonly data: T }
  | { readonly ok: false; readonly code: string; readonly seconds?: number; readonly why?: string };

/**
 * Sends JSON and never throws.
 * @param leaving the page is going: the browser sends it all the same
 */
export async function post<T>(path: string, body: unknown, leaving = false): Promise<Answer<T>> {
  try {
    const response = await fetch(path, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
      keepalive: leaving,
    });
    const data = (await response.json()) as T & {
      code?: string;
      seconds?: number;
      why?: string;
    };
    return response.ok
      ? { ok: true, data }
      : { ok: false, code: data.code ?? 'network', seconds: data.seconds, why: data.why };
  } catch {
    return { ok: false, code: 'network' };
  }
}
