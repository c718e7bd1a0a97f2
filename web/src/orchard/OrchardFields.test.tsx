import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { serve, show } from '../test/screen';
import { Months } from './Months';
import { draftOf, emptyOrchard, OrchardFields, orchardBody } from './OrchardFields';

const orchard = {
  id: 'o',
  name: 'Heron Bank',
  latitude: -35.3,
  longitude: 173.9,
  zone: 'Pacific/Auckland',
  typicalMinimumC: 14,
  typicalMaximumC: 24,
  typicalMonths: [],
  units: 'IMPERIAL' as const,
  demo: false,
  now: '2026-11-24T02:40:00Z',
  version: 3,
};

function Form({ start }: { start: ReturnType<typeof emptyOrchard> }) {
  const [value, setValue] = useState(start);
  return (
    <>
      <OrchardFields value={value} onChange={setValue} errorFor={() => undefined} />
      <output role="none" data-testid="orchard">
        {JSON.stringify(orchardBody(value))}
      </output>
    </>
  );
}

function Year({ start }: { start: ReturnType<typeof emptyOrchard> }) {
  const [value, setValue] = useState(start);
  return (
    <>
      <Months value={value} onChange={setValue} errorFor={() => undefined} />
      <output data-testid="body">{JSON.stringify(orchardBody(value).typicalMonths)}</output>
    </>
  );
}

describe('ordinary days month by month', () => {
  it('are guessed from the day and the latitude, mended in the units chosen, and left again', async () => {
    const year = Array.from({ length: 12 }, (_, m) => ({ minimumC: m, maximumC: m + 10 }));
    serve({ 'GET /api/orchard/typical-year': year });
    show(
      <Year start={{ ...emptyOrchard(), units: 'IMPERIAL', typicalMinimum: 57.2, typicalMaximum: 75.2 }} />,
    );
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
  afterEach(() => vi.unstubAllGlobals());

  it('shows imperial units and sends metric ones', () => {
    const draft = draftOf(orchard);
    expect([draft.typicalMinimum, draft.typicalMaximum]).toEqual([57.2, 75.2]);
    const body = orchardBody(draft);
    expect(body.typicalMinimumC).toBeCloseTo(14, 9);
    expect(body.typicalMaximumC).toBeCloseTo(24, 9);
    expect(body.version).toBe(3);
  });

  it('leaves out what was not typed, so that the server can name it', () => {
    expect(orchardBody(emptyOrchard())).not.toHaveProperty('latitude', expect.anything());
  });

  it('turns typed temperatures when the units are changed', async () => {
    show(<Form start={{ ...emptyOrchard(), typicalMinimum: 14, typicalMaximum: 24 }} />);
    await userEvent.click(screen.getByText('Imperial, °F'));
    expect(screen.getByLabelText('Typical highest, °F')).toHaveValue('75.2');
    await userEvent.click(screen.getByText('Metric, °C'));
    expect(screen.getByLabelText('Typical highest, °C')).toHaveValue('24');
  });

  const year = Array.from({ length: 12 }, (_, m) => ({ minimumC: m, maximumC: m + 10 }));
  const body = () => JSON.parse(screen.getByTestId('orchard').textContent) as ReturnType<typeof orchardBody>;

  it('guesses the weather from the latitude, and leaves what is typed over it alone', async () => {
    serve({ 'GET /api/typical-year': year });
    show(<Form start={emptyOrchard()} />);
    await userEvent.type(screen.getByLabelText('Latitude'), '36.7');
    await userEvent.tab();
    expect(await screen.findByText(/A guess from the latitude/)).toBeVisible();
    expect(body().typicalMonths).toEqual(year);
    expect(body().typicalMinimumC).toBe(new Date().getMonth());

    const lowest = screen.getByLabelText('Typical lowest of a day in bloom, °C');
    await userEvent.clear(lowest);
    await userEvent.type(lowest, '15');
    expect(body().typicalMonths).toEqual([]);
    expect(body().typicalMinimumC).toBe(15);
    expect(screen.queryByText(/A guess from the latitude/)).toBeNull();
    await userEvent.type(screen.getByLabelText('Latitude'), '1');
    await userEvent.tab();
    expect(body().typicalMinimumC).toBe(15);
  });

  it('takes the place from the device, and says why where it is not given', async () => {
    vi.stubGlobal('isSecureContext', true);
    serve({ 'GET /api/typical-year': year });
    let refuse = true;
    vi.stubGlobal('navigator', {
      ...navigator,
      geolocation: {
        getCurrentPosition: (found: PositionCallback, failed: PositionErrorCallback) =>
          refuse
            ? failed({ code: 1, PERMISSION_DENIED: 1 } as GeolocationPositionError)
            : found({ coords: { latitude: -35.30004, longitude: 173.91239 } } as GeolocationPosition),
      },
    });
    show(<Form start={emptyOrchard()} />);
    await userEvent.click(screen.getByText('Use this device’s place'));
    expect(await screen.findByText(/does not give its place/)).toBeVisible();
    refuse = false;
    await userEvent.click(screen.getByText('Use this device’s place'));
    await waitFor(() => expect(body()).toMatchObject({ latitude: -35.3, longitude: 173.9124 }));
    expect(await screen.findByText(/A guess from the latitude/)).toBeVisible();
  });
});
