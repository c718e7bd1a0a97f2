import { Button, MultiSelect, NativeSelect, NumberInput, TextInput } from '@mantine/core';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas } from '../kit/api';
import { newId } from '../kit/ids';
import { sayKept } from '../kit/kept';
import { made, SheetResult, type MadeSheet } from '../kit/LabelParts';
import { percent } from '../kit/numbers';
import { useHere } from '../kit/orchard-context';
import { looksWaiting } from '../fruitset/fruit-words';
import { useOutbox } from '../kit/outbox';
import { queries } from '../kit/queries';
import { Empty, Loaded } from '../kit/States';
import { plural } from '../kit/time';
import { doneWithUndo } from '../kit/undo';
import { useSubmit } from '../kit/use-submit';
import { FindingsTabs } from './FindingsTabs';
import { IntervalRows } from './IntervalRows';
import { QUESTIONS, waysOf } from './trial-words';
import classes from './Findings.module.css';

type Comparison = Schemas['Comparison'];
type Place = Schemas['ComparisonPlace'];

/** How many flowers each way needs, reckoned from what one expects. */
function Size({ use }: { use: (flowers: number, expected: Schemas['ComparisonExpected']) => void }) {
  const [one, setOne] = useState<number | string>(40);
  const [other, setOther] = useState<number | string>(60);
  const [power, setPower] = useState('0.8');
  const size = useQuery({
    ...queries.trialSize(Number(one) / 100, Number(other) / 100, Number(power)),
    retry: false,
  });
  return (
    <div className={`card ${classes.finding}`}>
      <h2>How many flowers do I need?</h2>
      <div className="line" style={{ alignItems: 'flex-end' }}>
        <NumberInput label="Takes now, %" value={one} onChange={setOne} min={1} max={99} w={130} />
        <NumberInput label="Would matter if, %" value={other} onChange={setOther} min={1} max={99} w={150} />
        <NativeSelect
          label="Chance to see it"
          data={[
            { value: '0.8', label: '80 %' },
            { value: '0.9', label: '90 %' },
          ]}
          value={power}
          onChange={(e) => setPower(e.currentTarget.value)}
        />
        {size.data && (
          <Button
            variant="outline"
            onClick={() =>
              use(size.data.flowersEach, {
                one: Number(one) / 100,
                other: Number(other) / 100,
                power: size.data.power,
              })
            }
          >
            Use {size.data.flowersEach} of each
          </Button>
        )}
      </div>
      {size.data && <p>{size.data.say}</p>}
      {size.error && <p className="warn">{size.error.message}</p>}
      <p className="small soft">
        Exact power of the interval by which it will be judged (Newcombe 1998, 95 %). Fewer flowers see only
        larger differences.
      </p>
    </div>
  );
}

function DrawForm({
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
  const [bagged, setBagged] = useState(false);
  const [chosen, setChosen] = useState<string[]>([]);
  const [note, setNote] = useState('');
  const ways = waysOf(question, names, bagged);
  const body = {
    question,
    ways,
    trees: chosen,
    flowersEach: Number(flowers) || 0,
    ...(expected && { expected }),
    ...(note && { note }),
  };
  const form = useSubmit(
    () => answer(api.PUT('/api/comparisons/{id}', { params: { path: { id } }, body })),
    ['trees', 'flowersEach', 'ways', 'note'],
    (drawn) => {
      doneWithUndo(`${drawn.label}: ${plural(drawn.places.length, 'flower')} drawn.`, () =>
        answer(
          api.POST('/api/comparisons/{id}/void', {
            params: { path: { id: drawn.id } },
            body: { version: drawn.version, reason: 'undone right after drawing' },
          }),
        ),
      );
      setId(newId());
      setNote('');
    },
  );
  const own = question === 'OWN' || question === 'TOOL';
  return (
    <form
      className={`card form ${classes.finding}`}
      onSubmit={(e) => {
        e.preventDefault();
        form.submit(undefined);
      }}
    >
      <h2>Draw a comparison</h2>
      <NativeSelect
        label="Question"
        data={QUESTIONS}
        value={question}
        onChange={(e) => setQuestion(e.currentTarget.value as Comparison['question'])}
      />
      {question === 'NATURE' && (
        <label className="line">
          <input type="checkbox" checked={bagged} onChange={(e) => setBagged(e.currentTarget.checked)} /> also
          bag some and do not pollinate them: what sets by itself
        </label>
      )}
      {own && (
        <div className="two">
          <TextInput
            label="One way"
            value={names[0]}
            onChange={(e) => setNames([e.currentTarget.value, names[1]])}
          />
          <TextInput
            label="The other way"
            value={names[1]}
            onChange={(e) => setNames([names[0], e.currentTarget.value])}
          />
        </div>
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
      <NumberInput
        label="Flowers of each way, over all trees"
        value={flowers}
        onChange={setFlowers}
        min={1}
        max={2000}
        error={form.errorFor('flowersEach', 'Flowers')}
      />
      <TextInput label="Note" value={note} onChange={(e) => setNote(e.currentTarget.value)} />
      {(form.errorFor('ways', 'Ways') ?? form.general) && (
        <p className="note bad">{form.errorFor('ways', 'Ways') ?? form.general}</p>
      )}
      <p className="small soft">
        Which flower is treated how is drawn by lot within each tree, and the seed is kept. Hang the tags in
        their order before you look closer at the flowers, then treat each as its tag says.
      </p>
      <div className="line">
        <Button type="submit" loading={form.busy} disabled={chosen.length === 0 || ways.some((w) => !w.name)}>
          Draw by lot
        </Button>
      </div>
    </form>
  );
}

/** Writes down that a place was treated as its tag says. */
function DoPlace({ of, place, jar }: { of: Comparison; place: Place; jar: string }) {
  const { now, session } = useHere();
  const [id] = useState(newId);
  const way = of.ways[place.way]!;
  const hand = way.treatment === 'HAND';
  const body: Schemas['PollinationRequest'] = {
    treeId: place.treeId,
    ...(hand && { lotId: jar }),
    flowers: 1,
    doneAt: now.toISOString(),
    mark: 'tag',
    tag: place.tag,
    how: {
      treatment: way.treatment,
      ...(way.strokes && { strokes: way.strokes }),
      ...(way.tool && { tool: way.tool }),
    },
    comparisonId: of.id,
    slot: place.slot,
  };
  const form = useSubmit(
    () => answer(api.PUT('/api/pollinations/{id}', { params: { path: { id } }, body })),
    [],
    (saved) =>
      doneWithUndo(`${place.tag}: ${way.name}.`, () =>
        answer(
          api.POST('/api/pollinations/{id}/void', {
            params: { path: { id: saved.id } },
            body: { version: saved.version, reason: 'recorded by mistake' },
          }),
        ),
      ),
    {
      write: () => ({
        method: 'PUT',
        path: `/api/pollinations/${id}`,
        body: { ...body },
        label: `${place.tag}: ${way.name}`,
        account: session.accountId,
      }),
      kept: () => sayKept(`${place.tag}.`),
    },
  );
  return (
    <>
      <Button
        size="compact-md"
        variant="outline"
        loading={form.busy}
        disabled={hand && !jar}
        onClick={() => form.submit(undefined)}
        aria-label={`${place.tag}: done`}
      >
        Done
      </Button>
      {(form.general ?? form.problems[0]?.message) && (
        <span className="warn small">{form.general ?? form.problems[0]?.message}</span>
      )}
    </>
  );
}

const OUTCOME = {
  WAITING: 'done, not yet known',
  TOOK: 'took',
  FAILED: 'failed',
  LOST: 'cannot be told',
} as const;

function Places({ of, lots }: { of: Comparison; lots: Schemas['LotView'][] }) {
  const waiting = looksWaiting(useOutbox());
  const jars = lots.filter((l) => l.dosesLeft > 0);
  const [jar, setJar] = useState(jars[0]?.id ?? '');
  const open = of.places.filter((p) => !p.pollinationId);
  const needsJar = open.some((p) => of.ways[p.way]!.treatment === 'HAND');
  return (
    <details className={classes.table}>
      <summary>Flower by flower: {plural(open.length, 'flower')} still to treat</summary>
      {needsJar && (
        <NativeSelect
          label="Jar for those by hand"
          data={[
            { value: '', label: 'no jar chosen' },
            ...jars.map((l) => ({ value: l.id, label: `${l.code} ${l.varietyName}, ${l.dosesLeft} doses` })),
          ]}
          value={jar}
          onChange={(e) => setJar(e.currentTarget.value)}
          maw={320}
          mb={10}
        />
      )}
      <div className={classes.tags}>
        {of.places.map((p) => (
          <div
            key={p.slot}
            className={`${classes.place} ${p.pollinationId ? classes.done : ''}`}
            data-tag={p.tag}
          >
            <b>{p.tag}</b>
            <span>
              {of.ways[p.way]!.name}
              <span className="soft"> · {p.tree}</span>
            </span>
            {p.outcome ? (
              <span className="small soft">
                {waiting.has(p.pollinationId!) ? 'look waits on this device' : OUTCOME[p.outcome]}
              </span>
            ) : (
              <DoPlace of={of} place={p} jar={jar} />
            )}
          </div>
        ))}
      </div>
    </details>
  );
}

function Tags({ of }: { of: Comparison }) {
  const [sheet, setSheet] = useState<MadeSheet>();
  const print = useMutation({
    mutationFn: () => answer(api.GET('/api/comparisons/{id}/tags', { params: { path: { id: of.id } } })),
    onSuccess: (s) => setSheet((before) => made(s, before)),
  });
  return (
    <>
      <Button variant="outline" loading={print.isPending} onClick={() => print.mutate()}>
        Print the tags
      </Button>
      {print.error && <span className="warn small">{print.error.message}</span>}
      {sheet && <SheetResult of={sheet} file={`tags-${of.label}.pdf`} />}
    </>
  );
}

function ComparisonCard({ of, lots }: { of: Comparison; lots: Schemas['LotView'][] }) {
  const remove = useSubmit(
    () =>
      answer(
        api.POST('/api/comparisons/{id}/void', {
          params: { path: { id: of.id } },
          body: { version: of.version, reason: 'given up' },
        }),
      ),
    [],
    () => undefined,
  );
  const n = of.places.length;
  return (
    <section className={`card ${classes.finding}`} data-comparison={of.label}>
      <div className="line" style={{ justifyContent: 'space-between' }}>
        <h2>
          {of.label}: {of.asks}
        </h2>
        <span className={`${classes.tag} ${of.complete ? classes.sure : ''}`}>
          {of.complete ? 'complete' : `${of.decided} of ${n} decided`}
        </span>
      </div>
      <div
        className={classes.bar}
        role="img"
        aria-label={`${of.decided} of ${n} flowers decided, ${of.done - of.decided} done and not yet known`}
      >
        <span style={{ width: `${(100 * of.decided) / n}%` }} />
        <span style={{ width: `${(100 * (of.done - of.decided)) / n}%` }} />
      </div>
      {of.result ? (
        <>
          <p>{of.result.sentence}</p>
          <IntervalRows rows={of.result.ways} label="Way" />
        </>
      ) : (
        <p>
          {of.done} of {n} flowers treated, {of.ways.map((w) => w.name).join(' or ')}. It is judged when all
          are decided, and only then: who looks earlier finds what chance shows that day.
        </p>
      )}
      {of.expected && (
        <p className="small soft">
          Expected {percent(of.expected.one)} against {percent(of.expected.other)}; so many flowers see that
          with a chance of {percent(of.expected.power)}.
        </p>
      )}
      {of.note && <p className="small">{of.note}</p>}
      <Places of={of} lots={lots} />
      <div className="line">
        <Tags of={of} />
        <Button variant="subtle" loading={remove.busy} onClick={() => remove.submit(undefined)}>
          Give it up
        </Button>
        {remove.general && <span className="warn small">{remove.general}</span>}
        <span className="small soft">
          Drawn by lot with seed {of.seed}; its looks come up under Fruit set.
        </span>
      </div>
    </section>
  );
}

/** Comparisons and trials: reckoned, drawn, treated, judged when complete. */
export function Trials() {
  const comparisons = useQuery(queries.comparisons());
  const trees = useQuery(queries.trees());
  const lots = useQuery(queries.lots());
  const [flowers, setFlowers] = useState<number | string>(20);
  const [expected, setExpected] = useState<Schemas['ComparisonExpected']>();
  return (
    <>
      <FindingsTabs />
      <Loaded of={trees}>
        {(t) => (
          <Loaded of={comparisons}>
            {(all) => {
              const open = all.filter((c) => !c.complete).length;
              return (
                <>
                  <h1>
                    {all.length === 0
                      ? 'Does it matter? Draw by lot, and you will know.'
                      : `${plural(open, 'comparison')} under way, ${all.length - open} complete.`}
                  </h1>
                  {all.map((c) => (
                    <ComparisonCard key={c.id} of={c} lots={lots.data ?? []} />
                  ))}
                  {t.length === 0 ? (
                    <Empty title="No trees yet">A comparison needs flowers, and they need a tree.</Empty>
                  ) : (
                    <div className={classes.columns}>
                      <Size
                        use={(n, e) => {
                          setFlowers(n);
                          setExpected(e);
                        }}
                      />
                      <DrawForm trees={t} flowers={flowers} setFlowers={setFlowers} expected={expected} />
                    </div>
                  )}
                </>
              );
            }}
          </Loaded>
        )}
      </Loaded>
    </>
  );
}
