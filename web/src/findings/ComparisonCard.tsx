import { Button } from '@mantine/core';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { answer, api, type Schemas, voidRecord } from '../api/api';
import { newId } from '../api/ids';
import { made, SheetResult, type MadeSheet } from '../ui/LabelParts';
import { percent, tied } from '../format/numbers';
import { useMay } from '../ui/roles';
import { useSubmit } from '../form/use-submit';
import { IntervalRows } from './IntervalRows';
import { Places } from './Places';
import classes from './Findings.module.css';

type Comparison = Schemas['Comparison'];

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

/** What a complete trial says of the crop's sheet, put there by one press. */
function Lesson({ of, lesson }: { of: Comparison; lesson: Schemas['ComparisonLesson'] }) {
  const manages = useMay('MANAGE');
  const [id] = useState(newId);
  const apply = useSubmit(
    () =>
      answer(
        api.PUT('/api/comparisons/{id}/sheet/{changeId}', {
          params: { path: { id: of.id, changeId: id } },
        }),
      ),
    [],
    () => undefined,
  );
  return (
    <div className="note" data-lesson={of.label}>
      <p>
        For your own sheet of <Link to={`/crops/${lesson.crop}`}>{lesson.cropName}</Link>:{' '}
        {lesson.changes.map((c) => `${c.what} ${c.trial} (now ${c.now})`).join('; ')}.
      </p>
      {lesson.applied ? (
        <p className="small soft">The sheet says so; its history names this trial.</p>
      ) : manages ? (
        <Button variant="outline" loading={apply.busy} onClick={() => apply.submit(undefined)}>
          Put it into the sheet
        </Button>
      ) : (
        <p className="small soft">An owner or a manager can put it into the sheet.</p>
      )}
      {apply.general && <p className="warn small">{apply.general}</p>}
      <p className="small soft">
        Few flowers never say none or all: each number is the mean of what they leave believable. Source kept:{' '}
        {lesson.note}.
      </p>
    </div>
  );
}

/** How far a comparison has come; its result only once it is complete. */
export function ComparisonCard({ of, lots }: { of: Comparison; lots: Schemas['LotView'][] }) {
  const remove = useSubmit(
    () => voidRecord('/api/comparisons/{id}/void', { id: of.id }, of.version, 'given up'),
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
          <p>{tied(of.result.sentence)}</p>
          <IntervalRows rows={of.result.arms} label="Treatment" />
          {of.result.lesson && <Lesson of={of} lesson={of.result.lesson} />}
        </>
      ) : (
        <p>
          {of.done} of {n} flowers treated, {of.arms.map((w) => w.name).join(' or ')}. It is judged when all
          are decided, and only then: a result read earlier may be chance.
        </p>
      )}
      {of.expected && (
        <p className="small soft">
          Expected {percent(of.expected.one)} against {percent(of.expected.other)}; that many flowers see it
          with a chance of {percent(of.expected.power)}.
        </p>
      )}
      {of.note && <p className="small">{of.note}</p>}
      <Places of={of} lots={lots} />
      <div className="line">
        <Tags of={of} />
        <Button variant="subtle" loading={remove.busy} onClick={() => remove.submit(undefined)}>
          Cancel it
        </Button>
        {remove.general && <span className="warn small">{remove.general}</span>}
        <span className="small soft">Random order, seed {of.seed}; its checks come up under Fruit set.</span>
      </div>
    </section>
  );
}
