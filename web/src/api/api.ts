import createClient, { type Middleware } from 'openapi-fetch';
import type { components, paths } from './schema';
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

export const api = createClient<paths>({
  baseUrl: window.location.origin,
  // Looked up at each call, so that tests can stand in for the network.
  fetch: (request) => globalThis.fetch(request),
});
api.use(csrf);

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
