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
});
