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
