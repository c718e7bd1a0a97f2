import { afterEach, describe, expect, it } from 'vitest';
import type { Schemas } from '../kit/api';
import type { Outgoing } from '../kit/store';
import { doneAt, forgetPlace, placeIn, rememberPlace, waitingAt } from './walk-state';

const waiting = (walkId: string, stop: number, flowers: number, path = '/api/pollinations/p'): Outgoing => ({
  seq: 1,
  method: 'PUT',
  path,
  body: { walkId, stop, flowers },
  label: '',
  at: '',
  account: 'a',
});
const done = (stop: number, flowers: number, recordedBy: string) =>
  ({ stop, flowers, recordedBy }) as Schemas['PollinationView'];

afterEach(() => localStorage.clear());

describe('a walk', () => {
  it('counts what waits on this device for one stop of one walk only', () => {
    const outbox = [
      waiting('w', 0, 3),
      waiting('w', 0, 4),
      waiting('w', 1, 5),
      waiting('other', 0, 6),
      waiting('w', 3, 2, '/api/crossings/c/steps/s'),
      waiting('w', 0, 7, '/api/walks/w/words/x'),
    ];
    expect(waitingAt(outbox, 'w', 0)).toBe(7);
    expect(waitingAt(outbox, 'w', 1)).toBe(5);
    expect(waitingAt(outbox, 'w', 3)).toBe(2);
    expect(waitingAt(outbox, 'w', 2)).toBe(0);
  });

  it('tells my flowers from others’, what waits here counted as mine', () => {
    const walk = {
      id: 'w',
      done: [done(0, 2, 'me'), done(0, 5, 'tomas'), done(1, 9, 'me')],
      steps: [{ stop: 2, flowers: 3, by: 'tomas' }],
    } as unknown as Schemas['Walk'];
    expect(doneAt(walk, 0, [waiting('w', 0, 3)], 'me')).toEqual({ mine: 5, others: 5 });
    expect(doneAt(walk, 1, [], 'me')).toEqual({ mine: 9, others: 0 });
    expect(doneAt(walk, 1, [], 'tomas')).toEqual({ mine: 0, others: 9 });
    expect(doneAt(walk, 2, [], 'me')).toEqual({ mine: 0, others: 3 });
  });

  it('is taken up where it was left, each on its own', () => {
    expect(placeIn('w')).toEqual({ at: -1, count: 0 });
    rememberPlace('w', { at: 3, count: 7 });
    rememberPlace('v', { at: 1, count: 0 });
    expect(placeIn('w')).toEqual({ at: 3, count: 7 });
    expect(placeIn('v')).toEqual({ at: 1, count: 0 });
    forgetPlace('w');
    expect(placeIn('w')).toEqual({ at: -1, count: 0 });
  });

  it.each(['', 'nonsense', '{"at":"x","count":-3}', '[]', 'null'])(
    'begins anew where %j was kept',
    (kept) => {
      localStorage.setItem('walk w', kept);
      expect(placeIn('w')).toEqual({ at: -1, count: 0 });
    },
  );
});
