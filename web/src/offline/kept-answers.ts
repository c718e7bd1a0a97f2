import { hashKey, type QueryClient } from '@tanstack/react-query';
import { store } from './store';

/** Answers worth having under a tree without a connection, by the first word of their key. */
const KEPT = new Set([
  'setup',
  'session',
  'crops',
  'trees',
  'map',
  'varieties',
  'bloom',
  'lots',
  'round',
  'plan',
  'walk',
  'walks',
  'crossings',
  'figs',
  'round-settings',
  'fruit-set',
  'limbs',
  'fruits',
  'comparisons',
  'light',
]);

/** Raised when answers change their shape: those that an older page kept are then asked for anew. */
const SHAPE = 5;

/** Keeps the answers as they come in. */
export function keepAnswers(of: QueryClient): void {
  of.getQueryCache().subscribe(({ query, type }) => {
    if (type !== 'updated' || query.state.status !== 'success' || query.state.data === undefined) return;
    const queryKey = query.queryKey as readonly unknown[];
    if (!KEPT.has(String(queryKey[0]))) return;
    void store.answers.put({
      key: query.queryHash,
      state: { queryKey, data: query.state.data as unknown, shape: SHAPE },
    });
  });
}

/** Puts the kept answers back before the first screen; they are asked for anew as soon as that is possible. */
export async function restoreAnswers(of: QueryClient): Promise<void> {
  const kept = await store.answers.toArray();
  for (const { key, state } of kept) {
    const { queryKey, data, shape } = state as {
      queryKey: readonly unknown[];
      data: unknown;
      shape?: number;
    };
    // Old as can be, so that it is asked for anew.
    if (shape === SHAPE && hashKey(queryKey) === key) of.setQueryData(queryKey, data, { updatedAt: 1 });
  }
}

/** Forgets them, as when somebody signs out. */
export const forgetAnswers = (): Promise<void> => store.answers.clear();
