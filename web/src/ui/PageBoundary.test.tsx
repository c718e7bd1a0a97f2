import { screen, fireEvent } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { serve, show } from '../test/screen';
import { PageBoundary } from './PageBoundary';
import { usePageTitle } from './page-title';

let broken = true;

function Fragile() {
  const [gone, setGone] = useState(false);
  usePageTitle('Fragile');
  if (gone && broken) throw new Error('no such flower');
  return (
    <form>
      <label htmlFor="note">Note</label>
      <input id="note" />
      <input type="password" aria-label="secret" />
      <button type="button" onClick={() => setGone(true)}>
        break
      </button>
    </form>
  );
}

afterEach(() => vi.restoreAllMocks());

describe('a page that fails', () => {
  it('says so, keeps what was typed but no password, and can be tried again', async () => {
    vi.spyOn(console, 'error').mockImplementation(() => undefined);
    serve({});
    show(
      <PageBoundary>
        <Fragile />
      </PageBoundary>,
    );
    expect(document.title).toBe('Fragile · Even Hand');
    fireEvent.input(screen.getByLabelText('Note'), { target: { value: 'three limbs bent' } });
    fireEvent.input(screen.getByLabelText('secret'), { target: { value: 'black cup' } });
    await userEvent.click(screen.getByText('break'));

    const alert = screen.getByRole('alert');
    expect(alert).toHaveTextContent('This page cannot be shown');
    expect(alert).toHaveTextContent('Note: three limbs bent');
    expect(alert).toHaveTextContent('no such flower');
    expect(alert).not.toHaveTextContent('black cup');
    broken = false;
    await userEvent.click(screen.getByText('Try again'));
    expect(screen.getByLabelText('Note')).toBeVisible();
  });
});
