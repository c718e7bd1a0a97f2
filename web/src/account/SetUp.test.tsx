import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import { orchard, refusal, serve, show } from '../test/screen';
import { DemoClock } from './DemoClock';
import { SetUp } from './SetUp';

describe('the first day', () => {
  it('sends owner and orchard together and keeps all of it when something is refused', async () => {
    const sent = serve({
      'POST /api/setup': refusal(400, {
        errors: [
          { field: 'password', message: 'is too short; at least 10 characters.' },
          { field: 'latitude', message: 'is 200; allowed is -90 to 90.' },
        ],
      }),
    });
    show(<SetUp />);
    await userEvent.type(screen.getByLabelText('Your name'), 'Mere');
    await userEvent.type(screen.getByLabelText('E-mail address'), 'mere@tern-flat.example');
    await userEvent.type(screen.getByLabelText('Password'), 'short');
    await userEvent.click(screen.getByText('Begin'));
    expect(await screen.findByText('Password is too short; at least 10 characters.')).toBeVisible();
    expect(screen.getByText(/is 200; allowed is -90 to 90/)).toBeVisible();
    expect(screen.getByLabelText('Your name')).toHaveValue('Mere');
    expect(screen.getByLabelText('Password')).toHaveValue('short');
    expect(sent[0]!.body).toMatchObject({ person: 'Mere', email: 'mere@tern-flat.example' });
  });
});

describe('the demo’s clock', () => {
  it.each([
    ['half an hour later', '2026-11-24T03:10:00.000Z'],
    ['a week later', '2026-12-01T02:40:00.000Z'],
    ['an hour back', '2026-11-24T01:40:00.000Z'],
    ['tomorrow at 06:30', '2026-11-24T17:30:00.000Z'],
  ])('goes %s', async (step, to) => {
    const sent = serve({ 'PUT /api/demo-clock': orchard });
    show(<DemoClock />);
    await userEvent.click(screen.getByText(/^demo clock 24 Nov, 15:40/));
    await userEvent.click(await screen.findByText(step));
    await waitFor(() => expect(sent[0]?.body).toEqual({ now: to }));
  });
});
