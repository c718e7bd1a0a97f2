import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import { serve, sheet, show, tree, type Sent } from '../test/screen';
import { StageKey } from './StageKey';

/** Answers as a server would whose only evidence is the brush. */
const keyAnswer = ({ body }: Sent) => {
  const powder = (body.answers as Record<string, string>).brush === 'powder';
  return {
    stages: [
      { stage: 'closed', chance: powder ? 0.02 : 0.5, usual: 0.5 },
      { stage: 'parted', chance: powder ? 0.08 : 0.3, usual: 0.3 },
      { stage: 'shedding', chance: powder ? 0.9 : 0.2, usual: 0.2 },
    ],
    nextSign: powder ? undefined : 'brush',
    bits: 0.8,
    beware: powder ? [] : ['A clean brush means come back later.'],
  };
};

function open(at: string) {
  const sent = serve({
    'GET /api/trees': [tree('t1', 'Lantern 1')],
    'GET /api/crops': [sheet],
    'POST /api/stage-key': keyAnswer,
  });
  show(<StageKey />, { at, route: '/bloom/key' });
  return sent;
}

describe('the stage key', () => {
  it('asks what tells most first, and names the stage once that is answered', async () => {
    const sent = open('/bloom/key?crop=cherimoya');
    expect(await screen.findByText('tells most now')).toBeVisible();
    expect(screen.getAllByRole('group')[0]).toHaveTextContent('What does the brush bring out?');
    expect(screen.getByText('A clean brush means come back later.')).toBeVisible();

    await userEvent.click(screen.getByRole('button', { name: 'powder' }));

    expect(await screen.findByText('very likely')).toBeVisible();
    expect(screen.getByText('male (shedding pollen)')).toBeVisible();
    expect(screen.getByText('90 %')).toBeVisible();
    await userEvent.click(screen.getByRole('button', { name: 'powder' }));
    expect(await screen.findByText('tells most now')).toBeVisible();
    await userEvent.click(screen.getByLabelText('Count in what is typical at this hour'));
    await waitFor(() => expect(sent.at(-1)!.body.anyHour).toBe(true));
  });

  it('goes straight back into the tally with one more', async () => {
    open('/bloom/key?tree=t1');
    await screen.findByText('tells most now');
    expect(screen.getByRole('button', { name: /^Count “/ })).toBeDisabled();
    await userEvent.click(screen.getByRole('button', { name: 'powder' }));
    await userEvent.click(await screen.findByRole('button', { name: 'Count “Dome loose, dust”' }));

    expect(screen.getByTestId('address')).toHaveTextContent('/bloom/read/t1');
    expect(sessionStorage.getItem('tally t1')).toContain('"shedding":1');
  });
});
