import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import type { Schemas } from '../api/api';
import { refusal, serve, show } from '../test/screen';
import { Permits } from './Permits';

const permit: Schemas['Permit'] = {
  id: 'p1',
  number: '2026-114',
  authority: 'Plant Office',
  scopes: ['POLLEN_IN'],
  validFrom: '2026-01-01',
  validUntil: '2026-12-02',
  conditions: 'No more than 10 g a year.',
  version: 3,
};
const missing: Schemas['PermitNotice'] = {
  scope: 'FLOWERS',
  crops: ['Rare tree'],
  state: 'MISSING',
};
const crops = [{ key: 'rare', name: 'Rare tree' }];

describe('permits', () => {
  it('says what is not covered and records a permit without an end for every crop', async () => {
    const sent = serve({
      'GET /api/permits': { permits: [], notices: [missing], crops },
      'PUT /api/permits/*': permit,
    });
    show(<Permits />);
    expect(await screen.findByText(/Rare tree: no permit for work on its flowers is recorded/)).toBeVisible();
    await userEvent.click(screen.getByText('Record a permit'));
    await userEvent.type(await screen.findByLabelText('Number'), '7');
    await userEvent.type(screen.getByLabelText('Authority'), 'Plant Office');
    await userEvent.click(screen.getByLabelText(/Work on the flowers/));
    await userEvent.click(screen.getByText('Save'));

    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]!.body).toEqual({
      number: '7',
      authority: 'Plant Office',
      scopes: ['FLOWERS'],
      validFrom: '2026-11-24',
      conditions: '',
    });
  });

  it('corrects one by the version that was seen, and keeps what was typed when that is refused', async () => {
    const sent = serve({
      'GET /api/permits': { permits: [permit], notices: [], crops },
      'PUT /api/permits/*': refusal(400, {
        errors: [{ field: 'validUntil', message: 'is 2025-01-01, before the permit begins on 2026-01-01.' }],
      }),
    });
    show(<Permits />);
    const card = (await screen.findByText('2026-114')).closest('article')!;
    expect(within(card).getByText(/1 Jan 2026 to 2 Dec 2026/)).toBeVisible();
    await userEvent.click(within(card).getByText('Change'));
    await userEvent.type(screen.getByLabelText('Conditions'), ' Ask anew.');
    await userEvent.click(screen.getByText('Save'));

    expect(await screen.findByText(/before the permit begins/)).toBeVisible();
    expect(sent[0]!.body).toMatchObject({ version: 3, conditions: 'No more than 10 g a year. Ask anew.' });
    expect(screen.getByLabelText('Number')).toHaveValue('2026-114');
  });

  it('takes a PDF as its paper', async () => {
    const sent = serve({
      'GET /api/permits': { permits: [permit], notices: [], crops },
      'PUT /api/permits/*/paper': { ...permit, fileName: 'front.pdf' },
    });
    show(<Permits />);
    const card = (await screen.findByText('2026-114')).closest('article')!;
    await userEvent.upload(
      card.querySelector<HTMLInputElement>('input[type=file]')!,
      new File(['%PDF-1.7'], 'front.pdf', { type: 'application/pdf' }),
    );

    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]!.body).toEqual({ name: 'front.pdf', data: btoa('%PDF-1.7'), version: 3 });
  });
});
