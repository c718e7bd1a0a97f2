import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import { refusal, serve, show } from '../test/screen';
import { SignIn } from './SignIn';

describe('signing in', () => {
  it('keeps what was typed and says what is wrong beside the password', async () => {
    const sent = serve({
      'POST /api/session': refusal(400, {
        errors: [{ field: 'password', message: 'does not fit this address.' }],
      }),
    });
    document.cookie = 'XSRF-TOKEN=token';
    show(<SignIn />);
    await userEvent.type(screen.getByLabelText('E-mail address'), 'ines@heron-bank.example');
    await userEvent.type(screen.getByLabelText('Password'), 'black cup{Enter}');

    expect(await screen.findByText('Password does not fit this address.')).toBeVisible();
    expect(screen.getByLabelText('E-mail address')).toHaveValue('ines@heron-bank.example');
    expect(sent[0]!.body).toEqual({ email: 'ines@heron-bank.example', password: 'black cup' });
  });
});
