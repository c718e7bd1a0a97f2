import { readFileSync } from 'node:fs';
import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import { DESK, FIELD } from '../pages';
import { show } from '../test/screen';
import { helpAt } from './HelpPanel';
import { HELP } from './pages';
import { useHelp } from './use-help';
import { WORDS } from './words';

const Screen = () => useHelp().panel;

describe('help', () => {
  it('is there for every page, and for no other', () => {
    expect(Object.keys(HELP).sort()).toEqual([...DESK, ...FIELD].map((p) => p.path).sort());
    const used = new Set(Object.values(HELP).flatMap((h) => h.words));
    for (const word of used) expect(WORDS).toHaveProperty([word]);
  });

  it('tells a page from the page of one of its things', () => {
    expect(helpAt('/pollen')).toBe(HELP['/pollen']);
    expect(helpAt('/pollen/jar/0193')).toBe(HELP['/pollen/jar/:lot']);
    expect(helpAt('/nowhere')).toBeUndefined();
  });

  it('is in Spanish wherever the page is', () => {
    const spanish = JSON.parse(readFileSync('../messages/phrases.es.json', 'utf8')) as Record<string, string>;
    const english = [
      '/',
      '/round',
      '/round/walk/:walk',
      '/bloom/read/:tree',
      '/bloom/key',
      '/pollen/collect',
      '/fruit-set/walk',
      '/orchard/map',
    ]
      .map((page) => HELP[page]!)
      .flatMap((h) => [h.purpose, ...h.steps]);
    expect(
      [...english, ...Object.keys(WORDS), ...Object.values(WORDS)].filter((text) => !spanish[text]),
    ).toEqual([]);
  });

  it('opens by the question mark, names the words of the page and finds others', async () => {
    show(<Screen />);
    await userEvent.keyboard('{Shift>}?{/Shift}');
    const panel = await screen.findByRole('dialog', { name: 'About this page' });
    expect(within(panel).getByText(HELP['/']!.purpose)).toBeVisible();
    expect(within(panel).getAllByText(WORDS.dose)[0]).toBeVisible();
    await userEvent.click(within(panel).getByText('All words'));
    await userEvent.type(within(panel).getByLabelText('Find a word'), 'ledger');
    const found = within(panel).getByText('All words').closest('details')!;
    expect(
      within(found)
        .getAllByRole('term')
        .map((t) => t.textContent),
    ).toEqual(['jar']);
    await userEvent.clear(within(panel).getByLabelText('Find a word'));
    await userEvent.type(within(panel).getByLabelText('Find a word'), 'zebra');
    expect(within(found).getByText('No word like that.')).toBeVisible();
  });
});
