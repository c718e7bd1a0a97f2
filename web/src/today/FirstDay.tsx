import { Button, NumberInput, TextInput } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useRef, useState, type ReactNode } from 'react';
import { Link } from 'react-router';
import type { Schemas } from '../kit/api';
import { queries } from '../kit/queries';
import { Loaded } from '../kit/States';
import { plural } from '../kit/time';
import { useSubmit } from '../kit/use-submit';
import { CropSelect } from '../orchard/CropSelect';
import classes from './FirstDay.module.css';
import { numbered, plant, type Numbered, type Planting } from './many-trees';

/** More are better brought in from a file. */
const MOST_TREES = 200;

/** So many trees are offered to be read; the others stand under Bloom. */
const MOST_TO_READ = 8;

function Step({ title, done, children }: { title: string; done: boolean; children: ReactNode }) {
  return (
    <li className={`card ${classes.step}`} data-done={done}>
      <div>
        <h2>{title}</h2>
        {children}
      </div>
    </li>
  );
}

/** A variety with several trees, in one go. */
function PlantForm({ trees }: { trees: Schemas['TreeView'][] }) {
  const [draft, setDraft] = useState<{ crop: string | null; name: string; trees: number | string }>({
    crop: null,
    name: '',
    trees: 3,
  });
  const [sent, setSent] = useState(0);
  const begun = useRef<{ of: Planting; records: Numbered }>(undefined);
  const set = (part: Partial<typeof draft>) => setDraft((d) => ({ ...d, ...part }));
  const form = useSubmit(
    async () => {
      const of = { crop: draft.crop ?? '', name: draft.name, trees: Number(draft.trees) };
      if (JSON.stringify(begun.current?.of) !== JSON.stringify(of)) {
        begun.current = { of, records: numbered(of, trees) };
      }
      setSent(0);
      await plant(begun.current!.records, setSent);
    },
    ['name', 'crop'],
    () => {
      begun.current = undefined;
      setDraft((d) => ({ ...d, name: '' }));
    },
  );
  return (
    <form
      onSubmit={(e) => {
        e.preventDefault();
        form.submit(undefined);
      }}
    >
      <div className={classes.fields}>
        <CropSelect
          value={draft.crop}
          onChange={(crop) => set({ crop })}
          error={form.errorFor('crop', 'Crop')}
        />
        <TextInput
          label="Variety"
          value={draft.name}
          onChange={(e) => set({ name: e.currentTarget.value })}
          error={form.errorFor('name', 'Variety')}
        />
        <NumberInput
          label="Trees of it"
          min={1}
          max={MOST_TREES}
          clampBehavior="strict"
          allowDecimal={false}
          value={draft.trees}
          onChange={(n) => set({ trees: n })}
        />
        <Button type="submit" loading={form.busy} disabled={Number(draft.trees) < 1}>
          Add them
        </Button>
      </div>
      {form.busy && sent > 0 && (
        <p className="small soft" role="status">
          {sent} of {plural(Number(draft.trees), 'tree')}
        </p>
      )}
      {form.general && <p className="note bad">{form.general}</p>}
    </form>
  );
}

function OfVarieties({ trees }: { trees: Schemas['TreeView'][] }) {
  const counts = new Map<string, number>();
  for (const t of trees) counts.set(t.varietyName, (counts.get(t.varietyName) ?? 0) + 1);
  if (counts.size === 0) return null;
  return (
    <ul className={classes.have} aria-label="Trees so far">
      {[...counts].map(([variety, n]) => (
        <li key={variety}>
          <b>{variety}</b>: {plural(n, 'tree')}
        </li>
      ))}
    </ul>
  );
}

/** An orchard in which no flower was ever read: from nothing to a plan for tonight, on one page. */
export function FirstDay() {
  const trees = useQuery(queries.trees());
  return (
    <Loaded of={trees}>
      {(all) => (
        <>
          <h1>Three steps to tonight’s plan</h1>
          <ol className={classes.steps}>
            <Step title="Say which trees you have" done={all.length > 0}>
              <p className="soft">
                Pollen is kept and given by variety. Name each one, with its number of trees; two varieties
                that flower together can serve each other.
              </p>
              <PlantForm trees={all} />
              <OfVarieties trees={all} />
              <p className="small soft">
                Rows, blocks and planting dates can be set under <Link to="/orchard">Orchard</Link>.
              </p>
            </Step>
            <Step title="Count the flowers of a tree" done={false}>
              <p className="soft">
                Stand under it and tap each flower by its stage, a minute a tree. Unsure what you see?{' '}
                <Link to="/bloom/key">The key names it</Link>.
              </p>
              {all.length === 0 ? (
                <p className="small soft">Your trees come here once they are added.</p>
              ) : (
                <div className="line" style={{ marginTop: 10 }}>
                  {all.slice(0, MOST_TO_READ).map((t) => (
                    <Button
                      key={t.id}
                      component={Link}
                      to={`/bloom/read/${t.id}`}
                      state={{ from: '/' }}
                      variant="outline"
                      size="sm"
                    >
                      Read {t.name}
                    </Button>
                  ))}
                  {all.length > MOST_TO_READ && <Link to="/bloom">all {all.length} trees</Link>}
                </div>
              )}
            </Step>
            <Step title="Tonight’s plan appears here" done={false}>
              <p className="soft">
                When to go, what to collect, which pollen goes on which tree. It gets better with what you
                add: <Link to="/round/hours">the hours you have</Link>,{' '}
                <Link to="/pollen/collect">pollen already in a jar</Link>,{' '}
                <Link to="/bloom/weather">your weather</Link>.
              </p>
            </Step>
          </ol>
        </>
      )}
    </Loaded>
  );
}
