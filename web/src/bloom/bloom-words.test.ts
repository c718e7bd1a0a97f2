import { describe, expect, it } from 'vitest';
import { bloomOf, bloomRow, NOW, stretch, ZONE } from '../test/samples';
import {
  boardSentence,
  byMostToDo,
  hoursWords,
  missWords,
  ordered,
  pollenWords,
  rowWords,
  typicalStage,
} from './bloom-words';

const SPAN = { from: NOW.toISOString(), stepMinutes: 30 };
const fromFive = stretch('2026-11-24T04:10:00Z', '2026-11-24T18:00:00Z');

describe('the bloom board in words', () => {
  it('says how many flowers can be pollinated now, and when pollen falls and until when', () => {
    const row = bloomRow({ takes: 9.4, gives: 0.2, nextShedding: fromFive });
    expect(rowWords(row, SPAN, NOW, ZONE)).toEqual({
      now: '9 female',
      next: 'pollen 17:10 to tomorrow 07:00',
    });
    expect(pollenWords(bloomRow({}), NOW, ZONE)).toBe('no pollen in these days');
  });

  it('names the night on which a shut flower opens', () => {
    const row = bloomRow({});
    row.receptive.mean = [0, 0, 0.2, 3.4, 5.8, 5.7, 0.1, 0, 0.9];
    expect(rowWords(row, SPAN, NOW, ZONE).now).toBe('6 female from 17:10');
    row.receptive.mean = [0, 0.1, 0];
    expect(rowWords(row, SPAN, NOW, ZONE).now).toBe('nothing in these days');
  });

  it('does not pretend to know the end of what lasts beyond the forecast', () => {
    const row = bloomRow({ nextShedding: stretch(NOW.toISOString(), '2026-11-27T02:40:00Z', false) });
    expect(pollenWords(row, NOW, ZONE)).toBe('pollen in all these days');
  });

  it('sums the orchard up and names the next pollen', () => {
    const bloom = bloomOf([
      bloomRow({
        treeName: 'Lantern 1',
        takes: 13.6,
        gives: 3.5,
        nextShedding: stretch(NOW.toISOString(), '2026-11-25T01:10:00Z'),
      }),
      bloomRow({ treeName: 'Lantern 2', takes: 12.7, nextShedding: fromFive }),
    ]);
    expect(boardSentence(bloom, NOW, ZONE)).toBe(
      'About 26 flowers can be pollinated now and 4 shed pollen. The next pollen falls on Lantern 2, 17:10.',
    );
    expect(boardSentence(bloomOf([]), NOW, ZONE)).toContain('No tree has been read');
  });

  it('puts the tree with most to do first and the unread last', () => {
    const unread = bloomRow({ treeName: 'C' });
    delete unread.reading;
    const rows = [
      unread,
      bloomRow({ treeName: 'A', takes: 2 }),
      bloomRow({ treeName: 'B', takes: 1, gives: 4 }),
    ];
    expect(byMostToDo(rows).map((r) => r.treeName)).toEqual(['B', 'A', 'C']);
    expect(rowWords(unread, SPAN, NOW, ZONE).now).toBe('not read yet');
  });

  it('pictures the stage that most working flowers are in', () => {
    const stage = (key: string, receives: boolean, sheds: boolean) => ({ key, receives, sheds });
    const sheet = {
      stages: [stage('closed', false, false), stage('parted', true, false), stage('shedding', false, true)],
    };
    expect(typicalStage(bloomRow({}), sheet as never)?.key).toBe('shedding');
  });

  it('orders trees by what a grower asks for, those not read last', () => {
    const rows = [
      bloomRow({ treeName: 'A', takes: 3, receptiveThisEvening: 9, row: 3 }),
      bloomRow({
        treeName: 'B',
        takes: 8,
        receptiveThisEvening: 2,
        row: 1,
        nextShedding: stretch('2026-11-24T05:00:00Z', '2026-11-24T09:00:00Z'),
      }),
      bloomRow({ treeName: 'C', row: 2, reading: undefined }),
    ];
    const names = (order: Parameters<typeof ordered>[1]) =>
      ordered(rows, order)
        .map((r) => r.treeName)
        .join('');
    expect(names('now')).toBe('BAC');
    expect(names('evening')).toBe('ABC');
    expect(names('pollen')).toBe('BAC');
    expect(names('place')).toBe('BCA');
  });

  it('warns of a day on which females wait in vain, and says when to gather', () => {
    expect(missWords({ date: '2026-11-26', females: 39.6, collectOn: '2026-11-25' })).toBe(
      'Thu 26 Nov: 40 females, no pollen; collect on Wed 25 Nov and keep it.',
    );
    expect(missWords({ date: '2026-11-26', females: 4 })).toContain('from a jar or from elsewhere');
  });

  it('tells the good hours of a variety, and when dark ends them', () => {
    const hours = (from: string, until: string, endsWithDark = false) => ({
      from,
      until,
      flowers: 5,
      endsWithDark,
    });
    const meeting = {
      varietyId: 'v',
      varietyName: 'Lantern',
      crop: 'cherimoya',
      misses: [],
      collect: hours('2026-11-24T03:40:00Z', '2026-11-24T07:45:00Z', true),
      pollinate: hours(NOW.toISOString(), '2026-11-24T07:45:00Z'),
    };
    expect(hoursWords(meeting, NOW, ZONE)).toBe(
      'Collect pollen 16:40 to dark, 20:45; pollinate now to 20:45.',
    );
    expect(hoursWords({ ...meeting, collect: undefined }, NOW, ZONE)).toMatch(/^No pollen that serves it/);
  });
});
