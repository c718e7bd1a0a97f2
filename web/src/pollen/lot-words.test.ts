import { describe, expect, it } from 'vitest';
import { lot, NOW, ZONE } from '../test/samples';
import { inUseOrder, lotState, lotWords } from './lot-words';

const soon = '2026-11-24T18:10:00Z';
const later = '2026-11-30T04:10:00Z';

describe('jars in words', () => {
  it('says how long a jar is good, or what to do with it', () => {
    const evenings = (n: number) => {
      const jar = lot({}, soon);
      jar.viability.evenings = n;
      return lotWords(jar, NOW, ZONE);
    };
    expect(evenings(0)).toBe('good until tomorrow 07:10, not for another evening');
    expect(evenings(1)).toBe('good for one more evening');
    expect(evenings(2)).toBe('good for two more evenings');
    expect(evenings(20)).toBe('good until Wed 25 Nov');
    expect(lotWords(lot({}), NOW, ZONE)).toBe('too old to count on');
    expect(lotWords(lot({ dosesLeft: 0 }, soon), NOW, ZONE)).toBe('used up');
    const mouldy = lot({});
    mouldy.viability.spoiled = true;
    expect(lotWords(mouldy, NOW, ZONE)).toContain('mould');
    expect(lotState(mouldy)).toBe('spoiled');
  });

  it('puts what should be used first in front, and what is of no use behind', () => {
    const jars = [
      lot({ code: 'EMPTY', dosesLeft: 0 }, soon),
      lot({ code: 'OLD' }),
      lot({ code: 'LATER' }, later),
      lot({ code: 'SOON' }, soon),
    ];
    expect(inUseOrder(jars).map((l) => l.code)).toEqual(['SOON', 'LATER', 'OLD', 'EMPTY']);
  });
});
