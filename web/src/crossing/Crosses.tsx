import { Button, Checkbox } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { Link, useLocation } from 'react-router';
import { answer, api, type Schemas, voidRecord } from '../api/api';
import { LabelSheetForm, useLabelSheet } from '../ui/LabelSheetForm';
import { useHere } from '../ui/orchard-context';
import { PRIORITIES } from '../ui/priorities';
import { queries } from '../api/queries';
import { SaveCsv } from '../ui/SaveCsv';
import { Empty, Loaded } from '../ui/States';
import { plural, said } from '../format/time';
import { useSubmit } from '../form/use-submit';
import { CrossForm, VISITS } from './CrossForm';
import { stepDone, stepName, stepWord, wantedWords } from './cross-words';
import { CrossSteps, takeBack } from './CrossStep';
import classes from './Crosses.module.css';
import { RoundTabs } from '../planning/RoundTabs';
import { tellAll } from '../text/text';

type ControlledCross = Schemas['ControlledCross'];

/** What comes next on a cross, and by when. */
function NextStep({ controlledCross }: { controlledCross: ControlledCross }) {
  const { now, zone } = useHere();
  const [next, ...later] = controlledCross.due;
  if (controlledCross.treeGone)
    return (
      <p className="warn">
        Its tree was removed from the orchard: nothing can be done on it. What was done stays on record.
      </p>
    );
  if (!next) return <p className="soft">Nothing more to do on it.</p>;
  const from = new Date(next.from);
  const late = next.until !== undefined && new Date(next.until) < now;
  const when = from <= now ? 'now' : `from ${said(from, now, zone)}`;
  return (
    <div className={classes.next}>
      <p>
        <b>{stepName(next.step)}</b>, {when}
        {next.until && `, until ${said(new Date(next.until), now, zone)}`}.{' '}
        <span className="soft">{tellAll(next.say)}</span>
      </p>
      {late && (
        <p className="warn">The stigma should be past by now. What was not done stays without pollen.</p>
      )}
      {from <= now && (
        <CrossSteps
          key={next.step + controlledCross.flowers}
          controlledCross={controlledCross}
          due={controlledCross.due.filter((d) => new Date(d.from) <= now)}
        />
      )}
      {later.length > 0 && (
        <p className="small soft">
          Then: {later.map((d) => `${stepWord(d.step)} ${said(new Date(d.from), now, zone)}`).join('; ')}.
        </p>
      )}
    </div>
  );
}

function History({ controlledCross }: { controlledCross: ControlledCross }) {
  const { now, zone } = useHere();
  const undo = useSubmit(
    (d: Schemas['ControlledCrossDone']) => takeBack(controlledCross.id, d),
    [],
    () => undefined,
  );
  if (controlledCross.done.length === 0) return null;
  return (
    <div className="small">
      {controlledCross.done.map((d) => (
        <div key={d.id} className="line" style={{ justifyContent: 'space-between' }}>
          <span>
            {said(new Date(d.doneAt), now, zone)}:{' '}
            {d.skipped ? (
              <>skipped: {stepWord(d.kind)}</>
            ) : (
              <>
                {plural(d.flowers, 'flower')} {stepDone(d.kind)}
              </>
            )}
            {d.note && <span className="soft">. {d.note}</span>}
          </span>
          <Button
            size="compact-sm"
            variant="subtle"
            aria-label={`Undo ${stepName(d.kind)} of ${controlledCross.label}`}
            onClick={() => undo.submit(d)}
          >
            Undo
          </Button>
        </div>
      ))}
      {undo.general && <p className="warn">{undo.general}</p>}
    </div>
  );
}

interface CardProps {
  controlledCross: ControlledCross;
  chosen: boolean;
  choose: (yes: boolean) => void;
}

function CrossCard({ controlledCross, chosen, choose }: CardProps) {
  const card = useRef<HTMLElement>(null);
  const called = useLocation().hash === `#${controlledCross.label}`;
  useEffect(() => {
    if (called) card.current?.scrollIntoView?.({ block: 'start' });
  }, [called]);
  const remove = useSubmit(
    () =>
      voidRecord('/api/crosses/{id}/void', { id: controlledCross.id }, controlledCross.version, 'given up'),
    [],
    () => undefined,
  );
  return (
    <section
      ref={card}
      className={`card stack ${called ? classes.called : ''}`}
      id={controlledCross.label}
      data-cross={controlledCross.label}
    >
      <header style={{ margin: 0 }}>
        <h2>
          {controlledCross.label}{' '}
          <span className="soft">
            {controlledCross.mother} × {controlledCross.father}
          </span>
        </h2>
        <Checkbox
          ml="auto"
          label="label"
          aria-label={`Label for ${controlledCross.label}`}
          checked={chosen}
          onChange={(e) => choose(e.currentTarget.checked)}
        />
      </header>
      <div className={classes.body}>
        <div className="stack" style={{ gap: 8 }}>
          <p>
            <b>{controlledCross.tree}</b>{' '}
            <span className="soft">
              {controlledCross.block && `${controlledCross.block}, `}row {controlledCross.row}, place{' '}
              {controlledCross.position}
            </span>
            : {plural(controlledCross.flowers, 'flower')}
            {controlledCross.begun ? '' : ' meant'}.{' '}
            <span className="small soft">
              Pollen {VISITS[controlledCross.visits]}; {controlledCross.bag ? 'bagged' : 'not bagged'}
              {!controlledCross.emasculate && ', its own pollen left in'}.
            </span>
          </p>
          <NextStep controlledCross={controlledCross} />
          <History controlledCross={controlledCross} />
          {!controlledCross.pollinated && (
            <div>
              <Button size="compact-sm" variant="subtle" onClick={() => remove.submit(undefined)}>
                Cancel this cross
              </Button>
              {remove.general && <span className="warn small"> {remove.general}</span>}
            </div>
          )}
        </div>
        <figure className={classes.tag}>
          <div aria-label={`Metal tag of ${controlledCross.label}`}>
            {controlledCross.metalTag.map((l) => (
              <span key={l}>{l}</span>
            ))}
          </div>
          <figcaption className="small soft">to press into a soft tag</figcaption>
        </figure>
      </div>
    </section>
  );
}

function WantedRow({ wanted }: { wanted: Schemas['WantedCross'] }) {
  const [beginning, setBeginning] = useState(false);
  return (
    <div className={classes.wanted} data-wanted={`${wanted.mother} × ${wanted.father}`}>
      <div className="line" style={{ justifyContent: 'space-between' }}>
        <span>
          <b>
            {wanted.mother} × {wanted.father}
          </b>
          : {wantedWords(wanted)}
          {wanted.priority !== 1 && <span className="soft"> Priority: {PRIORITIES[wanted.priority]}.</span>}
        </span>
        {wanted.preparable && !beginning && (
          <Button size="compact-md" variant="outline" onClick={() => setBeginning(true)}>
            Begin one
          </Button>
        )}
      </div>
      {beginning && <CrossForm wanted={wanted} close={() => setBeginning(false)} />}
    </div>
  );
}

function CrossLabels({ chosen }: { chosen: ControlledCross[] }) {
  const labels = useLabelSheet('A4_3_BY_7', (wanted) =>
    answer(
      api.POST('/api/crosses/labels', {
        // Two of each: labels get lost.
        body: { controlledCrosses: chosen.map((c) => ({ crossId: c.id, copies: 2 })), ...wanted },
      }),
    ),
  );
  return (
    <LabelSheetForm
      labels={labels}
      file="cross-labels.pdf"
      save={chosen.length === 0 ? 'Tick crosses above' : `Make ${plural(2 * chosen.length, 'label')}`}
      disabled={chosen.length === 0}
    >
      <header style={{ margin: 0 }}>
        <h2>Labels</h2>
        <span className="soft small">two of each, as labels get lost</span>
      </header>
    </LabelSheetForm>
  );
}

function Made({ all }: { all: Schemas['ControlledCrosses'] }) {
  const [chosen, setChosen] = useState<Set<string>>(new Set());
  const going = all.controlledCrosses
    .filter((c) => !c.over)
    .sort((a, b) => a.due[0]!.from.localeCompare(b.due[0]!.from));
  const over = all.controlledCrosses.filter((c) => c.over);
  const card = (c: ControlledCross) => (
    <CrossCard
      key={c.id}
      controlledCross={c}
      chosen={chosen.has(c.id)}
      choose={(yes) =>
        setChosen((now) => new Set(yes ? [...now, c.id] : [...now].filter((id) => id !== c.id)))
      }
    />
  );
  return (
    <>
      {all.wanted.length > 0 && (
        <section className="card">
          <header>
            <h2>Wanted</h2>
            <Link to="/mates/wanted">Change wanted crosses</Link>
          </header>
          {all.wanted.map((w) => (
            <WantedRow key={w.crossRequestId} wanted={w} />
          ))}
        </section>
      )}
      {going.map(card)}
      {over.length > 0 && (
        <details>
          <summary>{plural(over.length, 'cross', 'crosses')} with nothing left to do</summary>
          <div className="stack" style={{ marginTop: 10 }}>
            {over.map(card)}
          </div>
        </details>
      )}
      {all.controlledCrosses.length > 0 && (
        <CrossLabels chosen={all.controlledCrosses.filter((c) => chosen.has(c.id))} />
      )}
    </>
  );
}

function sentence(all: Schemas['ControlledCrosses'], now: Date): string {
  const going = all.controlledCrosses.filter((c) => !c.over);
  if (going.length === 0) return 'No cross is being made.';
  const due = going.filter((c) => new Date(c.due[0]!.from) <= now);
  const made = `${plural(going.length, 'cross', 'crosses')} being made`;
  return due.length === 0
    ? `${made}, nothing due.`
    : `${made}: ${due.map((c) => c.label).join(', ')} due now.`;
}

/** Crosses that are made: flowers made ready, given one father's pollen, covered and uncovered. */
export function Crosses() {
  const { now } = useHere();
  const controlledCrosses = useQuery(queries.controlledCrosses());
  return (
    <>
      <RoundTabs />
      <Loaded of={controlledCrosses}>
        {(all) => (
          <>
            <h1>{sentence(all, now)}</h1>
            {all.controlledCrosses.length === 0 && all.wanted.length === 0 ? (
              <Empty
                title="No cross is wanted yet"
                action={
                  <Button component={Link} to="/mates">
                    Choose one
                  </Button>
                }
              >
                Press a cell under “Who fits whom” and say how many flowers or seeds. The visits then make
                flowers ready for it, give them that father’s pollen, and say when the bag comes off.
              </Empty>
            ) : (
              <>
                <Made all={all} />
                <SaveCsv tables={['crosses', 'cross-steps', 'wanted-crosses']} />
              </>
            )}
          </>
        )}
      </Loaded>
    </>
  );
}
