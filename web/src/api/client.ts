import { MutationCache, QueryCache, QueryClient } from '@tanstack/react-query';
import { ProblemError } from './problem';

/** Told to the window when the server no longer knows who is calling. */
export const SIGNED_OUT = 'even-hand:signed-out';

function tellWhenSignedOut(error: Error): void {
  if (!(error instanceof ProblemError)) return;
  if (error.signedOut) window.dispatchEvent(new Event(SIGNED_OUT));
  // The page shows an orchard that one was removed from: it begins anew in another.
  if (error.problem.type?.endsWith(':not-a-member')) window.location.assign('/');
}

export const client = new QueryClient({
  queryCache: new QueryCache({ onError: tellWhenSignedOut }),
  mutationCache: new MutationCache({ onError: tellWhenSignedOut }),
  defaultOptions: {
    queries: {
      staleTime: 10_000,
      // A refusal stays a refusal; only a missing answer is worth asking again.
      retry: (times, error) => !(error instanceof ProblemError) && times < 2,
    },
  },
});

/** Asks for everything anew after a change. A first fetch still under way would answer with what was there before. */
export async function refresh(of: QueryClient): Promise<void> {
  await of.cancelQueries();
  void of.invalidateQueries();
}
