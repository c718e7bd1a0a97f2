import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useLocation } from 'react-router';
import { describe, expect, it } from 'vitest';
import { show } from '../test/screen';
import { useAddress } from './use-address';

function Choices() {
  const [{ hours, crop }, choose] = useAddress({ hours: '72', crop: '' }, { hours: ['24', '72'] });
  return (
    <>
      <output data-testid="now">{`${hours} ${crop}`}</output>
      <output data-testid="search">{useLocation().search}</output>
      <button onClick={() => choose({ hours: '24' })}>a day</button>
      <button onClick={() => choose({ hours: '72' })}>as usual</button>
      <button onClick={() => choose({ crop: 'apple' })}>apple</button>
    </>
  );
}

describe('choices in the address', () => {
  it('are read from it, written to it, and left out as usual', async () => {
    show(<Choices />, { at: '/?crop=pear&other=1' });
    const now = () => screen.getByTestId('now').textContent;
    const search = () => screen.getByTestId('search').textContent;
    expect(now()).toBe('72 pear');
    await userEvent.click(screen.getByText('a day'));
    await userEvent.click(screen.getByText('apple'));
    expect(now()).toBe('24 apple');
    expect(search()).toBe('?crop=apple&other=1&hours=24');
    await userEvent.click(screen.getByText('as usual'));
    expect(search()).toBe('?crop=apple&other=1');
  });

  it('count as usual where they are not allowed', () => {
    show(<Choices />, { at: '/?hours=9999' });
    expect(screen.getByTestId('now')).toHaveTextContent('72');
  });
});
