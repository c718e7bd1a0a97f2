import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import { refusal, serve, sheet, show, type Server } from '../test/screen';
import { numberName } from './number-names';
import { OwnNumbers } from './OwnNumbers';

const own = {
  ...sheet,
  numbers: [
    { ...sheet.numbers[0]!, value: 20, basis: 'OWN' },
    { ...sheet.numbers[0]!, path: 'pollen.dosesPerFlower', value: 4 },
  ],
};
const answers = (put: unknown): Server => ({ 'GET /api/crops/*/own': [], 'PUT /api/own-sheets/*': put });

describe('an orchard’s own numbers', () => {
  it('sends what was typed with what was changed before, and nothing that is as shipped', async () => {
    const sent = serve(answers({}));
    show(<OwnNumbers sheet={own} />);
    expect(screen.getByText(/Tips parted: lasts, hours 20 \(shipped 10\)/)).toBeVisible();
    await userEvent.click(screen.getByText('Change numbers for this orchard'));
    await userEvent.type(screen.getByLabelText('Find a number'.toLowerCase(), { exact: false }), 'doses');
    const doses = screen.getByLabelText('Doses a flower yields');
    await userEvent.clear(doses);
    await userEvent.type(doses, '6');
    await userEvent.click(screen.getByText('Use these numbers'));

    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]!.body).toMatchObject({
      crop: 'cherimoya',
      numbers: { 'stages[1].meanHours': 20, 'pollen.dosesPerFlower': 6 },
    });
  });

  it('goes back to as shipped in one click', async () => {
    const sent = serve(answers({}));
    show(<OwnNumbers sheet={own} />);
    await userEvent.click(screen.getByText('Back to as shipped'));
    await waitFor(() => expect(sent[0]!.body.numbers).toEqual({}));
  });

  it('shows a refusal beside its number and keeps what was typed', async () => {
    serve(
      answers(
        refusal(400, {
          errors: [{ field: 'stages[1].meanHours', message: 'is -2; allowed is 0.1 to 2880.' }],
        }),
      ),
    );
    show(<OwnNumbers sheet={own} />);
    await userEvent.click(screen.getByText('Change numbers for this orchard'));
    const hours = screen.getByLabelText('Tips parted: lasts, hours');
    await userEvent.clear(hours);
    await userEvent.type(hours, '-2');
    await userEvent.click(screen.getByText('Use these numbers'));
    expect(await screen.findByText(/is -2; allowed is 0.1 to 2880/)).toBeVisible();
    expect(hours).toHaveValue('-2');
  });

  it('names every place of a sheet as one would say it', () => {
    expect(numberName(sheet, 'types[0].stages[2].gate.opens.hours')).toBe(
      'Dome loose, dust: change begins, hours',
    );
    expect(numberName(sheet, 'pollen.keeping.fridge-desiccant.halfLifeHours')).toBe(
      'Kept in fridge with desiccant: viability halves in, hours',
    );
  });
});
