import { Modal, Select } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState, type ReactNode } from 'react';
import type { Schemas } from '../api/api';
import { queries } from '../api/queries';
import { NumbersField } from '../form/fields';
import { NoteField } from '../form/NoteField';
import { RecordForm } from '../form/RecordForm';
import { DateField, TimeField } from '../form/TimeField';
import { useSubmit, type Submit } from '../form/use-submit';
import { fromWallTime, wallTime } from '../format/time';
import { useHere } from '../ui/orchard-context';
import { sayDone } from '../ui/undo';
import type { Line } from './queries';
import { nounOf } from './story-words';

export interface CorrectProps {
  line: Line;
  sheet: Schemas['CropSheetView'] | undefined;
  close: () => void;
}

/** A correction that is being written: when, what was noted, and the sending of both. */
export interface Correction {
  line: Line;
  close: () => void;
  form: Submit<void>;
  at: Date;
  setAt: (at: Date) => void;
  /** What the time is called in the record. */
  field: string;
  /** Whether it is of a day, not of an hour. */
  byDay: boolean;
  note: string;
  setNote: (note: string) => void;
}

/** @param when the moment, or the day where the field is called `on` */
type Send = (when: string, note: string, confirmed: string[]) => Promise<unknown>;

/** @param field what the time is called in the record; `on` is a day */
export function useCorrection(
  { line, close }: CorrectProps,
  field: string,
  fields: string[],
  send: Send,
): Correction {
  const { zone } = useHere();
  const [at, setAt] = useState(() => new Date(line.at));
  const [note, setNote] = useState(line.note);
  const byDay = field === 'on';
  const form = useSubmit<void, unknown>(
    (_, confirmed) => send(byDay ? wallTime(at, zone).slice(0, 10) : at.toISOString(), note, confirmed),
    [field, 'note', ...fields],
    () => {
      sayDone(`The ${nounOf(line.kind)} was corrected.`);
      close();
    },
  );
  return { line, close, form, at, setAt, field, byDay, note, setNote };
}

/** Parts of the frame that a record does not have. */
interface Without {
  noteless?: boolean;
  timeless?: boolean;
}

function When({ of: { at, setAt, form, field, byDay } }: { of: Correction }) {
  const { zone } = useHere();
  return byDay ? (
    <DateField
      label="On"
      value={wallTime(at, zone).slice(0, 10)}
      onChange={(day) => setAt(fromWallTime(`${day}T12:00`, zone))}
      error={form.errorFor(field, 'Day')}
    />
  ) : (
    <TimeField label="When" value={at} onChange={setAt} error={form.errorFor(field, 'Time')} />
  );
}

/** The dialog in which a record is put right. */
export function Frame({
  of,
  noteless,
  timeless,
  children,
}: { of: Correction; children: ReactNode } & Without) {
  const { line, close, form } = of;
  return (
    <Modal
      opened
      onClose={close}
      title={`Correct this ${nounOf(line.kind)}${line.tree ? ` of ${line.tree}` : ''}`}
    >
      <RecordForm form={form} save="Save the correction" cancel={close}>
        {children}
        {!timeless && <When of={of} />}
        {!noteless && (
          <NoteField value={of.note} onChange={of.setNote} error={form.errorFor('note', 'Note')} />
        )}
      </RecordForm>
    </Modal>
  );
}

export function TreeField({
  line,
  form,
  value,
  set,
}: {
  line: Line;
  form: Submit<void>;
  value: string;
  set: (id: string) => void;
}) {
  const { data: trees = [] } = useQuery(queries.trees());
  return (
    <Select
      label="Tree"
      searchable
      data={trees.filter((t) => t.crop === line.crop).map((t) => ({ value: t.id, label: t.name }))}
      value={value}
      onChange={(t) => set(t ?? value)}
      allowDeselect={false}
      error={form.errorFor('treeId', 'Tree')}
    />
  );
}

export const whole = (value: number | string): number => (value === '' ? 0 : Number(value));

export type Typed = Record<string, number | string>;

/** Numbers beside each other, by what they are called. */
export function Numbers({
  names,
  values,
  change,
}: {
  names: [string, string][];
  values: Typed;
  change: (values: Typed) => void;
}) {
  return (
    <div
      className="form"
      style={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fill, minmax(130px, 1fr))', gap: 12 }}
    >
      <NumbersField
        of={values}
        set={change}
        fields={Object.fromEntries(names.map(([key, label]) => [key, { label, min: 0 }]))}
      />
    </div>
  );
}
