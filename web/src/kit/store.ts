import Dexie, { type EntityTable } from 'dexie';

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
  /** Why the server refused it; then it waits for a person. */
  refused?: string;
  /** The key of a plain question, when that is all the server wants. */
  question?: string;
}

/** An answer of the server, kept to be read without a connection. */
interface KeptAnswer {
  key: string;
  state: unknown;
}

/** What this device keeps: writes that wait, and the last answers. */
export const store = new Dexie('even-hand') as Dexie & {
  outbox: EntityTable<Outgoing, 'seq'>;
  answers: EntityTable<KeptAnswer, 'key'>;
};
store.version(1).stores({ outbox: '++seq, account', answers: 'key' });
