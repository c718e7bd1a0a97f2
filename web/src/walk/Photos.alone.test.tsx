import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, describe, expect, it, vi } from 'vitest';
import type { Schemas } from '../api/api';
import { serve, show } from '../test/screen';
import { Photos } from './Photos';
import { smaller, whereOneStands } from './smaller';

vi.mock('./smaller', () => ({ smaller: vi.fn(), whereOneStands: vi.fn() }));

const photo: Schemas['WalkPhoto'] = { id: 'f1', stop: 0, at: '2026-11-24T02:40:00Z', by: 'a', version: 2 };
const walk = (photos: Schemas['WalkPhoto'][] = []) => ({ id: 'w1', photos }) as unknown as Schemas['Walk'];
const file = new File(['x'], 'flower.jpg', { type: 'image/jpeg' });
const open = (keepPhotoPlace: boolean, of = walk()) => {
  const sent = serve({
    'GET /api/round-settings': { keepPhotoPlace },
    'PUT /api/walks/w1/photos/*': of,
    'POST /api/walks/w1/photos/f1/void': {},
  });
  show(<Photos walk={of} stop={0} tree="Pale Ridge 1" />);
  return sent;
};

afterEach(() => vi.clearAllMocks());

describe('pictures of a stop', () => {
  it('are sent without the place unless that is to be kept', async () => {
    vi.mocked(smaller).mockResolvedValue('anBlZw==');
    vi.mocked(whereOneStands).mockResolvedValue({ latitude: -35.3, longitude: 173.9 });
    const sent = open(false);
    await userEvent.upload(await screen.findByLabelText('Picture'), file);
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]!.body).toEqual({ stop: 0, at: '2026-11-24T02:40:00.000Z', data: 'anBlZw==' });
    expect(whereOneStands).not.toHaveBeenCalled();
  });

  it('carry it where the orchard wants it, and go without it where the device does not tell', async () => {
    vi.mocked(smaller).mockResolvedValue('anBlZw==');
    vi.mocked(whereOneStands).mockResolvedValueOnce({ latitude: -35.3, longitude: 173.9 });
    vi.mocked(whereOneStands).mockResolvedValueOnce({});
    const sent = open(true, walk([{ ...photo, latitude: -35.3, longitude: 173.9 }]));
    expect(await screen.findByText('-35.30000, 173.90000')).toBeVisible();
    await waitFor(async () => {
      await userEvent.upload(screen.getByLabelText('Picture'), file);
      expect(sent.at(-1)?.body).toMatchObject({ latitude: -35.3, longitude: 173.9 });
    });
    await userEvent.upload(screen.getByLabelText('Picture'), file);
    await waitFor(() => expect(sent.at(-1)!.body).not.toHaveProperty('latitude'));
  });

  it('say so where a file is no picture, and are taken back by their version', async () => {
    vi.mocked(smaller).mockRejectedValue(new Error('no picture'));
    const sent = open(false, walk([photo]));
    await userEvent.upload(await screen.findByLabelText('Picture'), file);
    expect(await screen.findByText('This file is no picture that can be read.')).toBeVisible();
    expect(sent).toHaveLength(0);
    await userEvent.click(screen.getByLabelText('Remove the picture'));
    await waitFor(() => expect(sent[0]!.body).toMatchObject({ version: 2 }));
  });
});
