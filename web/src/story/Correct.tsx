import { Modal, NumberInput, Select, TextInput } from '@mantine/core';
import { NumberField } from '../form/fields';
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

function Frame(props: {
  line: Line;
  close: () => void;
  form: Submit<void>;
  at: Date;
  setAt: (at: Date) => void;
  field: string;
  note?: [string, (note: string) => void];
  children: ReactNode;
}) {
  const { line, close, form, note } = props;
  return (
    <Modal
      opened
      onClose={close}
      title={`Correct this ${nounOf(line.kind)}${line.tree ? ` of ${line.tree}` : ''}`}
    >
      <RecordForm form={form} save="Save the correction" cancel={close}>
        {props.children}
        <TimeField
          label="When"
          value={props.at}
          onChange={props.setAt}
          error={form.errorFor(props.field, 'Time')}
        />
        {note && <NoteField value={note[0]} onChange={note[1]} error={form.errorFor('note', 'Note')} />}
      </RecordForm>
    </Modal>
  );
}

const corrected = (line: Line, close: () => void) => () => {
  sayDone(`The ${nounOf(line.kind)} was corrected.`);
  close();
};

const whole = (value: number | string): number => (value === '' ? 0 : Number(value));

function Numbers({
  names,
  values,
  change,
  form,
}: {
  names: [string, string][];
  values: Record<string, number | string>;
  change: (values: Record<string, number | string>) => void;
  form: Submit<void>;
}) {
  return (
    <div
      className="form"
      style={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fill, minmax(130px, 1fr))', gap: 12 }}
    >
      {names.map(([key, label]) => (
        <NumberInput
          key={key}
          label={label}
          min={0}
          value={values[key] ?? 0}
          onChange={(value) => change({ ...values, [key]: value })}
          error={form.errorFor(key, label)}
        />
      ))}
    </div>
  );
}

function Reading({ line, sheet, close }: Props) {
  const [at, setAt] = useState(() => new Date(line.at));
  const [note, setNote] = useState(line.note);
  const [counts, setCounts] = useState<Record<string, number | string>>(() => countsOf(line));
  const [treeId, setTree] = useState(line.treeId!);
  const { data: trees = [] } = useQuery(queries.trees());
  const form = useSubmit(
    () =>
      answer(
        api.PUT('/api/readings/{id}', {
          params: { path: { id: line.id }, query: { version: line.version } },
          body: {
            treeId,
            takenAt: at.toISOString(),
            counts: Object.fromEntries(Object.entries(counts).map(([stage, n]) => [stage, whole(n)])),
            note,
            limb: said(line, 'limb'),
            share: number(line, 'share'),
          },
        }),
      ),
    ['treeId', 'takenAt', 'note', ...(sheet?.stages ?? []).map((s) => s.key)],
    corrected(line, close),
  );
  return (
    <Frame line={line} close={close} form={form} at={at} setAt={setAt} field="takenAt" note={[note, setNote]}>
      <Select
        label="Tree"
        searchable
        data={trees.filter((t) => t.crop === line.crop).map((t) => ({ value: t.id, label: t.name }))}
        value={treeId}
        onChange={(t) => setTree(t ?? treeId)}
        allowDeselect={false}
        error={form.errorFor('treeId', 'Tree')}
      />
      <Numbers
        names={(sheet?.stages ?? []).map((s) => [s.key, s.name])}
        values={counts}
        change={setCounts}
        form={form}
      />
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

function usePollination(line: Line, close: () => void) {
  const [at, setAt] = useState(() => new Date(line.at));
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
  const form = useSubmit(
    () =>
      answer(
        api.PUT('/api/pollinations/{id}', {
          params: { path: { id: line.id }, query: { version: line.version } },
          body: {
            ...draft,
            flowers: whole(draft.flowers),
            doneAt: at.toISOString(),
            how,
            crossId: line.crossId,
            again: line.what.again === true,
          },
        }),
      ),
    ['treeId', 'lotId', 'flowers', 'doneAt', 'mark', 'colour', 'tag'],
    corrected(line, close),
  );
  const set = (part: Partial<typeof draft>) => setDraft((d) => ({ ...d, ...part }));
  return { at, setAt, draft, set, form };
}

function Pollination({ line, close }: Props) {
  const { at, setAt, draft, set, form } = usePollination(line, close);
  const { data: trees = [] } = useQuery(queries.trees());
  const { data: lots = [] } = useQuery(queries.lots());
  return (
    <Frame line={line} close={close} form={form} at={at} setAt={setAt} field="doneAt">
      <Select
        label="Tree"
        searchable
        data={trees.filter((t) => t.crop === line.crop).map((t) => ({ value: t.id, label: t.name }))}
        value={draft.treeId}
        onChange={(t) => set({ treeId: t ?? draft.treeId })}
        allowDeselect={false}
        error={form.errorFor('treeId', 'Tree')}
      />
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

function Check({ line, close }: Props) {
  const [at, setAt] = useState(() => new Date(line.at));
  const [note, setNote] = useState(line.note);
  const [found, setFound] = useState<Record<string, number | string>>(() =>
    Object.fromEntries(OUTCOMES.map(([key]) => [key, number(line, key) ?? 0])),
  );
  const form = useSubmit<void, unknown>(
    (_, confirmed) =>
      answer(
        api.PUT('/api/checks/{id}', {
          params: { path: { id: line.id }, query: { version: line.version } },
          body: {
            pollinationId: said(line, 'pollinationId')!,
            checkedAt: at.toISOString(),
            taken: whole(found.taken!),
            failed: whole(found.failed!),
            unknown: whole(found.unknown!),
            dropped: whole(found.dropped!),
            thinned: whole(found.thinned!),
            lost: whole(found.lost!),
            detail: Object.fromEntries(
              ['resting', 'fruits', 'whole', 'oneSided', 'crooked', 'sizeMm'].map((k) => [
                k,
                number(line, k),
              ]),
            ),
            note,
            confirmed,
          },
        }),
      ),
    ['checkedAt', 'note', ...OUTCOMES.map(([key]) => key)],
    corrected(line, close),
  );
  return (
    <Frame
      line={line}
      close={close}
      form={form}
      at={at}
      setAt={setAt}
      field="checkedAt"
      note={[note, setNote]}
    >
      <p className="soft">
        Of {number(line, 'flowers')} flowers; each number counts all of them up to that day.
      </p>
      <Numbers names={OUTCOMES} values={found} change={setFound} form={form} />
    </Frame>
  );
}

function LimbCount({ line, close }: Props) {
  const [at, setAt] = useState(() => new Date(line.at));
  const [note, setNote] = useState(line.note);
  const [counts, setCounts] = useState<Record<string, number | string>>({
    fruits: number(line, 'fruits') ?? 0,
    takenOff: number(line, 'takenOff') ?? 0,
  });
  const form = useSubmit(
    () =>
      answer(
        api.PUT('/api/limb-counts/{id}', {
          params: { path: { id: line.id }, query: { version: line.version } },
          body: {
            treeId: line.treeId!,
            limb: said(line, 'limb')!,
            countedAt: at.toISOString(),
            fruits: whole(counts.fruits!),
            takenOff: whole(counts.takenOff!),
            note,
          },
        }),
      ),
    ['countedAt', 'note', 'fruits', 'takenOff'],
    corrected(line, close),
  );
  return (
    <Frame
      line={line}
      close={close}
      form={form}
      at={at}
      setAt={setAt}
      field="countedAt"
      note={[note, setNote]}
    >
      <Numbers
        names={[
          ['fruits', 'Fruits'],
          ['takenOff', 'Thinned, picked or fallen since'],
        ]}
        values={counts}
        change={setCounts}
        form={form}
      />
    </Frame>
  );
}

/** What went in and out of a jar is put right in its ledger; here its hour and its note. */
function Jar({ line, close }: Props) {
  const [at, setAt] = useState(() => new Date(line.at));
  const [note, setNote] = useState(line.note);
  const form = useSubmit(
    () =>
      answer(
        api.PUT('/api/lots/{id}/correction', {
          params: { path: { id: line.id } },
          body: { at: at.toISOString(), note, version: line.version },
        }),
      ),
    ['at', 'note'],
    corrected(line, close),
  );
  return (
    <Frame line={line} close={close} form={form} at={at} setAt={setAt} field="at" note={[note, setNote]}>
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
