import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import { refusal, serve, show } from '../test/screen';
import { airWords } from './air-words';
import { NOW, ZONE } from '../test/samples';
import { Weather } from './Weather';

const overview = {
  underCover: false,
  records: [
    {
      id: 'w1',
      kind: 'STATION',
      name: 'Mast',
      recordedAt: NOW.toISOString(),
      rows: 24,
      first: '2026-11-23T03:00:00Z',
      last: '2026-11-24T02:00:00Z',
      version: 2,
    },
  ],
  stretches: [
    { from: NOW.toISOString(), until: '2026-11-25T11:00:00Z', source: 'FORECAST' },
    { from: '2026-11-25T11:00:00Z', until: '2026-12-04T11:00:00Z', source: 'USUAL' },
  ],
  days: [{ date: '2026-11-24', minimumC: 12, maximumC: 22, source: 'MEASURED' }],
};

describe('weather', () => {
  it('sends only the days of a forecast that were typed, and shows an error beside its field', async () => {
    const sent = serve({
      'GET /api/weather': overview,
      'GET /api/trees': [],
      'PUT /api/weather/forecasts/*': refusal(400, {
        errors: [{ field: 'days[0].maximumC', message: 'is 3, below the lowest of the day, 9.' }],
      }),
    });
    show(<Weather />);
    await userEvent.type(await screen.findByLabelText('lowest of Thu 26 Nov'), '9');
    await userEvent.type(screen.getByLabelText('highest of Thu 26 Nov'), '3');
    await userEvent.click(screen.getByText('Use this forecast'));

    expect(await screen.findByText('Highest is 3, below the lowest of the day, 9.')).toBeVisible();
    expect(sent[0]!.body.days).toEqual([{ date: '2026-11-26', minimumC: 9, maximumC: 3 }]);
    expect(screen.getByLabelText('lowest of Thu 26 Nov')).toHaveValue('9');
  });

  it('shows and takes in the air of a block of its own', async () => {
    const sent = serve({
      'GET /api/weather': {
        ...overview,
        underCover: true,
        stretches: [{ from: NOW.toISOString(), until: '2026-12-04T11:00:00Z', source: 'USUAL' }],
        records: [{ ...overview.records[0]!, block: 'Tunnel' }],
      },
      'GET /api/trees': [
        { id: 't', block: 'Tunnel' },
        { id: 'u', block: '' },
      ],
      'PUT /api/weather/stations/*': { id: 's', name: 'Roof', key: 'k' },
    });
    show(<Weather />, { at: '/bloom/weather?block=Tunnel' });
    expect(await screen.findByText(/Tunnel is under cover and nothing is measured there/)).toBeVisible();
    expect(await screen.findByLabelText('Weather of')).toHaveValue('Tunnel');
    await userEvent.type(screen.getByLabelText('Name'), 'Roof');
    await userEvent.click(screen.getByText('Make a key'));
    await waitFor(() => expect(sent[0]!.body).toEqual({ name: 'Roof', block: 'Tunnel' }));
  });

  it('takes a source back', async () => {
    const sent = serve({
      'GET /api/weather': overview,
      'GET /api/trees': [],
      'POST /api/weather/records/*/void': null,
    });
    show(<Weather />);
    await userEvent.click(await screen.findByText('Remove'));
    await waitFor(() => expect(sent[0]).toMatchObject({ path: '/api/weather/records/w1/void' }));
    expect(sent[0]!.body.version).toBe(2);
  });

  it('says which air a forecast used', () => {
    const words = airWords(overview.stretches as Parameters<typeof airWords>[0], NOW, ZONE);
    expect(words).toBe('Weather: the typed forecast until Thu 26 Nov 00:00; then the typical day.');
  });
});
