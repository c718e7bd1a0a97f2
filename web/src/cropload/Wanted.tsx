import { RecordForm } from '../form/RecordForm';
import { NumberField, TextField } from '../form/fields';
import { Button, NativeSelect, SegmentedControl } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas, voidRecord } from '../api/api';
import { newId } from '../api/ids';
import { MeasureInput } from '../form/MeasureInput';
import { percent, percentRange } from '../format/numbers';
import { PRIORITIES, priorityChoices } from '../ui/priorities';
import { queries } from '../api/queries';
import { Empty, Loaded } from '../ui/States';
import { plural } from '../format/time';
import { doneWithUndo } from '../ui/undo';
import { useSubmit } from '../form/use-submit';
import { Why } from '../ui/Why';
import { RoundTabs } from '../planning/RoundTabs';
import classes from './Wanted.module.css';

type Budget = Schemas['TargetBudget'];
type Target = Schemas['FruitTarget'];

const numbers = (text: string): number[] =>
  text
    .split(/[\s,;]+/)
    .filter(Boolean)
    .map(Number);

/** The target that a form changes: of the tree, or of each tree of its variety. */
function before(budget: Budget, ofVariety: boolean): Target | undefined {
  if (ofVariety) return budget.varietyTarget;
  return budget.ofVariety ? undefined : budget.target;
}

const voidTarget = (t: Pick<Target, 'id' | 'version'>, reason: string) =>
  voidRecord('/api/targets/{id}/void', { id: t.id }, t.version, reason);

function TargetForm({ budget, close }: { budget: Budget; close: () => void }) {
  const [ofVariety, setOfVariety] = useState(budget.ofVariety);
  return (
    <div className="stack">
      <SegmentedControl
        aria-label="For which trees"
        style={{ alignSelf: 'start' }}
        value={ofVariety ? 'variety' : 'tree'}
        onChange={(v) => setOfVariety(v === 'variety')}
        data={[
          { value: 'tree', label: budget.tree },
          { value: 'variety', label: `every tree of ${budget.variety}` },
        ]}
      />
      <TargetFields key={String(ofVariety)} budget={budget} ofVariety={ofVariety} close={close} />
    </div>
  );
}

interface FieldsProps {
  budget: Budget;
  ofVariety: boolean;
  close: () => void;
}

function TargetFields({ budget, ofVariety, close }: FieldsProps) {
  const own = before(budget, ofVariety);
  const of = ofVariety ? { varietyId: budget.varietyId } : { treeId: budget.treeId };
  const whose = ofVariety ? `Every tree of ${budget.variety}` : budget.tree;
  const [id] = useState(() => own?.id ?? newId());
  const [fruits, setFruits] = useState<number | string>(own?.fruits ?? '');
  const [girth, setGirth] = useState(own?.girthCm);
  const [limbs, setLimbs] = useState(own?.limbsMm.join(', ') ?? '');
  const [confidence, setConfidence] = useState(String(own?.confidence ?? 90));
  const [priority, setPriority] = useState(String(own?.priority ?? 1));
  const form = useSubmit(
    () =>
      answer(
        api.PUT('/api/targets/{id}', {
          params: { path: { id } },
          body: {
            ...of,
            confidence: Number(confidence),
            priority: Number(priority),
            ...(!ofVariety && { limbsMm: numbers(limbs) }),
            ...(fruits !== '' && { fruits: Number(fruits) }),
            ...(!ofVariety && girth !== undefined && { girthCm: girth }),
            ...(own && { version: own.version }),
          },
        }),
      ),
    ['fruits', 'girthCm', 'limbsMm'],
    (saved) => {
      doneWithUndo(`${whose}: fruit wanted saved.`, () =>
        own
          ? answer(
              api.PUT('/api/targets/{id}', {
                params: { path: { id } },
                body: { ...own, ...of, version: saved.version },
              }),
            )
          : voidTarget(saved, 'undone right after saving'),
      );
      close();
    },
  );
  const remove = useSubmit((t: Target) => voidTarget(t, 'no longer wanted'), [], close);
  return (
    <RecordForm
      duty="MANAGE"
      form={form}
      save="Save"
      cancel={close}
      beside={
        <>
          {own && (
            <Button variant="subtle" ml="auto" loading={remove.busy} onClick={() => remove.submit(own)}>
              Want nothing in particular
            </Button>
          )}
          {remove.general && <span className="warn">{remove.general}</span>}
        </>
      }
    >
      <div className="form">
        <div className="two">
          <NumberField
            name="fruits"
            label="Fruits wanted"
            description={ofVariety ? 'of each tree' : 'left empty: what the trunk can carry'}
            min={0}
            value={fruits}
            set={setFruits}
            named="Fruits"
          />
          {!ofVariety && (
            <>
              <MeasureInput
                label="Girth of the trunk"
                of="girth"
                description="a hand above the graft"
                value={girth}
                onChange={setGirth}
                error={form.errorFor('girthCm', 'Girth')}
              />
              <TextField
                name="limbsMm"
                label="Limbs that may carry, mm"
                description="diameters, with commas"
                value={limbs}
                set={setLimbs}
                named="Limbs"
              />
            </>
          )}
          <NativeSelect
            label="Priority"
            description="when pollen or hours are short"
            data={priorityChoices}
            value={priority}
            onChange={(e) => setPriority(e.currentTarget.value)}
          />
          <NativeSelect
            label="How sure"
            description="that the fruits are there in the end"
            data={['80', '90', '95'].map((value) => ({ value, label: `${value} %` }))}
            value={confidence}
            onChange={(e) => setConfidence(e.currentTarget.value)}
          />
        </div>
      </div>
    </RecordForm>
  );
}

function Row({ budget }: { budget: Budget }) {
  const [open, setOpen] = useState(false);
  const sure = budget.sure.map((s) => `${s.flowers} for ${s.confidence} %`).join(', ');
  return (
    <>
      <tr data-tree={budget.tree}>
        <td>
          <b>{budget.tree}</b> <span className="small soft">{budget.variety}</span>
          {budget.target && budget.target.priority !== 1 && (
            <div className="small">{PRIORITIES[budget.target.priority]}</div>
          )}
        </td>
        <td className="num">{budget.wanted ?? '–'}</td>
        <td className={`num ${classes.ground}`}>{budget.carries ?? (budget.young ? 0 : '–')}</td>
        <td className="num">{budget.set}</td>
        <td className={`num ${classes.ground}`}>
          {percent(budget.share)}{' '}
          <span className="small soft">{percentRange(budget.shareLow, budget.shareHigh)}</span>
        </td>
        <td className="num">
          {budget.more === undefined ? (
            <span className="soft">all</span>
          ) : (
            <Why
              label={`${budget.more} more flowers`}
              because={
                <>
                  <p>{budget.why}</p>
                  {sure && <p>Flowers to be sure of the rest: {sure}.</p>}
                </>
              }
            >
              <b className="figure" style={{ fontSize: 20 }}>
                {budget.more}
              </b>
            </Why>
          )}
        </td>
        <td className="num">
          <Button size="compact-sm" variant="subtle" onClick={() => setOpen((o) => !o)} aria-expanded={open}>
            Change
          </Button>
        </td>
      </tr>
      {open && (
        <tr>
          <td colSpan={7}>
            <TargetForm budget={budget} close={() => setOpen(false)} />
          </td>
        </tr>
      )}
    </>
  );
}

function sentence(all: Budget[]): string {
  const told = all.filter((b) => b.more !== undefined && b.more > 0);
  if (told.length === 0) return 'No limit to the fruit yet: every flower counts';
  const more = told.reduce((n, b) => n + b.more!, 0);
  return `${plural(more, 'more flower')} on ${plural(told.length, 'tree')} for the fruits you want`;
}

/** How many fruits are wanted of each tree, and how many flowers that takes. */
export function Wanted() {
  const targets = useQuery(queries.targets());
  return (
    <>
      <RoundTabs />
      <Loaded of={targets}>
        {(all) => (
          <>
            <h1>{sentence(all)}</h1>
            {all.length === 0 ? (
              <Empty title="No trees yet">Add varieties and trees under Orchard first.</Empty>
            ) : (
              <section className="card scroll">
                <table className="plain">
                  <thead>
                    <tr>
                      <th>Tree</th>
                      <th className="num">Wanted</th>
                      <th className={`num ${classes.ground}`}>Can carry</th>
                      <th className="num">Set so far</th>
                      <th className={`num ${classes.ground}`}>Share that sets</th>
                      <th className="num">Flowers to do</th>
                      <th aria-label="Change" />
                    </tr>
                  </thead>
                  <tbody>
                    {all.map((b) => (
                      <Row key={b.treeId} budget={b} />
                    ))}
                  </tbody>
                </table>
                <p className="small soft" style={{ marginTop: 10 }}>
                  A girth gives the trunk’s cross-section, and that what it can carry (crop sheet). One fruit
                  to a twig of the sheet’s thickness; overloaded branches break.
                </p>
              </section>
            )}
          </>
        )}
      </Loaded>
    </>
  );
}
