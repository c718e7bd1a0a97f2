import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import type { Schemas } from '../kit/api';
import { serve, show } from '../test/screen';
import { Findings } from './Findings';

const rate = (taken: number, decided: number): Schemas['SetRate'] => ({
  taken,
  decided,
  share: taken / decided,
  lower: 0.42,
  upper: 0.85,
  confidence: 0.95,
});
const finding = (treeName: string, part: Partial<Schemas['Finding']>): Schemas['Finding'] => ({
  pollination: {
    id: treeName,
    treeId: treeName,
    treeName,
    crop: 'cherimoya',
    lotId: 'l',
    lotCode: 'LA-01',
    pollenParent: 'Lantern',
    flowers: 9,
    doneAt: '2026-11-11T05:00:00Z',
    mark: '',
    colour: '',
    tag: '',
    again: false,
    recordedBy: 'a',
    version: 0,
  },
  unknown: 0,
  notFound: 0,
  checked: true,
  ...part,
});

describe('findings', () => {
  it('tells the share in all with its interval, and why', async () => {
    serve({
      'GET /api/findings': {
        all: rate(10, 15),
        pollinations: [
          finding('Unchecked', { checked: false }),
          finding('Open', {}),
          finding('Known', { rate: rate(6, 9) }),
        ],
      },
    });
    show(<Findings />);
    const heading = await screen.findByRole('heading', { level: 1 });
    expect(heading.textContent).toMatch(
      /10 of 15 flowers took, 67\s%; with so few the true share.*42\s% and 85\s%/,
    );
    expect(screen.getAllByRole('row').map((r) => r.textContent?.slice(0, 4))).toEqual([
      'Tree',
      'Know',
      'Unch',
      'Open',
    ]);
    expect(screen.getByText('not checked')).toBeVisible();
    expect(screen.getByText('not known yet')).toBeVisible();
    await userEvent.click(screen.getByText('6 of 9'));
    expect(await screen.findByText(/Wilson’s score interval/)).toBeInTheDocument();
  });

  it('does not excuse itself with small numbers where there are many', async () => {
    serve({
      'GET /api/findings': { all: rate(100, 150), pollinations: [finding('A', { rate: rate(100, 150) })] },
    });
    show(<Findings />);
    expect((await screen.findByRole('heading', { level: 1 })).textContent).not.toContain('with so few');
  });
});
