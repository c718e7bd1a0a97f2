import { act, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import type { Schemas } from '../api/api';
import { refusal, serve, show } from '../test/screen';
import { Import } from './Import';
import { LargeFile } from './LargeFile';

const column = (key: string, needed: boolean): Schemas['ImportColumn'] => ({
  key,
  field: key,
  holds: 'TEXT',
  needed,
  about: `The ${key}.`,
  names: [],
});

const view = (part: Partial<Schemas['ImportView']>): Schemas['ImportView'] => ({
  head: ['Name', 'Cultivar', 'Old code'],
  columns: { name: 0, variety: 1 },
  sample: [['L1', 'Lantern', 'x']],
  lines: 3,
  written: 3,
  already: 0,
  changed: 0,
  changes: [],
  problems: [],
  problemLines: 0,
  questions: [],
  imported: false,
  ...part,
});

const KINDS = {
  'GET /api/imports/kinds': [
    { key: 'varieties', columns: [column('name', true)] },
    { key: 'trees', columns: [column('name', true), column('variety', true), column('block', false)] },
  ],
  'GET /api/imports': [],
};

async function choose(answers: object) {
  const sent = serve({ ...KINDS, ...answers });
  show(<Import />, { at: '/orchard/import?kind=trees', route: '/orchard/import' });
  await screen.findByText('Choose a file');
  await userEvent.upload(
    document.querySelector<HTMLInputElement>('input[type=file]')!,
    new File(['Name,Cultivar\nL1,Lantern\n'], 'trees.csv', { type: 'text/csv' }),
  );
  return sent;
}

describe('a file of records', () => {
  it('is looked through before anything is written, then imported as it was seen', async () => {
    const sent = await choose({
      'POST /api/imports/look': view({}),
      'PUT /api/imports/*': view({ imported: true }),
    });
    expect(await screen.findByText('3 lines: 3 new')).toBeVisible();
    expect(screen.getByText(/2 of 3 are read \(not Old code\)/)).toBeVisible();
    const look = sent.at(-1)!.body as Schemas['FileImportRequest'];
    expect(look.kind).toBe('trees');
    expect(atob(look.data)).toBe('Name,Cultivar\nL1,Lantern\n');
    await userEvent.click(screen.getByText('Import trees'));
    expect(await screen.findByText(/Imported: 3 new/)).toBeVisible();
    expect(sent.some((s) => s.method === 'PUT')).toBe(true);
  });

  it('shows what is wrong by line, takes the right value in place and checks again', async () => {
    let asked = 0;
    const sent = await choose({
      'POST /api/imports/look': () =>
        asked++ === 0
          ? view({
              written: 2,
              problemLines: 1,
              problems: [{ line: 3, column: 'variety', value: 'Lantren', message: "is 'Lantren'." }],
            })
          : view({}),
    });
    const cell = await screen.findByLabelText('Line 3, variety');
    expect(cell).toHaveValue('Lantren');
    expect(screen.getByText('Import trees').closest('button')).toBeDisabled();
    await userEvent.clear(cell);
    await userEvent.type(cell, 'Lantern');
    await userEvent.click(screen.getByText('Check again'));
    expect(await screen.findByText('3 lines: 3 new')).toBeVisible();
    expect((sent.at(-1)!.body as Schemas['FileImportRequest']).fixes).toEqual([
      { line: 3, column: 'variety', value: 'Lantern' },
    ]);
  });

  it('asks once what a date means, and shows what would change before it does', async () => {
    const sent = await choose({
      'POST /api/imports/look': (s: { body: Schemas['FileImportRequest'] }) =>
        view(
          s.body.dateOrder
            ? {
                written: 2,
                changed: 1,
                changes: [{ line: 2, field: 'block', before: 'North', after: 'South' }],
                questions: s.body.confirmed ? [] : [{ key: 'changes', text: '', lines: 1 }],
              }
            : { written: 0, questions: [{ key: 'date-order', text: '', lines: 3 }] },
        ),
    });
    await userEvent.click(await screen.findByLabelText('The day: 3/4 is 3 April'));
    const row = (await screen.findByText('South')).closest('tr')!;
    expect(within(row).getByText('North')).toBeVisible();
    expect(screen.getByText('Import trees').closest('button')).toBeDisabled();
    await userEvent.click(screen.getByText('Take the values of the file'));
    expect(await screen.findByText('3 lines: 2 new, 1 different here')).toBeVisible();
    expect(sent.at(-1)!.body).toMatchObject({ dateOrder: 'DAY_FIRST', confirmed: ['changes'] });
    expect(screen.getByText('Import trees').closest('button')).toBeEnabled();
  });

  it('lets a column be chosen by hand, and says in plain words what is no file', async () => {
    const sent = await choose({
      'POST /api/imports/look': (s: { body: Schemas['FileImportRequest'] }) =>
        s.body.columns
          ? refusal(400, { errors: [{ field: 'file', message: 'is not UTF-8 in line 2.' }] })
          : view({
              columns: { name: 0 },
              written: 0,
              problemLines: 1,
              problems: [{ line: 1, column: 'variety', value: '', message: 'is in no column.' }],
            }),
    });
    await userEvent.click(await screen.findByLabelText('variety', { exact: false, selector: 'input' }));
    await userEvent.click(await screen.findByRole('option', { name: 'Cultivar' }));
    expect(await screen.findByText(/The file is not UTF-8 in line 2/)).toBeVisible();
    expect((sent.at(-1)!.body as Schemas['FileImportRequest']).columns).toEqual({ name: 0, variety: 1 });
  });

  it('leaves lines of a logger out that cannot be read, only when told to', async () => {
    const sent = await choose({
      'POST /api/imports/look': (s: { body: Record<string, unknown> }) =>
        view({
          lines: 3,
          written: 2,
          problems: [{ line: 4, column: 'name', value: '---', message: 'is no number.' }],
          problemLines: 1,
          questions: s.body.confirmed ? [] : [{ key: 'leave-out', text: '', lines: 1 }],
        }),
      'PUT /api/imports/*': view({ imported: true, lines: 3, written: 2 }),
    });
    const button = await screen.findByRole('button', { name: 'Import trees' });
    expect(button).toBeDisabled();
    await userEvent.click(screen.getByRole('button', { name: 'Leave out 1 line' }));
    await waitFor(() => expect(screen.getByRole('button', { name: 'Import trees' })).toBeEnabled());
    await userEvent.click(screen.getByRole('button', { name: 'Import trees' }));

    expect(await screen.findByText(/^Imported:/)).toBeVisible();
    expect(sent.at(-1)!.body.confirmed).toEqual(['leave-out']);
  });

  it('is undone as a whole after a question', async () => {
    const sent = serve({
      ...KINDS,
      'GET /api/imports': [
        {
          id: 'i1',
          kind: 'trees',
          fileName: 'trees.csv',
          at: '2026-11-24T02:00:00Z',
          by: 'Ines',
          lines: 5,
          written: 3,
          changed: 1,
          version: 0,
        },
      ],
      'POST /api/imports/i1/void': {},
    });
    show(<Import />, { at: '/orchard/import', route: '/orchard/import' });
    expect(await screen.findByText('3 written, 1 changed, 1 were there')).toBeVisible();
    await userEvent.click(screen.getByText('Undo'));
    expect(
      await screen.findByText(/3 records it wrote are removed, 1 record it changed is put back/),
    ).toBeVisible();
    await userEvent.click(screen.getByText('Undo the import'));
    expect(sent.find((s) => s.path === '/api/imports/i1/void')?.body).toMatchObject({ version: 0 });
  });
});

/** Stands in for a request that tells how far it has come; the test says when what happens. */
class SlowRequest {
  static all: SlowRequest[] = [];
  upload: { onprogress?: (e: object) => void } = {};
  head: Record<string, string> = {};
  to = '';
  body?: File;
  status = 0;
  response: unknown;
  onload = () => {};
  onerror = () => {};
  onabort = () => {};
  constructor() {
    SlowRequest.all.push(this);
  }
  open = (_: string, to: string) => (this.to = to);
  setRequestHeader = (name: string, value: string) => (this.head[name] = value);
  send = (body: File) => (this.body = body);
  abort = () => this.onabort();
  sent = (loaded: number, total: number) =>
    act(() => this.upload.onprogress!({ lengthComputable: true, loaded, total }));
  answer = (status: number, response: unknown) =>
    act(() => {
      Object.assign(this, { status, response });
      this.onload();
    });
}

describe('pollinations by the million', () => {
  const bring = async () => {
    await userEvent.click(screen.getByText('Import the file'));
    return SlowRequest.all.at(-1)!;
  };
  const choose = async () => {
    serve({});
    SlowRequest.all = [];
    vi.stubGlobal('XMLHttpRequest', SlowRequest);
    show(<LargeFile kind="many-pollinations" />);
    await userEvent.upload(
      document.querySelector<HTMLInputElement>('input[type=file]')!,
      new File(['ref\n'], 'a.csv', { type: 'text/csv' }),
    );
  };

  it('sends the file as it is, and tells what is wrong line by line', async () => {
    await choose();
    const first = await bring();
    expect(first.to).toBe('/api/records/pollinations');
    expect(first.head['Content-Type']).toBe('text/csv');
    expect(first.body!.name).toBe('a.csv');
    first.answer(400, {
      errors: [
        {
          field: 'csv',
          message:
            "was not imported, as it is wrong in 2 lines. line 2: no tree is called 'X'; line 3: jar is missing.",
        },
      ],
    });
    expect(await screen.findByText(/wrong in 2 lines/)).toBeVisible();
    expect(screen.getAllByRole('listitem').map((l) => l.textContent)).toEqual([
      "line 2: no tree is called 'X'",
      'line 3: jar is missing.',
    ]);
    (await bring()).answer(200, { lines: 3, written: 2, already: 1 });
    expect(await screen.findByText(/2 records written down, 1 were there before/)).toBeVisible();
  });

  it('tells how far it has come, and can be cancelled while it is on its way', async () => {
    await choose();
    const first = await bring();
    first.sent(30, 120);
    expect(await screen.findByText(/25 % of the file sent/)).toBeVisible();
    await userEvent.click(screen.getByText('Cancel'));
    expect(await screen.findByText('Cancelled; nothing was imported.')).toBeVisible();
    const second = await bring();
    second.sent(120, 120);
    expect(await screen.findByText(/now it is checked/)).toBeVisible();
    expect(screen.queryByText('Cancel'), 'what is being written down is not stopped').toBeNull();
    act(() => second.onerror());
    expect(await screen.findByText(/cannot be reached/)).toBeVisible();
  });
});
