import { screen } from '@testing-library/react';
import { afterEach, describe, expect, it } from 'vitest';
import { percent, decimal } from '../format/numbers';
import { clock, longDay, said, span } from '../format/time';
import { bloomOf, NOW, text, ZONE } from '../test/samples';
import { serve, show } from '../test/screen';
import { Today } from '../today/Today';
import { inThisLanguage } from './sheets';
import { nearest, speak } from './locale';
import { count, phrase, rich, t, tell } from './text';

afterEach(() => speak('en-GB'));

describe('texts', () => {
  it('are said in the language that is spoken, with its plurals, dates and decimals', async () => {
    expect(count('flower', 1)).toBe('1 flower');
    expect(decimal(3.25, 1)).toBe('3.3');
    expect(clock(NOW, ZONE)).toBe('15:40');
    await speak('es-ES');
    expect(count('flower', 2)).toBe('2 flores');
    expect(decimal(3.25, 1)).toBe('3,3');
    expect(longDay(NOW, ZONE)).toBe('martes 24 de noviembre');
    expect(said(new Date(NOW.getTime() + 86_400_000), NOW, ZONE)).toBe('mañana 15:40');
    expect(span(4.5)).toBe('4,5 horas');
    expect(document.documentElement.lang).toBe('es-ES');
    await speak('es-MX');
    expect(decimal(3.25, 1)).toBe('3.3');
    await speak('en-US');
    expect(clock(NOW, ZONE).replace('\u202f', ' ')).toBe('3:40 PM');
    expect(percent(0.61)).toBe('61\u00a0%');
  });

  it.each([
    ['es-PE', 'es-MX'],
    ['es-ES', 'es-ES'],
    ['es', 'es-ES'],
    ['en-US', 'en-US'],
    ['en-NZ', 'en-GB'],
    ['de-DE', 'en-GB'],
    [null, 'en-GB'],
  ])('take %s for %s', (asked, tag) => expect(nearest(asked)).toBe(tag));

  it('put elements where a message wants them', () => {
    show(
      <p data-testid="said">
        {rich('due.check', { n: 2, trees: 'Lantern 1', link: (inside) => <a href="/x">{inside}</a> })}
      </p>,
    );
    expect(screen.getByTestId('said')).toHaveTextContent('2 checks: has fruit set on Lantern 1?');
    expect(screen.getByText('2 checks').closest('a')).toHaveAttribute('href', '/x');
  });

  it('of the server are written with its days, moments and sheet texts as the reader has them', async () => {
    const wait = text('obstacle.leaf-out', { sheet: 'Cherimoya', day: '2026-12-17' });
    expect(tell(wait)).toContain('Cherimoya: flowers that open before Thu 17 Dec');
    await speak('es-ES');
    expect(tell(wait)).toContain('Chirimoyo: las flores que abren antes del jue 17 dic');
    expect(() => t('no.such' as 'do.go')).toThrow('no.such');
  });

  it('of a crop sheet change with the language, its keys and those of one’s own do not', async () => {
    const of = [{ key: 'green', name: 'green', handling: ['My own way.'] }] as unknown as Parameters<
      typeof inThisLanguage
    >[0];
    expect(inThisLanguage(of)).toBe(of);
    await speak('es-ES');
    expect(phrase('Half open')).toBe('Medio abierta');
    expect(inThisLanguage(of)).toEqual([{ key: 'green', name: 'verdes', handling: ['My own way.'] }]);
  });

  it('make a whole page Spanish', async () => {
    await speak('es-ES');
    serve({
      'GET /api/bloom': { ...bloomOf([]), everRead: false },
      'GET /api/plan': {},
      'GET /api/trees': [],
      'GET /api/crops': [],
    });
    show(<Today />);
    expect(await screen.findByRole('heading', { level: 1 })).toHaveTextContent('Tres pasos');
    expect(document.body.textContent).not.toMatch(/\b(the|trees|flowers|plan for)\b/);
  });
});
