import { hashKey, type QueryClient } from '@tanstack/react-query';
import { store } from './store';

/** Answers worth having under a tree without a connection, by the first word of their key. */
const KEPT = new Set([
  'setup',
  'session',
  'crops',
  'trees',
  'varieties',
  'bloom',
  'lots',
  'round',
  'plan',
  'walk',
  'walks',
  'fruit-set',
  'light',
]);

/** Keeps the answers as they come in. */
export function keepAnswers(of: QueryClient): void {
  of.getQueryCache().subscribe(({ query, type }) => {
    if (type !== 'updated' || query.state.status !== 'success' || query.state.data === undefined) return;
    const queryKey = query.queryKey as readonly unknown[];
    if (!KEPT.has(String(queryKey[0]))) return;
    void store.answers.put({ key: query.queryHash, state: { queryKey, data: query.state.data as unknown } });
  });
}

/** Puts the kept answers back before the first screen; they are asked for anew as soon as that is possible. */
export async function restoreAnswers(of: QueryClient): Promise<void> {
  const kept = await store.answers.toArray();
  for (const { key, state } of kept) {
    const { queryKey, data } = state as { queryKey: readonly unknown[]; data: unknown };
    // Old as can be, so that it is asked for anew.
    if (hashKey(queryKey) === key) of.setQueryData(queryKey, data, { updatedAt: 1 });
  }
}

/** Forgets them, as when somebody signs out. */
export const forgetAnswers = (): Promise<void> => store.answers.clear();
