import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import { serve, sheet, show } from '../test/screen';
import { CropSheet } from './CropSheet';
import { CropSheets } from './CropSheets';

const full = {
  ...sheet,
  stages: sheet.stages.map((s, i) => ({
    ...s,
    bbch: { value: 59 + i, basis: 'PUBLISHED', source: 'meier-1994' },
  })),
  mistakes: [{ stage: 'parted', takenFor: 'shedding', say: 'Not yet male.' }],
  schools: [{ question: 'Strokes', one: 'once', other: 'many', ours: 'light', why: 'Few seeds are wanted.' }],
  cautions: ['Needles: cap them.'],
  ovuleDays: { value: 8, basis: 'MEMORY' },
  stigmaDays: { value: 6, basis: 'MEMORY' },
  hand: { ...sheet.hand, handling: ['Cup under the flower.'], passes: { value: 2, basis: 'PRACTICE' } },
  cross: {
    prepareAt: 'closed',
    keep: { value: 3, basis: 'PRACTICE' },
    thin: 'Keep three balloons.',
    bag: 'Bag the cluster.',
    atOnce: { value: 0.6, basis: 'MEMORY' },
    ripeAfterHours: { value: 24, basis: 'MEMORY' },
    lastsHours: { value: 144, basis: 'MEMORY' },
    bagOffDays: { value: 30, basis: 'PRACTICE' },
    setShare: { value: 0.3, basis: 'MEMORY' },
    seeds: { value: 5, basis: 'MEMORY' },
    ovules: { value: 10, basis: 'PRACTICE' },
  },
};

describe('a crop sheet', () => {
  it('follows a school by one press: its number becomes the orchard’s own, beside those it has', async () => {
    const sent = serve({
      'GET /api/crops': [
        {
          ...sheet,
          kin: [
            {
              pollenOf: 'sugar-apple',
              compatibilityFactor: { value: 0.8, basis: 'MEMORY' },
              why: 'Said to set.',
            },
          ],
          numbers: [
            { ...sheet.numbers[0]!, value: 20, basis: 'OWN' },
            { ...sheet.numbers[0]!, path: 'load.setShare', value: 0.1 },
          ],
          schools: [
            {
              question: 'How many set',
              one: 'two of three',
              other: 'one in ten',
              ours: 'about one in six',
              why: 'Both are said.',
              choice: { path: 'load.setShare', one: 0.67, other: 0.1 },
            },
          ],
        },
      ],
      'GET /api/crops/*/own': [],
      'PUT /api/own-sheets/*': {},
    });
    show(<CropSheet />, { at: '/crops/cherimoya', route: '/crops/:crop' });
    expect(await screen.findByText('your sheet follows this')).toBeVisible();
    expect(screen.getByText('sugar apple').closest('p')!.textContent).toMatch(
      /counted at 80\s%. Said to set/,
    );
    await userEvent.click(screen.getByText(/Work with 67/));
    await waitFor(() =>
      expect(sent[0]!.body).toMatchObject({
        numbers: { [sheet.numbers[0]!.path]: 20, 'load.setShare': 0.67 },
        note: 'school: How many set',
      }),
    );
  });

  it('shows stages with codes, signs, marks, schools with our choice and why, and cautions', async () => {
    serve({ 'GET /api/crops': [full], 'GET /api/crops/*/own': [] });
    show(<CropSheet />, { at: '/crops/cherimoya', route: '/crops/:crop' });
    expect(await screen.findByText('BBCH 61')).toHaveAttribute('title', 'published: meier-1994');
    expect(screen.getByText('Not yet male.')).toBeVisible();
    expect(screen.getByText(/nick a petal tip; gone with the petals/)).toBeVisible();
    expect(screen.getByText('Few seeds are wanted.')).toBeVisible();
    expect(screen.getByText('Needles: cap them.')).toBeVisible();
    expect(screen.getByText(/Ovules live 8 days/)).toBeVisible();
    expect(screen.getByText(/2 times over each flower/)).toHaveTextContent('common practice');
    expect(screen.getByText('Cup under the flower.')).toBeVisible();
    expect(screen.getByText('Keep three balloons.')).toBeVisible();
    expect(screen.getByText(/At once it is receptive at 60/)).toHaveTextContent(
      'past after 6 days (from memory)',
    );
    expect(screen.getByText(/give a fruit/)).toHaveTextContent(
      '5 seeds in it as a rule (from memory) and 10 at most',
    );
    expect(screen.getByText('The sheet is as shipped.')).toBeVisible();
    expect(screen.getByText('Try it on a flower')).toHaveAttribute('href', '/bloom/key?crop=cherimoya');
  });

  it('lists every sheet with its flowers in order', async () => {
    serve({
      'GET /api/crops': [full, { ...full, key: 'fig-capri', name: 'Fig, caprifig', receives: false }],
    });
    show(<CropSheets />);
    expect(await screen.findByText('male only')).toBeVisible();
    expect(document.querySelectorAll('svg.glyph')).toHaveLength(6);
  });

  it('says when there is no such sheet', async () => {
    serve({ 'GET /api/crops': [full] });
    show(<CropSheet />, { at: '/crops/moon', route: '/crops/:crop' });
    expect(await screen.findByText('There is no such crop sheet')).toBeVisible();
  });
});
