import { Button, NumberInput } from '@mantine/core';
import { TextField } from '../form/fields';
import { RecordForm } from '../form/RecordForm';
import { useQuery } from '@tanstack/react-query';
import { useRef, useState, type ReactNode } from 'react';
import { Link } from 'react-router';
import type { Schemas } from '../api/api';
import { queries } from '../api/queries';
import { Loaded } from '../ui/States';

import { useSubmit } from '../form/use-submit';
import { CropSelect } from '../orchard/CropSelect';
import classes from './FirstDay.module.css';
import { numbered, plant, type Numbered, type Planting } from './many-trees';
import { count, rich, t } from '../text/text';

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
    <RecordForm
      form={form}
      duty="MANAGE"
      save={t('first.add')}
      disabled={Number(draft.trees) < 1}
      inline
      className={classes.fields}
      style={{ alignItems: 'start' }}
      beside={
        form.busy &&
        sent > 0 && (
          <p className="small soft" role="status">
            {t('first.sent', { sent, trees: count('tree', Number(draft.trees)) })}
          </p>
        )
      }
    >
      <CropSelect
        value={draft.crop}
        onChange={(crop) => set({ crop })}
        error={form.errorFor('crop', t('first.crop'))}
      />
      <TextField name="name" label={t('first.variety')} value={draft.name} set={(name) => set({ name })} />
      <NumberInput
        label={t('first.trees')}
        min={1}
        max={MOST_TREES}
        clampBehavior="strict"
        allowDecimal={false}
        value={draft.trees}
        onChange={(n) => set({ trees: n })}
      />
    </RecordForm>
  );
}

function OfVarieties({ trees }: { trees: Schemas['TreeView'][] }) {
  const counts = new Map<string, number>();
  for (const { varietyName } of trees) counts.set(varietyName, (counts.get(varietyName) ?? 0) + 1);
  if (counts.size === 0) return null;
  return (
    <ul className={classes.have} aria-label={t('first.so-far')}>
      {[...counts].map(([variety, n]) => (
        <li key={variety}>
          <b>{variety}</b>: {count('tree', n)}
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
          <h1>{t('first.title')}</h1>
          <ol className={classes.steps}>
            <Step title={t('first.step-trees')} done={all.length > 0}>
              <p className="soft">{t('first.trees-why')}</p>
              <PlantForm trees={all} />
              <OfVarieties trees={all} />
              <p className="small soft">
                {rich('first.rows', { link: (inside) => <Link to="/orchard">{inside}</Link> })}
              </p>
            </Step>
            <Step title={t('first.step-count')} done={false}>
              <p className="soft">
                {rich('first.count-how', { link: (inside) => <Link to="/bloom/key">{inside}</Link> })}
              </p>
              {all.length === 0 ? (
                <p className="small soft">{t('first.no-trees')}</p>
              ) : (
                <div className="line" style={{ marginTop: 10 }}>
                  {all.slice(0, MOST_TO_READ).map((tree) => (
                    <Button
                      key={tree.id}
                      component={Link}
                      to={`/bloom/read/${tree.id}`}
                      state={{ from: '/' }}
                      variant="outline"
                      size="sm"
                    >
                      {t('first.read', { tree: tree.name })}
                    </Button>
                  ))}
                  {all.length > MOST_TO_READ && (
                    <Link to="/bloom">{t('first.all-trees', { n: all.length })}</Link>
                  )}
                </div>
              )}
            </Step>
            <Step title={t('first.step-plan')} done={false}>
              <p className="soft">
                {rich('first.plan-what', {
                  hours: (inside) => <Link to="/round/hours">{inside}</Link>,
                  jar: (inside) => <Link to="/pollen/collect">{inside}</Link>,
                  weather: (inside) => <Link to="/bloom/weather">{inside}</Link>,
                })}
              </p>
            </Step>
          </ol>
        </>
      )}
    </Loaded>
  );
}
