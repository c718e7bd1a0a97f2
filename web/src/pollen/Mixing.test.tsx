import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import type { Schemas } from '../api/api';
import { refusal, serve, sheet, show, type Sent, type Server } from '../test/screen';
import { Mixing } from './Mixing';

const fig = { ...sheet, key: 'fig', crop: 'fig', name: 'Fig', floated: true, figSizes: true };
const palm = { ...sheet, key: 'palm', crop: 'palm', name: 'Date palm', floated: true, figSizes: false };
const medium = (volumeMl: number) => ({
  volumeMl,
  sucroseG: volumeMl / 10,
  agarG: volumeMl / 100,
  boricAcidMg: volumeMl / 10,
  calciumNitrateMg: 15,
  magnesiumSulfateMg: 10,
  potassiumNitrateMg: 5,
});
const mixture: Schemas['Suspension'] = {
  volumeMl: 60,
  sugarPercent: 2.5,
  sugarG: 1.5,
  pollenMgPerMl: 2,
  pollenMg: 120,
  doseMl: 0.5,
  wastePercent: 10,
  doses: 108,
  keepsHours: 1,
  notes: ['Widen the eye with a needle first.'],
  household: { stockMl: 100, sugarG: 2.5, takeMl: 60 },
  dosesPerFlower: 30,
  pollenMgPerFlower: 15,
  flowers: 8,
};
const brown = { id: 'v', crop: 'fig', name: 'Brown Gate', breeding: {}, numbers: {}, version: 0 };
const answers = (more: Server = {}): Server => ({
  'GET /api/crops': [palm, fig],
  'GET /api/varieties': [brown],
  'GET /api/recipes/medium': medium(50),
  'POST /api/recipes/suspension': mixture,
  ...more,
});

describe('mixing', () => {
  it('weighs in the medium, with its caution and its source', async () => {
    serve(answers());
    show(<Mixing />);
    const card = (await screen.findByText('Medium for a germination test')).closest('section')!;
    expect(await within(card).findByText('5 g')).toBeVisible();
    expect(within(card).getByText('0.5 g')).toBeVisible();
    expect(within(card).getByText(/not for eating/)).toBeVisible();
    expect(within(card).getByText(/Brewbaker/)).toBeVisible();
  });

  it('begins with a crop that is grown here and takes what is left empty from its sheet', async () => {
    const sent = serve(answers());
    show(<Mixing />);
    expect(await screen.findByDisplayValue('Fig')).toBeVisible();
    expect(await screen.findByText('108 fruits')).toBeVisible();
    expect(screen.getByText('120 mg')).toBeVisible();
    expect(screen.getByText('Widen the eye with a needle first.')).toBeVisible();
    expect(screen.getByText(/Too little sugar for a kitchen scale/).textContent).toMatch(
      /dissolve 2.5 g in water up to 100 ml and take 60 ml of it/,
    );
    expect(screen.getByText(/No fine scale/).textContent).toMatch(/15 mg, 30 doses; 120 mg take 8 caprifigs/);
    expect(sent[0]!.body).toEqual({ crop: 'fig', fruits: 100 });
    expect(screen.getByLabelText('Sugar, g in 100 ml')).toHaveAttribute('placeholder', '2.5');
  });

  it('asks by volume and with own numbers, and says when sugar is beyond what water takes', async () => {
    const sent = serve(
      answers({
        'POST /api/recipes/suspension': (s: Sent) =>
          Number(s.body.sugarPercent) > 88
            ? refusal(400, { detail: 'sugarPercent is 95 %, more than water takes.' })
            : mixture,
      }),
    );
    show(<Mixing />);
    await screen.findByText('108 fruits');
    await userEvent.click(screen.getByText('ml'));
    await userEvent.clear(screen.getByLabelText('Volume of sugar water, ml'));
    await userEvent.type(screen.getByLabelText('Volume of sugar water, ml'), '40');
    await waitFor(() => expect(sent.at(-1)!.body).toEqual({ crop: 'fig', volumeMl: 40 }));
    await userEvent.type(screen.getByLabelText('Sugar, g in 100 ml'), '95');
    expect(await screen.findByText(/more than water takes/)).toBeVisible();
    expect(screen.queryByText('108 fruits')).toBeNull();
  });

  it.each([
    ['RIGHT', true, /Right: it can be pollinated now/, /of this variety/],
    ['TOO_LATE', false, /Too late: it can no longer be pollinated/, /of the crop sheet/],
    ['TOO_SMALL', false, /Too small: come back/, /from 12 to 20 mm/],
  ] as const)('judges a fig: %s', async (size, ofVariety, says, window) => {
    serve(answers({ 'GET /api/recipes/fig-size': { size, rightFromMm: 12, lateFromMm: 20, ofVariety } }));
    show(<Mixing />);
    await userEvent.type(await screen.findByLabelText('Diameter, mm'), '15');
    const told = (await screen.findByText(says)).closest('p')!;
    expect(told).toHaveTextContent(window);
  });
});
