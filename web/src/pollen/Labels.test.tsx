import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { lot, NOW } from '../test/samples';
import { refusal, serve, show, type Server } from '../test/screen';
import { Labels } from './Labels';

const lots = [lot({ code: 'LA-01', id: 'l1' }, '2026-11-25T08:00:00Z'), lot({ code: 'PR-02', id: 'l2' })];
const sheet = { pdf: btoa('%PDF-1.7'), firstPage: btoa('png'), labels: 5, shortened: [] };
const answers = (more: Server = {}): Server => ({
  'GET /api/lots': lots,
  'GET /api/printer': [],
  'POST /api/labels': sheet,
  ...more,
});

beforeEach(() => {
  vi.stubGlobal(
    'URL',
    Object.assign(URL, { createObjectURL: () => 'blob:sheet', revokeObjectURL: () => undefined }),
  );
});

describe('labels', () => {
  it('makes a sheet of the chosen jars and shows its first page', async () => {
    const sent = serve(answers());
    show(<Labels />);
    expect(await screen.findByText('Choose labels')).toBeVisible();
    expect(screen.getByText('Choose labels').closest('button')).toBeDisabled();
    await userEvent.type(screen.getByLabelText('Labels of LA-01'), '3');
    await userEvent.type(screen.getByLabelText('Labels of PR-02'), '2');
    await userEvent.click(screen.getByText('tag'));
    await userEvent.click(screen.getByText('Make 5 labels'));
    expect(await screen.findByAltText('The first page of the sheet')).toHaveAttribute(
      'src',
      `data:image/png;base64,${sheet.firstPage}`,
    );
    expect(screen.getByText('Save the PDF: 5 labels')).toHaveAttribute('href', 'blob:sheet');
    expect(sent[0]!.body).toEqual({
      grid: 'A4_3_BY_7',
      kind: 'TAG',
      lots: [
        { lotId: 'l1', copies: 3 },
        { lotId: 'l2', copies: 2 },
      ],
      skip: 0,
    });
  });

  it('begins with the jar one came from, and says which lines were shortened', async () => {
    serve(
      answers({
        'POST /api/labels': {
          ...sheet,
          labels: 1,
          shortened: [
            { code: 'PR-02', line: 'From the far tree beyond the ridge', printed: 'From the far tr…' },
            { code: 'PR-02', line: 'Use by 25 Nov 2026', printed: '' },
          ],
        },
      }),
    );
    show(<Labels />, { at: '/pollen/labels?lot=l2' });
    await userEvent.click(await screen.findByText('Make 1 label'));
    const told = await screen.findByRole('alert');
    expect(told).toHaveTextContent('From the far tree beyond the ridge → From the far tr…');
    expect(told).toHaveTextContent('Use by 25 Nov 2026 → left out');
  });

  it('puts a refusal beside its field and keeps what was chosen', async () => {
    serve(
      answers({
        'POST /api/labels': refusal(400, {
          errors: [{ field: 'skip', message: 'is 40; allowed is 0 to 20.' }],
        }),
      }),
    );
    show(<Labels />, { at: '/pollen/labels?lot=l1' });
    await userEvent.type(await screen.findByLabelText('Labels already used on it'), '40');
    await userEvent.click(screen.getByText('Make 1 label'));
    expect(await screen.findByText('Used labels is 40; allowed is 0 to 20.')).toBeVisible();
    expect(screen.getByLabelText('Labels of LA-01')).toHaveValue('1');
  });

  it('sends to the printer that ships and shows what came out', async () => {
    let out: unknown[] = [];
    const sent = serve(
      answers({
        'GET /api/printer': () => out,
        'POST /api/printer': () => {
          out = [{ at: NOW.toISOString(), png: btoa('one') }];
          return out;
        },
      }),
    );
    show(<Labels />, { at: '/pollen/labels?lot=l1' });
    expect(await screen.findByText(/A stand-in for a small label printer/)).toBeVisible();
    await userEvent.click(screen.getByText('Send to the label printer'));
    expect(await screen.findByAltText('label 1 that came out')).toBeVisible();
    expect(sent[0]!.path).toBe('/api/printer');
  });

  it('says what to do where there is no jar', async () => {
    serve(answers({ 'GET /api/lots': [] }));
    show(<Labels />);
    expect(await screen.findByText('No jar yet')).toBeVisible();
    await waitFor(() => expect(screen.queryByText(/^Make /)).toBeNull());
  });
});
