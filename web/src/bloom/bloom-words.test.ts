import { describe, expect, it } from 'vitest';
import { bloomOf, bloomRow, NOW, stretch, ZONE } from '../test/samples';
import { boardSentence, byMostToDo, pollenWords, rowWords, typicalStage } from './bloom-words';

const fromFive = stretch('2026-11-24T04:10:00Z', '2026-11-24T18:00:00Z');

describe('the bloom board in words', () => {
  it('says how many flowers can take pollen now, and when pollen falls and until when', () => {
    const row = bloomRow({ takes: 9.4, gives: 0.2, nextGiving: fromFive });
    expect(rowWords(row, NOW, ZONE)).toEqual({ now: '9 to take', next: 'pollen 17:10 to tomorrow 07:00' });
    expect(pollenWords(bloomRow({}), NOW, ZONE)).toBe('no pollen in these days');
  });

  it('does not pretend to know the end of what lasts beyond the forecast', () => {
    const row = bloomRow({ nextGiving: stretch(NOW.toISOString(), '2026-11-27T02:40:00Z', false) });
    expect(pollenWords(row, NOW, ZONE)).toBe('pollen beyond Fri 27 Nov 15:40');
  });

  it('sums the orchard up and names the next pollen', () => {
    const bloom = bloomOf([
      bloomRow({
        treeName: 'Lantern 1',
        takes: 13.6,
        gives: 3.5,
        nextGiving: stretch(NOW.toISOString(), '2026-11-25T01:10:00Z'),
      }),
      bloomRow({ treeName: 'Lantern 2', takes: 12.7, nextGiving: fromFive }),
    ]);
    expect(boardSentence(bloom, NOW, ZONE)).toBe(
      'About 26 flowers can take pollen now and 4 give it. The next pollen falls on Lantern 2, 17:10.',
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
    expect(rowWords(unread, NOW, ZONE).now).toBe('not read yet');
  });

  it('pictures the stage that most working flowers are in', () => {
    const stage = (key: string, takes: boolean, gives: boolean) => ({ key, takes, gives });
    const sheet = {
      stages: [stage('closed', false, false), stage('parted', true, false), stage('shedding', false, true)],
    };
    expect(typicalStage(bloomRow({}), sheet as never)?.key).toBe('shedding');
  });
});
