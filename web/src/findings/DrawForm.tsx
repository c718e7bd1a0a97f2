import { RecordForm } from '../form/RecordForm';
import { NumberField } from '../form/fields';
import { Checkbox, MultiSelect, NativeSelect, TextInput } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas, voidRecord } from '../api/api';
import { newId } from '../api/ids';
import { queries } from '../api/queries';
import { plural } from '../format/time';
import { doneWithUndo } from '../ui/undo';
import { useSubmit } from '../form/use-submit';
import { QUESTIONS } from './trial-words';
import classes from './Findings.module.css';

type Comparison = Schemas['Comparison'];

/** What is compared, on which trees, with how many flowers. */
export function DrawForm({
  trees,
  flowers,
  setFlowers,
  expected,
}: {
  trees: Schemas['TreeView'][];
  flowers: number | string;
  setFlowers: (n: number | string) => void;
  expected: Schemas['ComparisonExpected'] | undefined;
}) {
  const [id, setId] = useState(newId);
  const [question, setQuestion] = useState<Comparison['question']>('NATURE');
  const [names, setNames] = useState<[string, string]>(['', '']);
  const [stages, setStages] = useState<string[]>([]);
  const [bagged, setBagged] = useState(false);
  const [chosen, setChosen] = useState<string[]>([]);
  const [note, setNote] = useState('');
  const crops = useQuery(queries.crops());
  const ofCrops = [...new Set(trees.filter((t) => chosen.includes(t.id)).map((t) => t.crop))];
  const crop = ofCrops.length === 1 ? crops.data?.find((c) => c.key === ofCrops[0]) : undefined;
  const own = question === 'OWN' || question === 'TOOL';
  const body = {
    question,
    ...(own && { names }),
    ...(question === 'STAGE' && { names: stages }),
    ...(question === 'NATURE' && { bagged }),
    trees: chosen,
    flowersEach: Number(flowers) || 0,
    ...(expected && { expected }),
    ...(note && { note }),
  };
  const form = useSubmit(
    () => answer(api.PUT('/api/comparisons/{id}', { params: { path: { id } }, body })),
    ['trees', 'flowersEach', 'names', 'note'],
    (drawn) => {
      doneWithUndo(`${drawn.label}: ${plural(drawn.places.length, 'flower')} drawn.`, () =>
        voidRecord(
          '/api/comparisons/{id}/void',
          { id: drawn.id },
          drawn.version,
          'undone right after drawing',
        ),
      );
      setId(newId());
      setNote('');
    },
  );
  return (
    <RecordForm
      duty="MANAGE"
      form={form}
      save="Draw the random order"
      disabled={
        chosen.length === 0 ||
        (own && names.some((n) => !n.trim())) ||
        (question === 'STAGE' && stages.length < 2)
      }
      className={`card form ${classes.finding}`}
    >
      <h2>Draw a comparison</h2>
      <NativeSelect
        label="Question"
        data={QUESTIONS}
        value={question}
        onChange={(e) => setQuestion(e.currentTarget.value as Comparison['question'])}
      />
      {question === 'NATURE' && (
        <Checkbox
          label="also bag some and do not pollinate them: what sets by itself"
          checked={bagged}
          onChange={(e) => setBagged(e.currentTarget.checked)}
        />
      )}
      {own && (
        <div className="two">
          <TextInput
            label="One treatment"
            value={names[0]}
            onChange={(e) => setNames([e.currentTarget.value, names[1]])}
          />
          <TextInput
            label="The other treatment"
            value={names[1]}
            onChange={(e) => setNames([names[0], e.currentTarget.value])}
          />
        </div>
      )}
      {question === 'STAGE' && crop && (
        <MultiSelect
          label="Stages, the most common first"
          data={crop.stages.filter((s) => s.receives).map((s) => ({ value: s.key, label: s.name }))}
          value={stages}
          onChange={setStages}
        />
      )}
      {question === 'STAGE' && !crop && (
        <p className="small soft">Choose trees of one crop; its stages are then offered.</p>
      )}
      <MultiSelect
        label="Trees"
        placeholder={chosen.length === 0 ? 'one or several' : ''}
        data={trees.map((t) => ({ value: t.id, label: t.name }))}
        value={chosen}
        onChange={setChosen}
        searchable
        error={form.errorFor('trees', 'Trees')}
      />
      <NumberField
        name="flowersEach"
        label="Flowers of each treatment, over all trees"
        value={flowers}
        set={setFlowers}
        min={1}
        max={2000}
        named="Flowers"
      />
      <TextInput label="Note" value={note} onChange={(e) => setNote(e.currentTarget.value)} />
      {form.errorFor('names', 'Treatments') && (
        <p className="note bad">{form.errorFor('names', 'Treatments')}</p>
      )}
      <p className="small soft">
        Which flower gets which treatment is random within each tree, and its seed is recorded. Hang the tags
        in their order before you look closer at the flowers, then treat each as its tag says.
      </p>
    </RecordForm>
  );
}
