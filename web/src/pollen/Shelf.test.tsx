import { screen } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { lot } from '../test/samples';
import { serve, show } from '../test/screen';
import { Shelf } from './Shelf';

const viability = lot({}).viability;

describe('the shelf', () => {
  it('says the interval of what is alive, and asks for a test where one is advised', async () => {
    const goodUntil = '2026-11-25T06:00:00Z';
    const advice = 'Germinate a pinch first.';
    const old = lot({ code: 'LA-02', viability: { ...viability, goodUntil, advice } });
    serve({ 'GET /api/lots': [old] });
    show(<Shelf />);

    expect(await screen.findByText(/alive, likely 66\u2060–\u206091/)).toBeVisible();
    expect(screen.getByText('Germinate a pinch first.')).toBeVisible();
  });

  it('claims no interval for a mouldy jar', async () => {
    serve({
      'GET /api/lots': [
        lot({ viability: { ...viability, share: 0, low: 0, high: 0, spoiled: true, advice: 'Test it.' } }),
      ],
    });
    show(<Shelf />);

    expect(await screen.findByText('mould likely: throw it')).toBeVisible();
    expect(screen.queryByText(/likely 0/)).toBeNull();
    expect(screen.queryByText('Test it.')).toBeNull();
  });

  it('puts jars used up long ago aside, where they can be looked up', async () => {
    serve({
      'GET /api/lots': [
        lot({ id: 'a', code: 'LA-07' }),
        lot({ id: 'b', code: 'LA-01', dosesLeft: 0, collectedAt: '2025-11-01T05:00:00Z' }),
        lot({ id: 'c', code: 'LA-06', dosesLeft: 0, collectedAt: '2026-11-20T05:00:00Z' }),
      ],
    });
    show(<Shelf />);
    expect(await screen.findByText('LA-07')).toBeVisible();
    expect(screen.getByText('LA-06')).toBeVisible();
    expect(screen.getByText('1 jar used up earlier')).toBeVisible();
    expect(screen.getByText('LA-01').closest('details')).not.toBeNull();
    expect(screen.getByText('LA-06').closest('details')).toBeNull();
  });
});
