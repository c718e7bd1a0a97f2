import { Button, NumberInput, TextInput } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas } from '../api/api';
import { newId } from '../api/ids';
import { basisWord } from '../format/numbers';
import { useHere } from '../ui/orchard-context';
import { useMay } from '../ui/roles';
import { queries } from '../api/queries';
import { dayAndClock, plural } from '../format/time';
import { useSubmit } from '../form/use-submit';
import classes from './Crop.module.css';
import { numberName } from './number-names';
import { Problem } from '../ui/States';

type Sheet = Schemas['CropSheetView'];
type Own = Schemas['CropNumber'];

/** Own numbers now: those that stay, and those that were typed. */
export function wanted(sheet: Sheet, typed: Record<string, number | string>): Record<string, number> {
  const kept = sheet.numbers.filter((n) => n.basis === 'OWN').map((n): [string, number] => [n.path, n.value]);
  const all = new Map(kept);
  for (const [path, value] of Object.entries(typed)) {
    const shipped = sheet.numbers.find((n) => n.path === path)!.shipped.value;
    if (value === '' || Number(value) === shipped) all.delete(path);
    else all.set(path, Number(value));
  }
  return Object.fromEntries(all);
}

function Field({
  sheet,
  number,
  typed,
  type,
  error,
}: {
  sheet: Sheet;
  number: Own;
  typed: number | string | undefined;
  type: (v: number | string) => void;
  error: string | undefined;
}) {
  const shipped = `shipped: ${number.shipped.value}, ${basisWord(number.shipped.basis, number.shipped.source)}`;
  return (
    <NumberInput
      label={numberName(sheet, number.path)}
      description={number.basis === 'OWN' ? `your own; ${shipped}` : shipped}
      value={typed ?? number.value}
      onChange={type}
      error={error}
      hideControls
    />
  );
}

/** The orchard's own numbers on a sheet: changed, kept with their history, and back to as shipped in one click. */
export function OwnNumbers({ sheet }: { sheet: Sheet }) {
  const { zone } = useHere();
  const history = useQuery(queries.ownSheet(sheet.crop));
  const [open, setOpen] = useState(false);
  const [find, setFind] = useState('');
  const [typed, setTyped] = useState<Record<string, number | string>>({});
  const [note, setNote] = useState('');
  const changed = sheet.numbers.filter((n) => n.basis === 'OWN');
  const form = useSubmit<Record<string, number>, unknown>(
    (numbers) =>
      answer(
        api.PUT('/api/own-sheets/{id}', {
          params: { path: { id: newId() } },
          body: { crop: sheet.crop, numbers, note },
        }),
      ),
    sheet.numbers.map((n) => n.path),
    () => {
      setTyped({});
      setNote('');
      setOpen(false);
    },
  );
  const manages = useMay('MANAGE');
  const shown = sheet.numbers.filter((n) =>
    numberName(sheet, n.path).toLowerCase().includes(find.trim().toLowerCase()),
  );
  return (
    <section className="card stack">
      <header style={{ marginBottom: 0 }}>
        <h2>Your own numbers</h2>
        <span className="soft">
          {changed.length === 0
            ? 'The sheet is as shipped.'
            : `${plural(changed.length, 'number')} changed: ${changed.map((n) => `${numberName(sheet, n.path)} ${n.value} (shipped ${n.shipped.value})`).join('; ')}.`}
        </span>
      </header>
      {manages ? (
        <div className="line">
          <Button variant="outline" onClick={() => setOpen((o) => !o)} aria-expanded={open}>
            {open ? 'Leave them' : 'Change numbers for this orchard'}
          </Button>
          {changed.length > 0 && (
            <Button variant="outline" color="red.9" loading={form.busy} onClick={() => form.submit({})}>
              Back to as shipped
            </Button>
          )}
        </div>
      ) : (
        <p className="small soft">An owner or a manager can change them.</p>
      )}
      {open && (
        <>
          <TextInput
            aria-label="Find a number"
            placeholder="find a number: hours, doses, temperature…"
            value={find}
            onChange={(e) => setFind(e.currentTarget.value)}
            style={{ maxWidth: 420 }}
          />
          <div className={classes.numbers}>
            {shown.map((n) => (
              <Field
                key={n.path}
                sheet={sheet}
                number={n}
                typed={typed[n.path]}
                type={(v) => setTyped((t) => ({ ...t, [n.path]: v }))}
                error={form.errorFor(n.path, 'It')}
              />
            ))}
          </div>
          <TextInput
            label="Why? (kept in the history)"
            value={note}
            onChange={(e) => setNote(e.currentTarget.value)}
          />
          <div>
            <Button
              disabled={Object.keys(typed).length === 0}
              loading={form.busy}
              onClick={() => form.submit(wanted(sheet, typed))}
            >
              Use these numbers
            </Button>
          </div>
        </>
      )}
      <Problem>{form.general}</Problem>
      {(history.data?.length ?? 0) > 0 && (
        <details>
          <summary className="small">History</summary>
          <ul className="small">
            {history.data!.map((h) => (
              <li key={h.id}>
                {dayAndClock(new Date(h.recordedAt), zone)}:{' '}
                {Object.keys(h.numbers).length === 0
                  ? 'as shipped'
                  : Object.entries(h.numbers)
                      .map(([path, value]) => `${numberName(sheet, path)} ${value}`)
                      .join('; ')}
                {h.note && ` (${h.note})`}
              </li>
            ))}
          </ul>
        </details>
      )}
    </section>
  );
}
