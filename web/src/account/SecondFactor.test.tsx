import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import { refusal, serve, show } from '../test/screen';
import { Codes } from './Codes';
import { Passkeys } from './Passkeys';

describe('what one shows besides a password', () => {
  it('turns codes on with the password and a first code, and shows spare ones once', async () => {
    const confirms = [
      refusal(400, { errors: [{ field: 'code', message: 'does not fit.' }] }),
      { spare: ['abcde-fghjk', 'mnpqr-stuvw'] },
    ];
    const sent = serve({
      'POST /api/account/codes': { secret: 'ABCDEFGH', address: 'otpauth://totp/x?secret=ABCDEFGH' },
      'PUT /api/account/codes': () => confirms.shift(),
    });
    show(<Codes codes={{ on: false, spare: 0 }} />);
    await userEvent.click(screen.getByText('Ask for codes'));
    await userEvent.type(screen.getByLabelText('Your password'), 'black cup soft brush{Enter}');
    expect(await screen.findByText('ABCD EFGH')).toBeVisible();
    await userEvent.type(screen.getByLabelText('The code the app shows now'), '123456{Enter}');
    expect(await screen.findByText('The code does not fit.')).toBeVisible();
    await userEvent.click(screen.getByText('Ask for codes from now on'));
    expect(await screen.findByText('mnpqr-stuvw')).toBeVisible();
    expect(sent.map((s) => s.path)).toEqual([
      '/api/account/codes',
      '/api/account/codes',
      '/api/account/codes',
    ]);
    await userEvent.click(screen.getByText('I keep them'));
    expect(screen.queryByText('mnpqr-stuvw')).toBeNull();
  });

  it('turns codes off after the password only, and warns before the last spare code', async () => {
    const sent = serve({ 'POST /api/account/codes/off': {} });
    show(<Codes codes={{ on: true, spare: 2 }} />);
    expect(screen.getByText(/before the last is used/)).toBeVisible();
    await userEvent.click(screen.getByText('Turn off'));
    await userEvent.type(screen.getByLabelText('Your password'), 'black cup soft brush');
    await userEvent.click(screen.getByText('Ask for codes no longer'));
    await waitFor(() => expect(sent[0]?.body).toEqual({ password: 'black cup soft brush' }));
  });

  it('lists passkeys, removes one, and says where they are of no use', async () => {
    const phone = {
      id: 'AA',
      label: 'My phone',
      made: '2026-11-25T08:00:00Z',
      lastUsed: '2026-11-25T08:00:00Z',
    };
    const sent = serve({
      'GET /api/setup': { ownerNeeded: false, signedIn: true, passkeyHost: 'orchard.example' },
      'DELETE /api/account/passkeys/AA': {},
    });
    show(<Passkeys passkeys={[phone]} />);
    expect(await screen.findByText('orchard.example')).toBeVisible();
    expect(screen.queryByText('Add a passkey')).toBeNull();
    await userEvent.click(screen.getByText('Remove'));
    await waitFor(() => expect(sent.map((s) => s.path)).toContain('/api/account/passkeys/AA'));
  });
});
