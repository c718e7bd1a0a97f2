import { MantineProvider } from '@mantine/core';
import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { describe, expect, it } from 'vitest';
import { serve, show } from '../test/screen';
import { Months } from './Months';
import { draftOf, emptyOrchard, OrchardFields, orchardBody } from './OrchardFields';

const orchard = {
  id: 'o',
  name: 'Heron Bank',
  latitude: -35.3,
  longitude: 173.9,
  zone: 'Pacific/Auckland',
  usualMinimumC: 14,
  usualMaximumC: 24,
  usualMonths: [],
  units: 'IMPERIAL' as const,
  demo: false,
  now: '2026-11-24T02:40:00Z',
  version: 3,
};

function Form({ start }: { start: ReturnType<typeof emptyOrchard> }) {
  const [value, setValue] = useState(start);
  return (
    <MantineProvider env="test">
      <OrchardFields value={value} onChange={setValue} errorFor={() => undefined} />
      <output>{JSON.stringify(orchardBody(value))}</output>
    </MantineProvider>
  );
}

function Year({ start }: { start: ReturnType<typeof emptyOrchard> }) {
  const [value, setValue] = useState(start);
  return (
    <>
      <Months value={value} onChange={setValue} errorFor={() => undefined} />
      <output data-testid="body">{JSON.stringify(orchardBody(value).usualMonths)}</output>
    </>
  );
}

describe('ordinary days month by month', () => {
  it('are guessed from the day and the latitude, mended in the units chosen, and left again', async () => {
    const year = Array.from({ length: 12 }, (_, m) => ({ minimumC: m, maximumC: m + 10 }));
    serve({ 'GET /api/orchard/typical-year': year });
    show(<Year start={{ ...emptyOrchard(), units: 'IMPERIAL', usualMinimum: 57.2, usualMaximum: 75.2 }} />);
    const body = () => JSON.parse(screen.getByTestId('body').textContent) as typeof year;
    expect(body()).toEqual([]);
    await userEvent.click(screen.getByText('Guess them from this day and the latitude'));
    const march = await screen.findByLabelText('lowest in March');
    expect(march).toHaveValue('35.6');
    await userEvent.clear(march);
    await userEvent.type(march, '41');
    expect(body()[2]!.minimumC).toBeCloseTo(5, 9);
    expect(body()[11]!.maximumC).toBeCloseTo(21, 9);
    await userEvent.click(screen.getByText('One day for the whole year'));
    expect(body()).toEqual([]);
  });
});

describe('an orchard’s fields', () => {
  it('shows imperial units and sends metric ones', () => {
    const draft = draftOf(orchard);
    expect([draft.usualMinimum, draft.usualMaximum]).toEqual([57.2, 75.2]);
    const body = orchardBody(draft);
    expect(body.usualMinimumC).toBeCloseTo(14, 9);
    expect(body.usualMaximumC).toBeCloseTo(24, 9);
    expect(body.version).toBe(3);
  });

  it('leaves out what was not typed, so that the server can name it', () => {
    expect(orchardBody(emptyOrchard())).not.toHaveProperty('latitude', expect.anything());
  });

  it('turns typed temperatures when the units are changed', async () => {
    render(<Form start={{ ...emptyOrchard(), usualMinimum: 14, usualMaximum: 24 }} />);
    await userEvent.click(screen.getByText('Imperial, °F'));
    expect(screen.getByLabelText('Typical highest, °F')).toHaveValue('75.2');
    await userEvent.click(screen.getByText('Metric, °C'));
    expect(screen.getByLabelText('Typical highest, °C')).toHaveValue('24');
  });
});
