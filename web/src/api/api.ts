import createClient, { type Middleware } from 'openapi-fetch';
import type { components, paths } from './schema';
import { client } from './client';
import { csrfToken } from './csrf';
import { OutOfReach, ProblemError } from './problem';

export type Schemas = components['schemas'];

const CHANGES = new Set(['POST', 'PUT', 'DELETE', 'PATCH']);

/** Sends the CSRF token of the cookie back with every change. */
const csrf: Middleware = {
  onRequest({ request }) {
    const token = csrfToken();
    if (CHANGES.has(request.method) && token) request.headers.set('X-XSRF-TOKEN', token);
    return request;
  },
};

/** These are of the account, wherever it works. */
const OF_NO_ORCHARD = /^\/api\/(session|setup|join|account|orchards|typical-year)(\/|$)/;

/** The orchard that is shown on this page; in another window it may be another. */
export const shownOrchard = (): string | undefined =>
  client.getQueryData<Schemas['SessionView']>(['session'])?.orchard.id;

/** Says for which orchard a request is meant, so that nothing arrives in another. */
const meantFor: Middleware = {
  onRequest({ request }) {
    const orchard = shownOrchard();
    if (orchard && !OF_NO_ORCHARD.test(new URL(request.url).pathname))
      request.headers.set('X-Orchard', orchard);
    return request;
  },
};

export const api = createClient<paths>({
  baseUrl: window.location.origin,
  // Looked up at each call, so that tests can stand in for the network.
  fetch: (request) => globalThis.fetch(request),
});
api.use(csrf, meantFor);

/** The answer's data, or a thrown {@link ProblemError}; {@link OutOfReach} when there was no answer at all. */
export async function answer<T>(
  call: Promise<{ data?: T; error?: unknown; response: Response }>,
): Promise<T> {
  let result;
  try {
    result = await call;
  } catch {
    throw new OutOfReach();
  }
  if (!result.response.ok) {
    throw new ProblemError(result.response.status, result.error ?? {});
  }
  return result.data as T;
}

type VoidPath = Extract<keyof paths, `${string}/{id}/void`>;

/**
 * Removes a record with a reason; it can be restored in its story.
 *
 * @param of what stands in the path
 * @param version as it was seen
 */
export const voidRecord = <P extends VoidPath>(
  path: P,
  of: paths[P]['post']['parameters']['path'],
  version: number,
  reason: string,
): Promise<unknown> => {
  // Of whichever path it is, what is sent has the same shape: that cannot be said of a path not yet known.
  const post = api.POST as unknown as (to: string, sent: object) => Parameters<typeof answer>[0];
  return answer(post(path, { params: { path: of }, body: { version, reason } }));
};
