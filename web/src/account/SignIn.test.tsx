import { fireEvent, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import { refusal, serve, show } from '../test/screen';
import { TextInput } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { queries } from '../api/queries';
import { SignIn } from './SignIn';
import { SignInAgain } from './SignInAgain';

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
    expect(sent[0]!.body).toEqual({ email: 'ines@heron-bank.example', password: 'black cup', stay: true });
  });

  it('asks for a code where one is wanted, with everything typed still there', async () => {
    const refusals = [
      refusal(400, { errors: [{ field: 'code', message: 'is asked for.' }] }),
      refusal(400, { errors: [{ field: 'code', message: 'does not fit.' }] }),
      {},
    ];
    const sent = serve({ 'POST /api/session': () => refusals.shift() });
    show(<SignIn />);
    expect(screen.queryByLabelText('One-time code')).toBeNull();
    await userEvent.type(screen.getByLabelText('E-mail address'), 'ines@heron-bank.example');
    await userEvent.type(screen.getByLabelText('Password'), 'black cup soft brush{Enter}');
    const code = await screen.findByLabelText('One-time code');
    await waitFor(() => expect(code).toHaveFocus());
    await userEvent.keyboard('123 457{Enter}');
    expect(await screen.findByText('One-time code does not fit.')).toBeVisible();
    await userEvent.type(screen.getByLabelText('One-time code'), '{Backspace}6{Enter}');
    await waitFor(() => expect(sent.filter((s) => s.path === '/api/session')).toHaveLength(3));
    expect(sent.at(-1)!.body).toMatchObject({ password: 'black cup soft brush', code: '123 456' });
  });

  it('comes over the page when the session has ended, and what was typed there stays', async () => {
    const lots: unknown[] = [refusal(401, { detail: 'Please sign in.' }), []];
    serve({ 'GET /api/lots': () => lots.shift(), 'POST /api/session': {} });
    function Page() {
      const { data } = useQuery(queries.lots());
      return (
        <>
          <TextInput label="Note" />
          {data && <p>the shelf</p>}
          <SignInAgain />
        </>
      );
    }
    show(<Page />);
    fireEvent.change(screen.getByLabelText('Note'), { target: { value: 'half typed' } });
    await waitFor(() => expect(screen.getByLabelText('E-mail address')).toHaveFocus());
    await userEvent.type(screen.getByLabelText('Password'), 'black cup soft brush{Enter}');

    expect(await screen.findByText('the shelf')).toBeInTheDocument();
    expect(screen.getByLabelText('Note')).toHaveValue('half typed');
  });
});
