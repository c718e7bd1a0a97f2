import { NativeSelect, Select, TextInput } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas } from '../api/api';
import { queries } from '../api/queries';
import { NumberField, TextField } from '../form/fields';
import { Frame, Numbers, TreeField, useCorrection, whole, type CorrectProps, type Typed } from './correction';
import { countsOf, FOUND, number, said } from './story-words';

/** What was counted on a tree. */
export function Reading(props: CorrectProps) {
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

function usePollination(props: CorrectProps) {
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

/** Flowers that were pollinated. */
export function Pollination(props: CorrectProps) {
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

/** What was found at a stop of a walk. */
export function Word(props: CorrectProps) {
  const { line } = props;
  const [kind, setKind] = useState(said(line, 'found')!);
  const of = useCorrection(props, 'at', ['kind'], (at, note) =>
    answer(
      api.PUT('/api/walks/{walk}/words/{id}', {
        params: {
          path: { walk: said(line, 'walkId')!, id: line.id },
          query: { version: line.version },
        },
        body: {
          stop: number(line, 'stop') ?? 0,
          kind: kind as Schemas['WalkWordRequest']['kind'],
          at,
          note,
        },
      }),
    ),
  );
  return (
    <Frame of={of}>
      <NativeSelect
        label="What was found"
        data={Object.entries(FOUND).map(([value, label]) => ({ value, label }))}
        value={kind}
        onChange={(e) => setKind(e.currentTarget.value)}
      />
    </Frame>
  );
}

/** A step on the flowers of a cross. */
export function CrossStep(props: CorrectProps) {
  const { line } = props;
  const [counted, setCounted] = useState<Typed>({ flowers: number(line, 'flowers') ?? 0 });
  const skipped = line.what.skipped === true;
  const of = useCorrection(props, 'doneAt', ['flowers'], (doneAt, note) =>
    answer(
      api.PUT('/api/crosses/{controlledCross}/steps/{id}', {
        params: {
          path: { controlledCross: line.crossId!, id: line.id },
          query: { version: line.version },
        },
        body: {
          kind: said(line, 'step') as Schemas['CrossStepRequest']['kind'],
          flowers: whole(counted.flowers!),
          doneAt,
          note,
          skipped,
        },
      }),
    ),
  );
  return (
    <Frame of={of}>
      {!skipped && (
        <Numbers names={[['flowers', 'Flowers there after it']]} values={counted} change={setCounted} />
      )}
    </Frame>
  );
}

/** A fig that was measured. */
export function Fig(props: CorrectProps) {
  const { line } = props;
  const [fig, setFig] = useState(said(line, 'fig') ?? '');
  const [mm, setMm] = useState<number | string>(number(line, 'diameterMm') ?? '');
  const of = useCorrection(props, 'measuredAt', ['fig', 'diameterMm'], (measuredAt) =>
    answer(
      api.PUT('/api/figs/{id}', {
        params: { path: { id: line.id }, query: { version: line.version } },
        body: {
          treeId: line.treeId!,
          fig,
          diameterMm: Number(mm),
          eye: said(line, 'eye') as Schemas['FigRequest']['eye'],
          measuredAt,
        },
      }),
    ),
  );
  return (
    <Frame of={of} noteless>
      <TextField name="fig" label="Fig" value={fig} set={setFig} named="The name" />
      <NumberField
        name="diameterMm"
        label="Diameter, mm"
        min={1}
        max={200}
        decimalScale={1}
        value={mm}
        set={setMm}
        named="Diameter"
      />
    </Frame>
  );
}
