import { v7 } from 'uuid';

/** A new id, time-ordered: made here, so that a record sent twice is still there once. */
export const newId = (): string => v7();
