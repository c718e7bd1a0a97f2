import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import { bloomOf, bloomRow, ZONE } from '../test/samples';
import { Ribbon } from './Ribbon';

describe('a ribbon', () => {
  it('tells its numbers to the keyboard and to who cannot see it', async () => {
    const row = bloomRow({ treeName: 'Lantern 1', takes: 9.4, gives: 0.2 });
    const { from, until, stepMinutes } = bloomOf([row]);
    render(
      <Ribbon
        row={row}
        from={from}
        until={until}
        stepMinutes={stepMinutes}
        suns={[]}
        zone={ZONE}
        most={12}
      />,
    );
    const ribbon = screen.getByRole('slider', { name: 'Lantern 1 over time' });
    expect(ribbon).toHaveAttribute('aria-valuetext', 'arrow keys read the numbers');
    await userEvent.tab();
    await userEvent.keyboard('{ArrowRight}{ArrowRight}{ArrowRight}');
    expect(ribbon).toHaveAttribute('aria-valuetext', '16:10: 9 to 10 female, 0 to 1 male');
    await userEvent.keyboard('{ArrowLeft}');
    expect(ribbon).toHaveAttribute('aria-valuetext', '15:40: 9 to 10 female, 0 to 1 male');
  });
});
