import { Button } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { answer, api, type Schemas } from '../kit/api';
import { FieldHead } from '../kit/FieldHead';
import { Glyph } from '../kit/Glyph';
import { newId } from '../kit/ids';
import { useHere } from '../kit/orchard-context';
import { queries } from '../kit/queries';
import { Empty, Loaded } from '../kit/States';
import { plural, said } from '../kit/time';
import { TimeField } from '../kit/TimeField';
import { doneWithUndo } from '../kit/undo';
import { useSubmit } from '../kit/use-submit';
import classes from './Tally.module.css';
import { emptyTally, tapped, total, undone, type Tally as TallyState } from './tally-state';

type Sheet = Schemas['CropSheetView'];

interface CardProps {
  stage: Sheet['stages'][number];
  number: number;
  count: number;
  before: number | undefined;
  tap: (by: number) => void;
}

function StageCard({ stage, number, count, before, tap }: CardProps) {
  const tone = stage.takes ? classes.take : stage.gives ? classes.give : '';
  return (
    <div className={classes.cell}>
      <button
        type="button"
        className={`${classes.stage} ${tone}`}
        onClick={() => tap(1)}
        aria-label={`${stage.name}: ${count}. One more (key ${number})`}
        data-stage={stage.key}
      >
        <Glyph glyph={stage.glyph} size={66} />
        <span className={classes.count}>{count}</span>
        <span className={classes.before}>{before !== undefined && `last ${before}`}</span>
        <b>{stage.name}</b>
        <small>{stage.signs}</small>
        <kbd>{number}</kbd>
      </button>
      {count > 0 && (
        <button
          type="button"
          className={classes.less}
          onClick={() => tap(-1)}
          aria-label={`${stage.name}: one less`}
        >
          −
        </button>
      )}
    </div>
  );
}

/** Number keys count, Backspace undoes, Enter saves: the desk's way. */
function useKeys(sheet: Sheet, change: (f: (t: TallyState) => TallyState) => void, save: () => void) {
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      if (e.target instanceof HTMLInputElement || e.metaKey || e.ctrlKey || e.altKey) return;
      const stage = sheet.stages[Number(e.key) - 1];
      if (stage) change((t) => tapped(t, stage.key));
      else if (e.key === 'Backspace' || e.key === 'u') change(undone);
      else if (
        e.key === 'Enter' &&
        !(e.target instanceof HTMLButtonElement) &&
        !(e.target instanceof HTMLAnchorElement)
      )
        save();
      else return;
      e.preventDefault();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  });
}

function nextTree(trees: Schemas['TreeView'][], id: string) {
  return trees[trees.findIndex((t) => t.id === id) + 1];
}

function Reading({
  tree,
  trees,
  sheet,
  before,
}: {
  tree: Schemas['TreeView'];
  trees: Schemas['TreeView'][];
  sheet: Sheet;
  before: Schemas['ReadingView'] | undefined;
}) {
  const { zone, now } = useHere();
  const navigate = useNavigate();
  const [id] = useState(newId);
  const [tally, setTally] = useState(emptyTally);
  const [ownTime, setOwnTime] = useState<Date>();
  const [timeOpen, setTimeOpen] = useState(false);
  const takenAt = ownTime ?? now;
  const next = nextTree(trees, tree.id);
  const form = useSubmit<'next' | 'board', Schemas['ReadingView']>(
    () =>
      answer(
        api.PUT('/api/readings/{id}', {
          params: { path: { id } },
          body: { treeId: tree.id, takenAt: takenAt.toISOString(), counts: { ...tally.counts } },
        }),
      ),
    ['takenAt'],
    (saved, where) => {
      doneWithUndo(`${tree.name}: ${plural(saved.flowers, 'flower')} written down.`, () =>
        answer(
          api.POST('/api/readings/{id}/void', {
            params: { path: { id: saved.id } },
            body: { version: saved.version, reason: 'undone right after saving' },
          }),
        ),
      );
      void navigate(where === 'next' && next ? `/bloom/read/${next.id}` : '/bloom');
    },
  );
  useKeys(sheet, setTally, () => form.submit('board'));
  const timeError = form.errorFor('takenAt', 'Time');
  return (
    <div className={classes.page}>
      <FieldHead back="/bloom" backLabel="Back to bloom, without saving" title={tree.name}>
        <button
          type="button"
          onClick={() => setTimeOpen((o) => !o)}
          aria-expanded={timeOpen}
          title="Change the time"
        >
          {tree.crop} · row {tree.row} · {said(takenAt, now, zone)}
        </button>
      </FieldHead>
      {(timeOpen || timeError) && (
        <div className={classes.hint}>
          <TimeField label="When you looked" value={takenAt} onChange={setOwnTime} error={timeError} />
        </div>
      )}
      <p className={classes.hint}>
        Tap what you see, once for each flower, those already done too.{' '}
        {before ? `Grey: ${said(new Date(before.takenAt), now, zone)}.` : 'First reading of this tree.'}
      </p>
      <div className={classes.grid}>
        {sheet.stages.map((s, i) => (
          <StageCard
            key={s.key}
            stage={s}
            number={i + 1}
            count={tally.counts[s.key] ?? 0}
            before={before?.counts[s.key]}
            tap={(by) => setTally((t) => tapped(t, s.key, by))}
          />
        ))}
      </div>
      {form.general && (
        <p className="note bad" role="alert" style={{ margin: '0 12px' }}>
          {form.general}
        </p>
      )}
      <footer className={classes.bar}>
        <Button
          size="lg"
          variant="outline"
          disabled={tally.taps.length === 0}
          onClick={() => setTally(undone)}
        >
          Undo
        </Button>
        {next && (
          <Button
            size="lg"
            variant="outline"
            ml="auto"
            px={14}
            loading={form.busy}
            onClick={() => form.submit('next')}
          >
            Save, next
          </Button>
        )}
        <Button
          size="lg"
          ml={next ? 0 : 'auto'}
          loading={form.busy}
          onClick={() => form.submit('board')}
          data-save
        >
          Save · {total(tally)}
        </Button>
      </footer>
    </div>
  );
}

/** Reads one tree: a tap for each flower. */
export function Tally() {
  const { tree: id = '' } = useParams();
  const trees = useQuery(queries.trees());
  const crops = useQuery(queries.crops());
  const readings = useQuery(queries.readings(id));
  return (
    <Loaded of={trees}>
      {(all) => {
        const tree = all.find((t) => t.id === id);
        if (!tree)
          return <Empty title="There is no such tree" action={<Link to="/bloom">Back to bloom</Link>} />;
        return (
          <Loaded of={crops}>
            {(sheets) => (
              <Loaded of={readings}>
                {(before) => (
                  <Reading
                    key={id}
                    tree={tree}
                    trees={all}
                    sheet={sheets.find((c) => c.key === tree.crop)!}
                    before={before[0]}
                  />
                )}
              </Loaded>
            )}
          </Loaded>
        );
      }}
    </Loaded>
  );
}
