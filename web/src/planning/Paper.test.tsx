import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import type { Schemas } from '../api/api';
import { NOW, roundStop } from '../test/samples';
import { refusal, serve, sheet, show } from '../test/screen';
import { CalendarCard } from './CalendarCard';
import { Paper } from './Paper';
import { Photos } from '../walk/Photos';
import { Round } from './Round';

const walk = (more: Partial<Schemas['Walk']> = {}): Schemas['Walk'] => ({
  id: 'w1',
  plannedFor: NOW.toISOString(),
  startedAt: NOW.toISOString(),
  collects: [],
  replaced: [],
  stale: false,
  stops: [roundStop('Pale Ridge 1', 'LA-02'), roundStop('Lantern 1', 'PR-02')],
  cautions: [],
  done: [],
  steps: [],
  words: [],
  photos: [],
  version: 0,
  ...more,
});

describe('a round on paper', () => {
  const open = () => show(<Paper />, { at: '/round/paper/w1', route: '/round/paper/:walk' });

  it('leads to the page to print and takes down what was written on it, line by line', async () => {
    let done: Schemas['PollinationView'][] = [];
    const sent = serve({
      'GET /api/walks/*': () => walk({ done }),
      'PUT /api/pollinations/*': () => {
        done = [{ stop: 0, flowers: 5 } as Schemas['PollinationView']];
        return done[0];
      },
    });
    open();
    expect((await screen.findByText('Open the page to print')).closest('a')).toHaveAttribute(
      'href',
      '/api/walks/w1/paper',
    );
    await userEvent.type(screen.getByLabelText('Flowers done at stop 1, Pale Ridge 1'), '5{Enter}');
    const row = screen.getByLabelText('Flowers done at stop 1, Pale Ridge 1').closest('tr')!;
    await waitFor(() => expect(row.children[4]).toHaveTextContent('5'));
    expect(sent[0]!.body).toMatchObject({
      treeId: 'Pale Ridge 1',
      lotId: 'LA-02',
      flowers: 5,
      walkId: 'w1',
      stop: 0,
    });
    expect(screen.getByLabelText('Flowers done at stop 1, Pale Ridge 1')).toHaveValue('');
  });

  it('puts a refusal beside the line and keeps the number', async () => {
    serve({
      'GET /api/lots': [],
      'GET /api/walks/*': walk(),
      'PUT /api/pollinations/*': refusal(400, {
        errors: [{ field: 'flowers', message: 'need 50 doses, but only 10 left in PR-02.' }],
      }),
    });
    open();
    await userEvent.type(await screen.findByLabelText('Flowers done at stop 2, Lantern 1'), '50{Enter}');
    expect(await screen.findByText(/only 10 left in PR-02/)).toBeVisible();
    expect(screen.getByLabelText('Flowers done at stop 2, Lantern 1')).toHaveValue('50');
  });
});

describe('a walk that nobody ended', () => {
  const round: Schemas['Round'] = {
    at: NOW.toISOString(),
    collect: [],
    stops: [roundStop('Pale Ridge 1', 'LA-02')],
    kept: [],
    left: [],
    waiting: [],
    done: [],
    value: 1,
    proven: true,
    cautions: [],
  };

  it('can be taken up, typed in or ended', async () => {
    let open = [{ id: 'w1', startedAt: NOW.toISOString(), stops: 4, flowersDone: 3, flowersPlanned: 12 }];
    const sent = serve({
      'GET /api/round': round,
      'GET /api/crops': [sheet],
      'GET /api/walks': () => open,
      'POST /api/walks/w1/close': () => {
        open = [];
        return walk();
      },
    });
    show(<Round />, { at: '/round' });
    expect(await screen.findByText(/3 of 12 flowers done, 4 stops/)).toBeVisible();
    expect(screen.getByText('Walk on').closest('a')).toHaveAttribute('href', '/round/walk/w1');
    expect(screen.getByText('Type it in').closest('a')).toHaveAttribute('href', '/round/paper/w1');
    await userEvent.click(screen.getByText('End it'));
    await waitFor(() => expect(screen.queryByText(/is not ended/)).toBeNull());
    expect(sent[0]!.path).toBe('/api/walks/w1/close');
  });

  it.each([
    ['Start walking', '/round/walk/w9'],
    ['On paper', '/round/paper/w9'],
  ])('%s begins one and goes there', async (button, address) => {
    const sent = serve({
      'GET /api/round': round,
      'GET /api/crops': [sheet],
      'GET /api/walks': [],
      'PUT /api/walks/*': walk({ id: 'w9' }),
    });
    show(<Round />, { at: '/round' });
    await userEvent.click(await screen.findByText(button));
    await waitFor(() => expect(screen.getByTestId('address')).toHaveTextContent(address));
    expect(sent[0]!.body).toEqual({});
  });
});

describe('the calendar', () => {
  it('tells a secret address once and can be stopped', async () => {
    let feeds: Schemas['CalendarFeed'][] = [];
    const sent = serve({
      'GET /api/calendars': () => feeds,
      'PUT /api/calendars/*': () => {
        feeds = [{ id: 'c', name: 'my phone', version: 0 }];
        return { ...feeds[0], path: '/api/feeds/secret.ics' };
      },
      'POST /api/calendars/c/void': () => {
        feeds = [];
        return undefined;
      },
    });
    show(<CalendarCard />);
    await userEvent.type(screen.getByLabelText('A name to know it by'), 'my phone');
    await userEvent.click(screen.getByText('Make an address'));
    expect(await screen.findByText(/\/api\/feeds\/secret\.ics$/)).toBeVisible();
    await userEvent.click(await screen.findByText('Stop it'));
    await waitFor(() => expect(screen.queryByText(/secret\.ics/)).toBeNull());
    expect(sent.map((s) => s.path.replace(/[0-9a-f-]{36}/, '*'))).toEqual([
      '/api/calendars/*',
      '/api/calendars/c/void',
    ]);
  });
});

describe('pictures of a stop', () => {
  it('are made smaller here, sent, shown, and can be removed', async () => {
    vi.stubGlobal('createImageBitmap', () =>
      Promise.resolve({ width: 3200, height: 1600, close: () => undefined }),
    );
    const sizes: number[][] = [];
    vi.spyOn(HTMLCanvasElement.prototype, 'getContext').mockImplementation(function (
      this: HTMLCanvasElement,
    ) {
      return { drawImage: () => sizes.push([this.width, this.height]) } as unknown as null;
    });
    vi.spyOn(HTMLCanvasElement.prototype, 'toDataURL').mockReturnValue('data:image/jpeg;base64,AAAA');
    const sent = serve({
      'PUT /api/walks/w1/photos/*': walk(),
      'POST /api/walks/w1/photos/p/void': undefined,
    });
    show(
      <Photos
        walk={walk({ photos: [{ id: 'p', stop: 0, at: NOW.toISOString(), by: 'a', version: 0 }] })}
        stop={0}
        tree="Pale Ridge 1"
      />,
    );
    expect(screen.getByAltText('Pale Ridge 1, photographed on the walk')).toHaveAttribute(
      'src',
      '/api/walks/w1/photos/p',
    );
    const chooser = document.querySelector<HTMLInputElement>('input[type=file]')!;
    await userEvent.upload(chooser, new File(['x'], 'flower.jpg', { type: 'image/jpeg' }));
    await waitFor(() => expect(sent[0]?.body).toMatchObject({ stop: 0, data: 'AAAA' }));
    expect(sizes).toEqual([[1600, 800]]);
    await userEvent.click(screen.getByLabelText('Remove the picture'));
    await waitFor(() => expect(sent.at(-1)!.path).toBe('/api/walks/w1/photos/p/void'));
    vi.restoreAllMocks();
    vi.unstubAllGlobals();
  });

  it('say so when a file is no picture', async () => {
    vi.stubGlobal('createImageBitmap', () => Promise.reject(new Error('no')));
    serve({});
    show(<Photos walk={walk()} stop={0} tree="Pale Ridge 1" />);
    const chooser = document.querySelector<HTMLInputElement>('input[type=file]')!;
    await userEvent.upload(chooser, new File(['x'], 'note.jpg', { type: 'image/jpeg' }));
    expect(await screen.findByText('This file is no picture that can be read.')).toBeVisible();
    vi.unstubAllGlobals();
  });
});
