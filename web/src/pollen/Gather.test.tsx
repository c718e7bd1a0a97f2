import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import type { Schemas } from '../api/api';
import { NOW, ZONE } from '../test/samples';
import { serve, show } from '../test/screen';
import { Gather, gatheringWords } from './Gather';

const tree = (part: Partial<Schemas['GatheringTree']>): Schemas['GatheringTree'] => ({
  treeId: 't',
  tree: 'Lantern 1',
  read: true,
  now: 0,
  balloons: 0,
  ...part,
});

describe('before collecting', () => {
  it.each([
    [{ read: false }, false, 'not read lately'],
    [{}, false, 'no pollen within a day and a half'],
    [
      { now: 4.2, from: NOW.toISOString(), until: '2026-11-24T09:00:00Z' },
      false,
      '4 shedding now, until 22:00',
    ],
    [
      { most: 9, from: '2026-11-24T03:20:00Z', until: '2026-11-24T10:00:00Z' },
      false,
      '9 from 16:20 until 23:00',
    ],
    [{ balloons: 12 }, true, '12 about to open'],
  ] as const)('says of a tree %j', (part, balloons, says) => {
    expect(gatheringWords(tree(part), balloons, NOW, ZONE)).toBe(says);
  });

  it('says how many flowers make the doses sure, and why', async () => {
    const plan = (doses: number): Schemas['Gathering'] => ({
      doses,
      dosesPerFlower: 4,
      smallFlowered: false,
      expected: doses / 4,
      sure: doses / 4 + 2,
      trees: [tree({ now: 5, from: NOW.toISOString(), until: '2026-11-24T09:00:00Z' })],
      methods: ['TAP'],
      whenThere: 'Sun and wind take it.',
    });
    serve({ 'GET /api/gathering': plan(20) });
    show(<Gather variety="v" balloons={false} asked={20} />);
    await userEvent.click(await screen.findByText('7 flowers'));
    expect(await screen.findByText(/20 doses ÷ 4 = 5 on average/)).toBeInTheDocument();
    expect(screen.getByText('Sun and wind take it.')).toBeVisible();
    expect(screen.getByText(/5 shedding now/)).toBeVisible();
  });
});
