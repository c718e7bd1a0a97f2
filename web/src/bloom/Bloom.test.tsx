import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import type { Schemas } from '../api/api';
import { bloomOf, bloomRow, stretch } from '../test/samples';
import { serve, sheet, show } from '../test/screen';
import { Bloom } from './Bloom';

const light = { from: '', until: '', stepMinutes: 30, celsius: [20], suns: [], weather: [] };
const lantern = bloomRow({
  treeName: 'Lantern 1',
  takes: 9,
  nextShedding: stretch('2026-11-24T05:00:00Z', '2026-11-24T09:00:00Z'),
});
const ferry = bloomRow({
  treeName: 'Night Ferry 1',
  treeId: 'f1',
  varietyId: 'ferry',
  varietyName: 'Night Ferry',
  crop: 'dragon-fruit',
  block: 'Wall',
  gives: 4,
});
const unread = bloomRow({ treeName: 'Ember 1', treeId: 'e1', reading: undefined });
const meeting = (part: Partial<Schemas['VarietyMeeting']>): Schemas['VarietyMeeting'] => ({
  varietyId: 'lantern',
  varietyName: 'Lantern',
  crop: 'cherimoya',
  misses: [],
  ...part,
});

function open(bloom: Schemas['Bloom'], varieties: Schemas['VarietyView'][] = []) {
  serve({
    'GET /api/bloom': bloom,
    'GET /api/light': light,
    'GET /api/crops': [sheet],
    'GET /api/varieties': varieties,
  });
  show(<Bloom />);
}
const trees = () => [...document.querySelectorAll('[data-tree]')].map((e) => e.getAttribute('data-tree'));

describe('the bloom board', () => {
  it('shows every tree, those not read last with a way to read them', async () => {
    open(bloomOf([unread, ferry, lantern]));
    await screen.findByText('Next 3 days');
    expect(trees()).toEqual(['Lantern 1', 'Night Ferry 1', 'Ember 1']);
    expect(screen.getByRole('link', { name: 'Read Ember 1' })).toHaveAttribute('href', '/bloom/read/e1');
  });

  it('says how old it is while a new one is made', async () => {
    open({ ...bloomOf([lantern]), ageSeconds: 7 });
    expect(
      await screen.findByText('A new board is being made; this one is from 7 seconds ago.'),
    ).toBeInTheDocument();
  });

  it('filters by crop and block, and says when nothing fits', async () => {
    open(bloomOf([ferry, lantern]));
    await screen.findByText('Next 3 days');
    await userEvent.selectOptions(screen.getByLabelText('Crop'), 'dragon-fruit');
    expect(trees()).toEqual(['Night Ferry 1']);
    await userEvent.selectOptions(screen.getByLabelText('Block'), 'Bank');
    expect(screen.getByText('No tree fits these filters')).toBeVisible();
    await userEvent.click(screen.getByText('Show all trees'));
    expect(trees()).toHaveLength(2);
  });

  it('tells why a ribbon is as it is: reading, air, development rate and surprise', async () => {
    const learned = {
      ...lantern,
      developmentRate: { factor: 1.1, low: 1.02, high: 1.18, readings: 9 },
      reading: { ...lantern.reading!, share: 0.25, surpriseStage: 'shedding', surpriseExpected: 1.6 },
    };
    open(bloomOf([learned]));
    await userEvent.click((await screen.findAllByTitle('Why?'))[0]!);
    const why = await screen.findByText(/From the reading of 24 Nov/);
    const text = within(why.parentElement!);
    expect(text.getByText(/3 tips parted, 5 dome loose, dust/)).toBeInTheDocument();
    expect(text.getByText(/Counted was 25/)).toBeInTheDocument();
    expect(text.getByText(/about 2 dome loose, dust were to be expected/)).toBeInTheDocument();
    expect(text.getByText(/takes 10 % longer than the sheet .*, from 9 readings/)).toBeInTheDocument();
    expect(text.getByText(/weather that is only foreseen/)).toBeInTheDocument();
    expect(text.getByText(/the typical day/)).toBeInTheDocument();
  });

  it('names the rate that was set for a variety, and who says so', async () => {
    open(bloomOf([{ ...lantern, developmentRate: { factor: 1.2, low: 1.16, high: 1.24, readings: 2 } }]), [
      {
        id: 'lantern',
        crop: 'cherimoya',
        name: 'Lantern',
        breeding: { alleles: '' },
        numbers: { developmentRate: 1.2, source: 'own records' },
        version: 1,
      },
    ]);
    await userEvent.click((await screen.findAllByTitle('Why?'))[0]!);
    expect(
      await screen.findByText(/20 % longer .* from 1.2 set for the variety \(own records\) and 2 readings/),
    ).toBeInTheDocument();
  });

  it('says that a variety develops as its sheet says', async () => {
    open(bloomOf([{ ...lantern, developmentRate: { factor: 1.002, low: 0.85, high: 1.18, readings: 1 } }]));
    await userEvent.click((await screen.findAllByTitle('Why?'))[0]!);
    expect(
      await screen.findByText(/as fast as the sheet .*between -15 and 18 %\), from 1 reading/),
    ).toBeInTheDocument();
  });

  it('warns of the days on which females and pollen miss each other', async () => {
    const miss = { date: '2026-11-26', females: 40, collectOn: '2026-11-25' };
    open({
      ...bloomOf([lantern]),
      varieties: [meeting({ misses: [miss, { ...miss, date: '2026-11-27' }] })],
    });
    expect(await screen.findByText(/Thu 26 Nov: 40 females, no pollen; collect on Wed 25 Nov/)).toBeVisible();
    expect(screen.getByText(/^No pollen that serves it/)).toBeVisible();
  });

  it('has a way on for an orchard without trees', async () => {
    open(bloomOf([]));
    expect(await screen.findByText('Add varieties and trees')).toBeVisible();
  });
});
