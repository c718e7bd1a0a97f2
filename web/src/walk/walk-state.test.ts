import { afterEach, describe, expect, it } from 'vitest';
import type { Schemas } from '../api/api';
import type { Outgoing } from '../offline/store';
import { allotted } from './collecting';
import {
  doneAt,
  forgetPlace,
  needed,
  nextStop,
  placeIn,
  rememberPlace,
  route,
  waitingAt,
  type Place,
} from './walk-state';

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

const at = (treeId: string, lotId: string, flowers: number, expected: number) => ({
  treeId,
  lotId,
  flowers,
  expected,
  kind: 'POLLINATE',
});
const walked = (of: Schemas['PollinationView'][], more: Partial<Schemas['Walk']> = {}) =>
  ({
    id: 'w',
    stops: [at('a', 'jar', 5, 2.5), at('b', 'jar', 5, 4.5), at('c', 'jar', 2, 2), at('b', 'jar', 5, 1)],
    replaced: [],
    done: of,
    steps: [{ stop: 2, flowers: 3, by: 'tomas' }],
    ...more,
  }) as unknown as Schemas['Walk'];

afterEach(() => localStorage.clear());

describe('a walk', () => {
  it('counts what waits on this device for one stop of one walk only', () => {
    const outbox = [
      waiting('w', 0, 3),
      waiting('w', 0, 4),
      waiting('w', 1, 5),
      waiting('other', 0, 6),
      waiting('w', 3, 2, '/api/crosses/c/steps/s'),
      waiting('w', 0, 7, '/api/walks/w/words/x'),
    ];
    const walk = walked([]);
    expect(waitingAt(outbox, walk, 0)).toBe(7);
    expect(waitingAt(outbox, walk, 1)).toBe(5);
    expect(waitingAt(outbox, walk, 3)).toBe(2);
    expect(waitingAt(outbox, walk, 2)).toBe(0);
  });

  it('tells my flowers from others’, what waits here counted as mine', () => {
    const walk = walked([done(0, 2, 'me'), done(0, 5, 'tomas'), done(1, 9, 'me')]);
    expect(doneAt(walk, 0, [waiting('w', 0, 3)], 'me')).toEqual({ mine: 5, others: 5 });
    expect(doneAt(walk, 1, [], 'me')).toEqual({ mine: 9, others: 0 });
    expect(doneAt(walk, 1, [], 'tomas')).toEqual({ mine: 0, others: 9 });
    expect(doneAt(walk, 2, [], 'me')).toEqual({ mine: 0, others: 3 });
  });

  it('planned anew leaves out the stops it replaced, and counts what was sent late where it belongs', () => {
    const walk = walked([done(1, 2, 'tomas')], { replaced: [0, 1] });
    expect(route(walk)).toEqual([2, 3]);
    expect([-1, 0, 2, 3].map((at) => nextStop(walk, at))).toEqual([2, 2, 3, 4]);
    expect(doneAt(walk, 3, [waiting('w', 1, 4)], 'me')).toEqual({ mine: 4, others: 2 });
    expect(doneAt(walked([], { replaced: [0] }), 2, [], 'me')).toEqual({ mine: 0, others: 3 });
  });

  it('leads past stops that were planned anew, and past those that were done under their earlier place', () => {
    const walk = walked([], { replaced: [0, 1] });
    expect([0, 1, 2, 3, 4].map((at) => needed(walk, at, [], 'me'))).toEqual([2, 2, 2, 3, 4]);
    // Stop 3 is stop 1 planned anew, with five flowers.
    expect(needed(walk, 3, [waiting('w', 1, 5)], 'me')).toBe(4);
    expect(needed(walk, 3, [waiting('w', 1, 4)], 'me')).toBe(3);
    expect(needed(walk, 3, [waiting('w', 3, 5)], 'me')).toBe(3);
    expect(needed(walked([done(1, 5, 'me')], { replaced: [0, 1] }), 3, [], 'me')).toBe(4);
    expect(needed(walked([done(1, 5, 'tomas')], { replaced: [0, 1] }), 3, [], 'me')).toBe(3);
  });

  it('gives the doses of a jar that holds too few to the flowers that are worth most, some done already', () => {
    const walk = walked([done(0, 2, 'me')], { replaced: [2] });
    const doses = (there: number) => [0, 1, 3].map((i) => allotted(walk, i, there, [], 'me'));
    // Stop 0 wants 3 more at 0.5 each, stop 1 five at 0.9, stop 3 five at 0.2.
    expect(doses(20)).toEqual([3, 5, 5]);
    expect(doses(6)).toEqual([1, 5, 0]);
    expect(doses(4)).toEqual([0, 4, 0]);
    expect(doses(0)).toEqual([0, 0, 0]);
  });

  it('is taken up where it was left, each on its own', () => {
    const there: Place = { part: 'stop', at: 3, count: 7 };
    const start: Place = { part: 'start', at: 0, count: 0 };
    expect(placeIn('w')).toEqual(start);
    rememberPlace('w', there);
    rememberPlace('v', { part: 'collect', at: 1, count: 0 });
    expect(placeIn('w')).toEqual(there);
    expect(placeIn('v')).toEqual({ part: 'collect', at: 1, count: 0 });
    forgetPlace('w');
    expect(placeIn('w')).toEqual(start);
  });

  it.each(['', 'nonsense', '{"at":3,"count":2}', '{"part":"stop","at":"x","count":-3}', '[]', 'null'])(
    'begins anew where %j was kept',
    (kept) => {
      localStorage.setItem('walk w', kept);
      expect(placeIn('w')).toEqual({ part: 'start', at: 0, count: 0 });
    },
  );
});
