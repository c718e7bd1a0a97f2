import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { serve, show } from '../test/screen';
import { Pictures } from './Pictures';
import { sendPictures, type Picture } from './pictures';
import { Thumbs } from './Thumbs';

const kept = vi.hoisted(() => vi.fn(() => Promise.resolve()));
vi.mock('../offline/outbox', async (original) => ({ ...(await original<object>()), keep: kept }));
vi.mock('../walk/smaller', () => ({
  smaller: (file: File) =>
    file.type === 'image/jpeg' ? Promise.resolve(btoa('small')) : Promise.reject(new Error('no picture')),
  whereOneStands: () => Promise.resolve({ latitude: -35.3, longitude: 173.9 }),
}));

const STAGES = [
  { key: 'parted', name: 'Tips parted' },
  { key: 'wide', name: 'Wide' },
];

function Holder({ stages, seen }: { stages: typeof STAGES; seen: (p: Picture[]) => void }) {
  const [pictures, setPictures] = useState<Picture[]>([]);
  seen(pictures);
  return <Pictures pictures={pictures} change={setPictures} tree="Lantern 1" stages={stages} />;
}

const choose = (type: string) =>
  userEvent.upload(screen.getByLabelText('Picture'), new File(['x'], 'x', { type }), { applyAccept: false });

describe('pictures of a record that is being written', () => {
  beforeEach(() => kept.mockClear());

  it('are made small, without the place where nobody wants it, of the stage that is said, and can be taken away', async () => {
    serve({ 'GET /api/round-settings': { keepPhotoPlace: false } });
    let now: Picture[] = [];
    show(<Holder stages={STAGES} seen={(p) => (now = p)} />);
    await choose('image/jpeg');
    await userEvent.selectOptions(await screen.findByLabelText('Stage it shows'), 'Wide');
    expect(now).toMatchObject([{ data: btoa('small'), stage: 'wide' }]);
    expect(now[0]).not.toHaveProperty('latitude');

    await userEvent.click(screen.getByLabelText('Remove the picture'));
    expect(now).toEqual([]);
    await choose('text/plain');
    expect(await screen.findByRole('alert')).toHaveTextContent('no picture');
  });

  it('are of the stage where only one was counted, and are sent after their record in their turn', async () => {
    serve({ 'GET /api/round-settings': { keepPhotoPlace: false } });
    let now: Picture[] = [];
    show(<Holder stages={STAGES.slice(0, 1)} seen={(p) => (now = p)} />);
    await choose('image/jpeg');
    await waitFor(() => expect(now).toHaveLength(1));
    sendPictures(now, {
      of: 'READING',
      id: 'r1',
      at: new Date('2026-11-24T02:40:00Z'),
      tree: 'Lantern 1',
      account: 'ines',
    });

    expect(kept).toHaveBeenCalledWith(
      expect.objectContaining({
        path: `/api/record-photos/${now[0]!.id}`,
        account: 'ines',
        body: {
          of: 'READING',
          recordId: 'r1',
          at: '2026-11-24T02:40:00.000Z',
          data: btoa('small'),
          stage: 'parted',
        },
      }),
    );
  });
});

describe('pictures in the story', () => {
  it('are shown large when pressed, and removed with a way back', async () => {
    const sent = serve({ 'POST /api/record-photos/*/void': {} });
    show(<Thumbs ids={['a', 'b']} alt="picture of Lantern 1" />);
    await userEvent.click(screen.getAllByLabelText('picture of Lantern 1, larger')[1]!);
    const large = await screen.findByRole('dialog');
    expect(within(large).getByRole('img')).toHaveAttribute('src', '/api/record-photos/b');
    await userEvent.click(within(large).getByText('Remove'));

    await waitFor(() => expect(sent[0]).toMatchObject({ path: '/api/record-photos/b/void' }));
  });
});
