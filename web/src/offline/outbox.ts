import { useSyncExternalStore } from 'react';
import { shownOrchard, type Schemas } from '../api/api';
import { client, refresh, SIGNED_OUT } from '../api/client';
import { csrfToken } from '../api/csrf';
import { saidBeside, type Problem } from '../api/problem';
import { store, whenOutboxChanges, type Outgoing } from './store';
import { t, tell } from '../text/text';

type Write = Pick<Outgoing, 'method' | 'path' | 'body' | 'label' | 'account'>;

const RETRY_MS = 4_000;

let sending: Promise<void> | undefined;
let again = false;
let timer: ReturnType<typeof setTimeout> | undefined;

/** Keeps a write on this device and begins to send what waits. Resolves once it is kept. */
export async function keep(write: Write): Promise<void> {
  await store.outbox.add({ ...write, orchard: shownOrchard(), at: new Date().toISOString() });
  void send();
}

/** Sends what waits, in order, each once; stops where there is no connection and tries again later. */
export function send(): Promise<void> {
  if (sending) {
    again = true;
    return sending;
  }
  sending = sendAll().finally(() => {
    sending = undefined;
    if (again) {
      again = false;
      void send();
    }
  });
  return sending;
}

async function sendAll(): Promise<void> {
  clearTimeout(timer);
  const me = client.getQueryData<Schemas['SessionView']>(['session'])?.accountId;
  const waiting = (await store.outbox.toArray()).filter((w) => w.refused === undefined && w.account === me);
  let sent = 0;
  for (const write of waiting) {
    const outcome = await sendOne(write);
    if (outcome === 'later') {
      timer = setTimeout(() => void send(), RETRY_MS);
      break;
    }
    sent += 1;
  }
  if (sent > 0) await refresh(client);
}

async function sendOne(write: Outgoing): Promise<'done' | 'later'> {
  let response: Response;
  try {
    response = await globalThis.fetch(
      new Request(window.location.origin + write.path, {
        method: write.method,
        headers: {
          'Content-Type': 'application/json',
          'X-XSRF-TOKEN': csrfToken() ?? '',
          ...(write.orchard && { 'X-Orchard': write.orchard }),
        },
        body: JSON.stringify(write.body),
      }),
    );
  } catch {
    return 'later';
  }
  if (response.ok) {
    await store.outbox.delete(write.seq);
    return 'done';
  }
  if (response.status === 401) {
    window.dispatchEvent(new Event(SIGNED_OUT));
    return 'later';
  }
  // A server that is starting, a gateway without one, too many at once, too slow a network: not a refusal.
  if (response.status >= 500 || response.status === 429 || response.status === 408) return 'later';
  const problem = (await response.json().catch(() => ({}))) as Problem;
  await store.outbox.put({
    ...write,
    refused: said(problem, response.status),
    question: problem.confirm,
  });
  return 'done';
}

function said(problem: Problem, status: number): string {
  const fields = (problem.errors ?? []).map((e) => saidBeside(e.field, e)).join(' ');
  return (
    fields ||
    (problem.text && tell(problem.text)) ||
    problem.detail ||
    problem.title ||
    t('problem.status', { status })
  );
}

/** Whether something still waits to be sent before anything new. */
export const anythingWaits = async (): Promise<boolean> =>
  (await store.outbox.toArray()).some((w) => w.refused === undefined);

/** Sends a refused write again; with its question answered by yes. */
export async function sendAgain(write: Outgoing): Promise<void> {
  const body = write.question ? { ...write.body, confirmed: [write.question] } : write.body;
  await store.outbox.put({ ...write, body, refused: undefined, question: undefined });
  await send();
}

/** Throws a write away, as a person decided. */
export const throwAway = (write: Outgoing): Promise<void> => store.outbox.delete(write.seq);

// --- for screens ---

let entries: Outgoing[] = [];
const listeners = new Set<() => void>();

/**
 * Once it is known what waits here: a screen drawn before would offer again what is done already. Without storage nothing waits.
 */
export const outboxRead: Promise<void> = readOutbox();

async function readOutbox(): Promise<void> {
  try {
    entries = await store.outbox.toArray();
  } catch {
    return;
  }
  listeners.forEach((l) => l());
}

whenOutboxChanges(readOutbox);

/** What waits on this device, in order. */
export const useOutbox = (): Outgoing[] =>
  useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    () => entries,
  );

/** Begins to send whenever there may be a connection again. */
export function sendWhenPossible(): void {
  window.addEventListener('online', () => void send());
  document.addEventListener('visibilitychange', () => {
    if (document.visibilityState === 'visible') void send();
  });
  void send();
}
