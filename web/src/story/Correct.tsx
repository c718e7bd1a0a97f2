import { Modal, Select, TextInput } from '@mantine/core';
import { NumberField, NumbersField } from '../form/fields';
import { NoteField } from '../form/NoteField';
import { useQuery } from '@tanstack/react-query';
import { useState, type ReactNode } from 'react';
import { answer, api, type Schemas } from '../api/api';
import { queries } from '../api/queries';
import { RecordForm } from '../form/RecordForm';
import { TimeField } from '../form/TimeField';
import { useSubmit, type Submit } from '../form/use-submit';
import { sayDone } from '../ui/undo';
import type { Line } from './queries';
import { countsOf, nounOf, number, said } from './story-words';

interface Props {
  line: Line;
  sheet: Schemas['CropSheetView'] | undefined;
  close: () => void;
}

/** Kinds whose numbers are corrected here. */
export const CORRECTED = new Set(['reading', 'pollination', 'check', 'limb-count', 'jar']);

/** A correction that is being written: when, what was noted, and the sending of both. */
interface Correction {
  line: Line;
  close: () => void;
  form: Submit<void>;
  at: Date;
  setAt: (at: Date) => void;
  /** What the time is called in the record. */
  field: string;
  note: string;
  setNote: (note: string) => void;
}

type Send = (at: string, note: string, confirmed: string[]) => Promise<unknown>;

function useCorrection({ line, close }: Props, field: string, fields: string[], send: Send): Correction {
  const [at, setAt] = useState(() => new Date(line.at));
  const [note, setNote] = useState(line.note);
  const form = useSubmit<void, unknown>(
    (_, confirmed) => send(at.toISOString(), note, confirmed),
    [field, 'note', ...fields],
    () => {
      sayDone(`The ${nounOf(line.kind)} was corrected.`);
      close();
    },
  );
  return { line, close, form, at, setAt, field, note, setNote };
}

function Frame({ of, noteless, children }: { of: Correction; noteless?: boolean; children: ReactNode }) {
  const { line, close, form } = of;
  return (
    <Modal
      opened
      onClose={close}
      title={`Correct this ${nounOf(line.kind)}${line.tree ? ` of ${line.tree}` : ''}`}
    >
      <RecordForm form={form} save="Save the correction" cancel={close}>
        {children}
        <TimeField label="When" value={of.at} onChange={of.setAt} error={form.errorFor(of.field, 'Time')} />
        {!noteless && (
          <NoteField value={of.note} onChange={of.setNote} error={form.errorFor('note', 'Note')} />
        )}
      </RecordForm>
    </Modal>
  );
}

function TreeField({
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

const whole = (value: number | string): number => (value === '' ? 0 : Number(value));

type Typed = Record<string, number | string>;

function Numbers({
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

function Reading(props: Props) {
  const { line, sheet } = props;
  const [counts, setCounts] = useState<Typed>(() => countsOf(line));
  const [treeId, setTree] = useState(line.treeId!);
  const stages = sheet?.stages ?? [];
  const of = useCorrection(props, 'takenAt', ['treeId', ...stages.map((s) => s.key)], (takenAt, note) =>
    answer(
      api.PUT('/api/readings/{id}', {
        params: { path: { id: line.id }, query: { version: line.version } },
        body: {
          treeId,
          takenAt,
          counts: Object.fromEntries(Object.entries(counts).map(([stage, n]) => [stage, whole(n)])),
          note,
          limb: said(line, 'limb'),
          share: number(line, 'share'),
        },
      }),
    ),
  );
  return (
    <Frame of={of}>
      <TreeField line={line} form={of.form} value={treeId} set={setTree} />
      <Numbers names={stages.map((s) => [s.key, s.name])} values={counts} change={setCounts} />
    </Frame>
  );
}

interface PollinationDraft {
  treeId: string;
  lotId: string | undefined;
  flowers: number | string;
  mark: string;
  colour: string;
  tag: string;
}

function usePollination(props: Props) {
  const { line } = props;
  const [draft, setDraft] = useState<PollinationDraft>(() => ({
    treeId: line.treeId!,
    lotId: line.lotId,
    flowers: number(line, 'flowers') ?? 1,
    mark: said(line, 'mark') ?? '',
    colour: said(line, 'colour') ?? '',
    tag: said(line, 'tag') ?? '',
  }));
  const how = {
    treatment: said(line, 'treatment'),
    stage: said(line, 'stage'),
    strokes: said(line, 'strokes'),
    tool: said(line, 'tool'),
    limb: said(line, 'limb'),
  } as Schemas['PollinationHow'];
  const of = useCorrection(props, 'doneAt', Object.keys(draft), (doneAt) =>
    answer(
      api.PUT('/api/pollinations/{id}', {
        params: { path: { id: line.id }, query: { version: line.version } },
        body: {
          ...draft,
          flowers: whole(draft.flowers),
          doneAt,
          how,
          crossId: line.crossId,
          again: line.what.again === true,
        },
      }),
    ),
  );
  const set = (part: Partial<typeof draft>) => setDraft((d) => ({ ...d, ...part }));
  return { of, draft, set };
}

function Pollination(props: Props) {
  const { of, draft, set } = usePollination(props);
  const { form } = of;
  const { data: lots = [] } = useQuery(queries.lots());
  return (
    <Frame of={of} noteless>
      <TreeField line={props.line} form={form} value={draft.treeId} set={(treeId) => set({ treeId })} />
      {draft.lotId && (
        <Select
          label="Jar"
          searchable
          data={lots.map((l) => ({ value: l.id, label: `${l.code}, ${l.varietyName}` }))}
          value={draft.lotId}
          onChange={(l) => set({ lotId: l ?? draft.lotId })}
          allowDeselect={false}
          error={form.errorFor('lotId', 'Jar')}
        />
      )}
      <NumberField
        name="flowers"
        label="Flowers"
        min={1}
        value={draft.flowers}
        set={(flowers) => set({ flowers })}
      />
      <div className="line" style={{ flexWrap: 'nowrap', alignItems: 'flex-start' }}>
        {(['mark', 'colour', 'tag'] as const).map((key) => (
          <TextInput
            key={key}
            label={{ mark: 'Mark', colour: 'Colour', tag: 'Tag' }[key]}
            value={draft[key]}
            onChange={(e) => set({ [key]: e.currentTarget.value })}
            error={form.errorFor(key, key)}
          />
        ))}
      </div>
    </Frame>
  );
}

const OUTCOMES: [string, string][] = [
  ['taken', 'Set'],
  ['failed', 'Failed'],
  ['dropped', 'Dropped'],
  ['unknown', 'Too early to tell'],
  ['thinned', 'Thinned'],
  ['lost', 'Mark gone'],
];

function Check(props: Props) {
  const { line } = props;
  const [found, setFound] = useState<Typed>(() =>
    Object.fromEntries(OUTCOMES.map(([key]) => [key, number(line, key) ?? 0])),
  );
  const of = useCorrection(props, 'checkedAt', Object.keys(found), (checkedAt, note, confirmed) =>
    answer(
      api.PUT('/api/checks/{id}', {
        params: { path: { id: line.id }, query: { version: line.version } },
        body: {
          pollinationId: said(line, 'pollinationId')!,
          checkedAt,
          taken: whole(found.taken!),
          failed: whole(found.failed!),
          unknown: whole(found.unknown!),
          dropped: whole(found.dropped!),
          thinned: whole(found.thinned!),
          lost: whole(found.lost!),
          detail: Object.fromEntries(
            ['resting', 'fruits', 'whole', 'oneSided', 'crooked', 'sizeMm'].map((k) => [k, number(line, k)]),
          ),
          note,
          confirmed,
        },
      }),
    ),
  );
  return (
    <Frame of={of}>
      <p className="soft">
        Of {number(line, 'flowers')} flowers; each number counts all of them up to that day.
      </p>
      <Numbers names={OUTCOMES} values={found} change={setFound} />
    </Frame>
  );
}

const LIMB: [string, string][] = [
  ['fruits', 'Fruits'],
  ['takenOff', 'Thinned, picked or fallen since'],
];

function LimbCount(props: Props) {
  const { line } = props;
  const [counts, setCounts] = useState<Typed>({
    fruits: number(line, 'fruits') ?? 0,
    takenOff: number(line, 'takenOff') ?? 0,
  });
  const of = useCorrection(props, 'countedAt', Object.keys(counts), (countedAt, note) =>
    answer(
      api.PUT('/api/limb-counts/{id}', {
        params: { path: { id: line.id }, query: { version: line.version } },
        body: {
          treeId: line.treeId!,
          limb: said(line, 'limb')!,
          countedAt,
          fruits: whole(counts.fruits!),
          takenOff: whole(counts.takenOff!),
          note,
        },
      }),
    ),
  );
  return (
    <Frame of={of}>
      <Numbers names={LIMB} values={counts} change={setCounts} />
    </Frame>
  );
}

/** What went in and out of a jar is put right in its ledger; here its hour and its note. */
function Jar(props: Props) {
  const { line } = props;
  const of = useCorrection(props, 'at', [], (at, note) =>
    answer(
      api.PUT('/api/lots/{id}/correction', {
        params: { path: { id: line.id } },
        body: { at, note, version: line.version },
      }),
    ),
  );
  return (
    <Frame of={of}>
      <p className="small soft">Doses are put right on the jar’s page, in its ledger.</p>
    </Frame>
  );
}

/** The numbers of a record, to be put right. */
export function Correct(props: Props) {
  switch (props.line.kind) {
    case 'reading':
      return <Reading {...props} />;
    case 'pollination':
      return <Pollination {...props} />;
    case 'check':
      return <Check {...props} />;
    case 'jar':
      return <Jar {...props} />;
    default:
      return <LimbCount {...props} />;
  }
}
