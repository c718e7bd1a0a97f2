import { openDB, type DBSchema, type IDBPDatabase } from 'idb';

/** A write that waits on this device until the server has it. */
export interface Outgoing {
  /** Order of sending. */
  seq: number;
  method: 'PUT' | 'POST';
  path: string;
  body: Record<string, unknown>;
  /** What it is, in words. */
  label: string;
  at: string;
  /** The account that wrote it; nobody else sends it. */
  account: string;
  /** The orchard in which it was written; of writes from before there were several it is not known. */
  orchard?: string | undefined;
  /** Why the server refused it; then it waits for a person. */
  refused?: string | undefined;
  /** The key of a plain question, when that is all the server wants. */
  question?: string | undefined;
}

/** An answer of the server, kept to be read without a connection. */
interface KeptAnswer {
  key: string;
  state: unknown;
}

interface Kept extends DBSchema {
  outbox: { key: number; value: Outgoing };
  answers: { key: string; value: KeptAnswer };
}

/** Devices in use have version 10. */
const VERSION = 11;

let opened: Promise<IDBPDatabase<Kept>> | undefined;

const database = (): Promise<IDBPDatabase<Kept>> =>
  (opened ??= openDB<Kept>('even-hand', VERSION, {
    upgrade(db) {
      if (!db.objectStoreNames.contains('outbox'))
        db.createObjectStore('outbox', { keyPath: 'seq', autoIncrement: true });
      if (!db.objectStoreNames.contains('answers')) db.createObjectStore('answers', { keyPath: 'key' });
    },
    // A newer page may change what is kept here.
    blocking: () => void opened?.then((db) => db.close()),
  }));

const listeners = new Set<() => Promise<void>>();

/** Other windows of the application on this device share what waits. */
const windows = typeof BroadcastChannel === 'undefined' ? undefined : new BroadcastChannel('even-hand');
if (windows) windows.onmessage = () => listeners.forEach((l) => void l());

/** Called whenever what waits has changed, here or in another window. */
export const whenOutboxChanges = (listener: () => Promise<void>): void => void listeners.add(listener);

async function changed<T>(done: Promise<T>): Promise<T> {
  const result = await done;
  await Promise.all([...listeners].map((l) => l()));
  windows?.postMessage('outbox');
  return result;
}

/** What this device keeps: writes that wait, and the last answers. Without storage every call fails. */
export const store = {
  outbox: {
    /** In the order of sending. */
    toArray: async (): Promise<Outgoing[]> => (await database()).getAll('outbox'),
    count: async (): Promise<number> => (await database()).count('outbox'),
    /** Behind all others. */
    add: async (write: Omit<Outgoing, 'seq'>): Promise<number> =>
      changed((await database()).add('outbox', write as Outgoing)),
    put: async (write: Outgoing): Promise<number> => changed((await database()).put('outbox', write)),
    delete: async (seq: number): Promise<void> => changed((await database()).delete('outbox', seq)),
    clear: async (): Promise<void> => changed((await database()).clear('outbox')),
  },
  answers: {
    toArray: async (): Promise<KeptAnswer[]> => (await database()).getAll('answers'),
    count: async (): Promise<number> => (await database()).count('answers'),
    put: async (answer: KeptAnswer): Promise<string> => (await database()).put('answers', answer),
    clear: async (): Promise<void> => (await database()).clear('answers'),
  },
};
