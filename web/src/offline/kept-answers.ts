import { hashKey, type QueryClient } from '@tanstack/react-query';
import { OutOfReach } from '../api/problem';
import { store } from './store';

const MINUTE_MS = 60_000;

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
  'controlledCrosses',
  'figs',
  'round-settings',
  'fruit-set',
  'limbs',
  'fruits',
  'comparisons',
  'light',
]);

/** Raised when answers change their shape: those that an older page kept are then asked for anew. */
const SHAPE = 7;

/** Keeps the answers as they come in. */
export function keepAnswers(of: QueryClient): void {
  of.getQueryCache().subscribe(({ query, type }) => {
    if (type !== 'updated' || query.state.status !== 'success' || query.state.data === undefined) return;
    const queryKey = query.queryKey as readonly unknown[];
    if (!KEPT.has(String(queryKey[0]))) return;
    void store.answers.put({
      key: query.queryHash,
      state: { queryKey, data: query.state.data as unknown, at: query.state.dataUpdatedAt, shape: SHAPE },
    });
  });
}

/** Puts the kept answers back before the first screen; they are asked for anew as soon as that is possible. */
export async function restoreAnswers(of: QueryClient): Promise<void> {
  const kept = await store.answers.toArray();
  for (const { key, state } of kept) {
    const { queryKey, data, at, shape } = state as {
      queryKey: readonly unknown[];
      data: unknown;
      at: number;
      shape?: number;
    };
    if (shape !== SHAPE || hashKey(queryKey) !== key) continue;
    of.setQueryData(queryKey, data, { updatedAt: at });
    // However young it is: it is asked for anew.
    of.getQueryCache().find({ queryKey })?.invalidate();
  }
}

/** Answers that do not change with what is done in the orchard. */
const LASTING = new Set(['setup', 'session', 'crops', 'light']);

/** Minutes since the oldest answer on screen came that could not be asked for anew; nothing where all are as the server has them. */
export function minutesBehind(of: QueryClient): number | undefined {
  const behind = of
    .getQueryCache()
    .getAll()
    .filter((q) => q.isActive() && q.state.data !== undefined && !LASTING.has(String(q.queryKey[0])))
    .filter(({ state }) => state.fetchStatus === 'paused' || state.fetchFailureReason instanceof OutOfReach)
    .map(({ state }) => state.dataUpdatedAt);
  return behind.length === 0 ? undefined : Math.floor((Date.now() - Math.min(...behind)) / MINUTE_MS);
}

/** Forgets them, as when somebody signs out. */
export const forgetAnswers = (): Promise<void> => store.answers.clear();
