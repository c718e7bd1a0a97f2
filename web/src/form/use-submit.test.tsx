import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import { OutOfReach, ProblemError } from '../api/problem';
import { store } from '../offline/store';
import { speak } from '../text/locale';
import { show } from '../test/screen';
import { RecordForm } from './RecordForm';
import { useSubmit } from './use-submit';

function Form({ send, done }: { send: (confirmed: string[]) => Promise<string>; done: (r: string) => void }) {
  const form = useSubmit((_: void, confirmed) => send(confirmed), ['flowers'], done);
  return (
    <>
      <button onClick={() => form.submit()}>Save</button>
      <p data-testid="field">{form.errorFor('flowers', 'Flowers')}</p>
      <p data-testid="general">{form.general}</p>
      {form.question && (
        <>
          <p>{form.question.text}</p>
          <button onClick={form.question.yes}>Yes</button>
          <button onClick={form.question.no}>No</button>
        </>
      )}
    </>
  );
}

async function save(send: (confirmed: string[]) => Promise<string>) {
  const done = vi.fn();
  render(
    <QueryClientProvider client={new QueryClient()}>
      <Form send={send} done={done} />
    </QueryClientProvider>,
  );
  await userEvent.click(screen.getByText('Save'));
  return done;
}

describe('a form that a role may not save', () => {
  it.each([
    ['WORKER', 'MANAGE', /Only an owner or a manager of this orchard can do this. You are a worker here/],
    ['VIEWER', 'WORK', /You are a viewer here/],
    ['VIEWER', 'SELF', undefined],
    ['MANAGER', 'MANAGE', undefined],
  ] as const)('leaves its button out: %s, %s', (role, duty, says) => {
    function Form() {
      const form = useSubmit(
        () => Promise.resolve(),
        [],
        () => undefined,
      );
      return (
        <RecordForm form={form} save="Save it" duty={duty}>
          <p>fields</p>
        </RecordForm>
      );
    }
    show(<Form />, { role });
    expect(screen.queryByText('Save it') === null).toBe(says !== undefined);
    if (says) expect(screen.getByText(says)).toBeVisible();
  });
});

describe('sending a form', () => {
  it('puts an error beside its field, and one without a field below', async () => {
    await save(() =>
      Promise.reject(
        new ProblemError(400, {
          errors: [
            { field: 'flowers', message: 'need 6 doses, but only 2 are left.' },
            { field: 'lotId', message: 'cannot serve it.' },
          ],
        }),
      ),
    );
    expect(await screen.findByText('Flowers need 6 doses, but only 2 are left.')).toBeVisible();
    expect(screen.getByTestId('general')).toHaveTextContent('lotId cannot serve it.');
  });

  it('says what has its words in the language of who reads it, also for a part of a record', async () => {
    await speak('es-ES');
    try {
      await save(() =>
        Promise.reject(
          new ProblemError(400, {
            errors: [
              {
                field: 'end.flowers',
                message: 'is 0.5; allowed is 1 to 20,000.',
                text: { key: 'refused.range', values: { value: 0.5, low: 1, high: 20_000 } },
              },
            ],
          }),
        ),
      );
      expect(await screen.findByText('Flowers: es 0,5; se admite de 1 a 20.000.')).toBeVisible();
      expect(screen.getByTestId('general')).toBeEmptyDOMElement();
    } finally {
      await speak('en-GB');
    }
  });

  it('asks the server’s question and sends again only after a yes', async () => {
    const send = vi.fn((confirmed: string[]) =>
      confirmed.includes('sure')
        ? Promise.resolve('saved')
        : Promise.reject(new ProblemError(409, { detail: 'Record it all the same?', confirm: 'sure' })),
    );
    const done = await save(send);
    expect(await screen.findByText('Record it all the same?')).toBeVisible();
    expect(screen.getByTestId('general')).toBeEmptyDOMElement();
    await userEvent.click(screen.getByText('Yes'));
    await vi.waitFor(() => expect(done).toHaveBeenCalledWith('saved', undefined));
    expect(send).toHaveBeenCalledTimes(2);
  });

  it('says that nothing typed is lost when there is no answer', async () => {
    const done = await save(() => Promise.reject(new OutOfReach()));
    expect(await screen.findByText(/What you typed is still here/)).toBeVisible();
    expect(done).not.toHaveBeenCalled();
  });

  it('keeps what cannot be sent where that is wanted, and sends nothing past what waits already', async () => {
    await store.outbox.clear();
    let there = false;
    const send = vi.fn(() => (there ? Promise.resolve('saved') : Promise.reject(new OutOfReach())));
    const done = vi.fn();
    const kept = vi.fn();
    const write = {
      method: 'PUT' as const,
      path: '/api/readings/r',
      body: { n: 1 },
      label: 'a reading',
      account: 'nobody here',
    };
    function Keeping() {
      const form = useSubmit<void, string>(send, [], done, { write: () => write, kept });
      return (
        <>
          <button onClick={() => form.submit()}>Save</button>
          <p data-testid="general">{form.general}</p>
        </>
      );
    }
    render(
      <QueryClientProvider client={new QueryClient()}>
        <Keeping />
      </QueryClientProvider>,
    );
    await userEvent.click(screen.getByText('Save'));
    await waitFor(() => expect(kept).toHaveBeenCalledTimes(1));
    expect(await store.outbox.toArray()).toMatchObject([write]);
    expect(screen.getByTestId('general')).toBeEmptyDOMElement();

    there = true;
    await userEvent.click(screen.getByText('Save'));
    await waitFor(() => expect(kept).toHaveBeenCalledTimes(2));
    expect(send).toHaveBeenCalledTimes(1);
    await store.outbox.clear();

    await userEvent.click(screen.getByText('Save'));
    await waitFor(() => expect(done).toHaveBeenCalledTimes(1));
    expect(await store.outbox.count()).toBe(0);
  });
});
