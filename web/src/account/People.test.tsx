import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import { refusal, serve, show } from '../test/screen';
import { Account } from './Account';
import { Join } from './Join';
import { People } from './People';

const at = '2026-11-24T02:00:00Z';
const people = {
  members: [
    { accountId: 'a', name: 'Ines', role: 'OWNER', joinedAt: at, email: 'ines@heron-bank.example' },
    { accountId: 'b', name: 'Tomas', role: 'WORKER', joinedAt: at, lastSignedIn: at },
  ],
  formerly: [{ accountId: 'c', name: 'Mere', leftAt: at }],
  invitations: [{ id: 'i', role: 'VIEWER', note: 'the adviser', madeBy: 'Ines', madeAt: at, validUntil: at }],
};
const log = [
  {
    kind: 'WRONG_PASSWORD',
    at,
    person: 'Tomas',
    by: 'Tomas',
    address: '10.0.0.7',
    device: 'Chrome on Android',
    detail: '',
  },
  { kind: 'ROLE_CHANGED', at, person: 'Tomas', by: 'Ines', address: '', device: '', detail: 'WORKER' },
];
const link = { path: '/join#secret', validUntil: at };

describe('people', () => {
  it('shows who works here, who was refused, and hands out a link once', async () => {
    const sent = serve({
      'GET /api/people': people,
      'GET /api/people/log': log,
      'POST /api/people/invitations': link,
    });
    show(<People />);
    expect(await screen.findByText('2 people work here')).toBeVisible();
    expect(screen.getByText('Mere')).toBeVisible();
    expect(await screen.findByText('A wrong password for Tomas')).toBeVisible();
    expect(screen.getByText('Ines made Tomas worker')).toBeVisible();
    await userEvent.type(screen.getByLabelText('For whom'), 'Tane');
    await userEvent.click(screen.getByText('Make a link'));
    expect(sent[0]!.body).toEqual({ role: 'WORKER', note: 'Tane' });
    expect(await screen.findByText(`${window.location.origin}/join#secret`)).toBeVisible();
    expect(screen.getByText(/leads to this machine only/)).toBeVisible();
    expect(screen.getByTitle('The link as a square code')).toBeInTheDocument();
    await userEvent.click(screen.getByText('Done'));
    expect(screen.queryByText(/join#secret/), 'it is shown once').toBeNull();
  });

  it('asks once more before somebody is removed, and says why it is refused', async () => {
    const sent = serve({
      'GET /api/people': people,
      'GET /api/people/log': [],
      'POST /api/people/b/remove': refusal(400, {
        errors: [{ field: 'accountId', message: 'is the only owner.' }],
      }),
      'PUT /api/people/b/role': {},
    });
    show(<People />);
    await userEvent.click(await screen.findByText('Remove'));
    expect(sent).toHaveLength(0);
    await userEvent.click(screen.getByText('Remove Tomas'));
    expect(await screen.findByText('Tomas is the only owner.')).toBeVisible();
    const role = screen.getByRole('combobox', { name: 'Role of Tomas' });
    await userEvent.click(role);
    await userEvent.click(await screen.findByRole('option', { name: 'Viewer' }));
    await waitFor(() => expect(sent.at(-1)?.body).toEqual({ role: 'VIEWER' }));
  });
});

describe('coming in by a link', () => {
  const offer = { kind: 'INVITATION', orchard: 'Tern Flat', role: 'WORKER', by: 'Ines', validUntil: at };
  it('makes an account, and keeps what was typed when something is refused', async () => {
    window.location.hash = 'secret';
    const sent = serve({
      'POST /api/join/offer': offer,
      'POST /api/join': refusal(400, {
        errors: [{ field: 'password', message: 'is among those that are tried first.' }],
      }),
    });
    show(<Join signedIn={false} />);
    expect(await screen.findByText('Work in Tern Flat')).toBeVisible();
    expect(sent[0]!.body).toEqual({ key: 'secret' });
    await userEvent.type(screen.getByLabelText('Your name'), 'Tane');
    await userEvent.type(screen.getByLabelText('E-mail address'), 'tane@tern-flat.example');
    await userEvent.type(screen.getByLabelText('Password'), 'passwordpassword');
    await userEvent.click(screen.getByText('Join Tern Flat'));
    expect(await screen.findByText('Password is among those that are tried first.')).toBeVisible();
    expect(screen.getByLabelText('Your name')).toHaveValue('Tane');
    expect(sent[1]!.body).toMatchObject({ key: 'secret', email: 'tane@tern-flat.example' });
  });

  it('takes along who is signed in, and says when a link is used up', async () => {
    window.location.hash = 'secret';
    const sent = serve({
      'POST /api/join/offer': offer,
      'POST /api/join/member': refusal(400, { errors: [] }),
    });
    const { unmount } = show(<Join signedIn />);
    await userEvent.click(await screen.findByText('Join as Ines'));
    expect(sent[1]!.path).toBe('/api/join/member');
    unmount();
    serve({ 'POST /api/join/offer': refusal(400, { errors: [{ field: 'key', message: 'was used.' }] }) });
    show(<Join signedIn={false} />);
    expect(await screen.findByText('This link lets nobody in any more')).toBeVisible();
  });

  it('chooses a new password', async () => {
    window.location.hash = 'reset';
    const sent = serve({
      'POST /api/join/offer': { kind: 'RESET', person: 'Tomas', email: 't@x.example', validUntil: at },
      'POST /api/join/password': refusal(400, {
        errors: [{ field: 'password', message: 'has 5 characters; at least 15 are needed.' }],
      }),
    });
    show(<Join signedIn={false} />);
    await userEvent.type(await screen.findByLabelText('New password'), 'short');
    await userEvent.click(screen.getByText('Save password and sign in'));
    expect(await screen.findByText(/at least 15 are needed/)).toBeVisible();
    expect(sent[1]!.body).toEqual({ key: 'reset', password: 'short' });
  });
});

describe('the account', () => {
  it('shows where one works and is signed in, and signs out elsewhere', async () => {
    const session = (key: string, here: boolean) => ({
      key,
      device: here ? 'Firefox on Linux' : 'Chrome on Android',
      address: '10.0.0.7',
      began: at,
      lastUsed: at,
      here,
    });
    const sent = serve({
      'GET /api/account': {
        person: 'Ines',
        email: 'ines@heron-bank.example',
        orchards: [
          { orchardId: 'o', name: 'Heron Bank', role: 'OWNER', here: true },
          { orchardId: 'p', name: 'Tern Flat', role: 'VIEWER', here: false },
        ],
        sessions: [session('1', true), session('2', false)],
        codes: { on: false, spare: 0 },
        passkeys: [],
      },
      'POST /api/account/sessions/2/end': {},
      'POST /api/account/leave': refusal(400, {
        errors: [{ field: 'accountId', message: 'is the only owner. Hand the orchard over first.' }],
      }),
    });
    show(<Account />);
    const phone = (await screen.findByText('Chrome on Android')).closest('li')!;
    await userEvent.click(within(phone).getByText('Sign out'));
    expect(sent[0]!.path).toBe('/api/account/sessions/2/end');
    await userEvent.click(screen.getByText('Leave'));
    await userEvent.click(screen.getByText('Leave Heron Bank'));
    expect(await screen.findByText(/Hand the orchard over first/)).toBeVisible();
  });
});
