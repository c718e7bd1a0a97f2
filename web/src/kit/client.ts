import { QueryClient } from '@tanstack/react-query';
import { ProblemError } from './problem';

export const client = new QueryClient({
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
