import { Button } from '@mantine/core';
import { IconMoon, IconSun } from '@tabler/icons-react';
import { useQuery } from '@tanstack/react-query';
import { lazy, Suspense, useEffect, useState } from 'react';
import { Link, useLocation, useNavigate, useParams } from 'react-router';
import { answer, api, type Schemas, voidRecord } from '../api/api';
import { FieldHead } from '../ui/FieldHead';
import { Glyph } from '../ui/Glyph';
import { newId } from '../api/ids';
import { sayKept } from '../ui/undo';
import { useNightMode } from '../ui/night';
import { useHere } from '../ui/orchard-context';
import { usePageTitle } from '../ui/page-title';
import { queries } from '../api/queries';
import { Empty, Loaded, LoadedAll } from '../ui/States';
import { said } from '../format/time';
import { TimeField } from '../form/TimeField';
import { sendPictures, type Picture } from '../photo/pictures';
import { doneWithUndo } from '../ui/undo';
import { useSubmit } from '../form/use-submit';
import classes from './Tally.module.css';
import {
  emptyTally,
  leaveOpen,
  leftOpen,
  SHARES,
  startedFrom,
  tapped,
  total,
  undone,
  type Tally as TallyState,
} from './tally-state';
import { t } from '../text/text';

const TakePicture = lazy(async () => ({ default: (await import('../photo/Pictures')).TakePicture }));
const TakenRow = lazy(async () => ({ default: (await import('../photo/Pictures')).TakenRow }));
const TallyScope = lazy(async () => ({ default: (await import('./TallyScope')).TallyScope }));

type Sheet = Schemas['CropSheetView'];

interface CardProps {
  stage: Sheet['stages'][number];
  number: number;
  count: number;
  before: number | undefined;
  tap: (by: number) => void;
}

function StageCard({ stage, number, count, before, tap }: CardProps) {
  const tone = stage.receives ? classes.take : stage.sheds ? classes.give : '';
  return (
    <div className={classes.cell}>
      <button
        type="button"
        className={`${classes.stage} ${tone}`}
        onClick={() => tap(1)}
        aria-label={t('tally.tap', { stage: stage.name, count, number })}
        data-stage={stage.key}
      >
        <Glyph glyph={stage.glyph} size={66} />
        <span className={classes.count}>{count}</span>
        <span className={classes.before}>{before !== undefined && t('tally.last', { n: before })}</span>
        <b>{stage.name}</b>
        <small>{stage.signs}</small>
        <kbd>{number}</kbd>
      </button>
      {count > 0 && (
        <button
          type="button"
          className={classes.less}
          onClick={() => tap(-1)}
          aria-label={t('do.one-less-of', { label: stage.name })}
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

interface ReadingProps {
  tree: Schemas['TreeView'];
  trees: Schemas['TreeView'][];
  sheet: Sheet;
  earlier: Schemas['ReadingView'][];
}

function Reading({ tree, trees, sheet, earlier }: ReadingProps) {
  const { zone, now, session } = useHere();
  const navigate = useNavigate();
  const { from = '/bloom' } = (useLocation().state ?? {}) as { from?: string };
  const [id] = useState(newId);
  const [tally, setTally] = useState(() => leftOpen(tree.id));
  const [limb, setLimb] = useState('');
  const [share, setShare] = useState('1');
  const [ownTime, setOwnTime] = useState<Date>();
  const [more, setMore] = useState(false);
  const [night, toggleNight] = useNightMode();
  useEffect(() => leaveOpen(tree.id, tally), [tree.id, tally]);
  const takenAt = ownTime ?? now;
  const next = nextTree(trees, tree.id);
  const before = earlier.find((r) => r.limb === limb.trim());
  const limbs = [...new Set(earlier.map((r) => r.limb).filter(Boolean))];
  const body = {
    treeId: tree.id,
    takenAt: takenAt.toISOString(),
    counts: { ...tally.counts },
    limb: limb.trim(),
    share: Number(share),
  };
  const goOn = (where: 'next' | 'board') => {
    leaveOpen(tree.id, emptyTally);
    void navigate(where === 'next' && next ? `/bloom/read/${next.id}` : from, { state: { from } });
  };
  const [pictures, setPictures] = useState<Picture[]>([]);
  const taken = {
    pictures,
    change: setPictures,
    tree: tree.name,
    stages: sheet.stages.filter((s) => (tally.counts[s.key] ?? 0) > 0),
  };
  const send = () =>
    sendPictures(pictures, { of: 'READING', id, at: takenAt, tree: tree.name, account: session.accountId });
  const form = useSubmit<'next' | 'board', Schemas['ReadingView']>(
    () => answer(api.PUT('/api/readings/{id}', { params: { path: { id } }, body })),
    ['takenAt'],
    (saved, where) => {
      doneWithUndo(savedWords(tree, sheet, saved), () =>
        voidRecord('/api/readings/{id}/void', { id: saved.id }, saved.version, 'undone right after saving'),
      );
      send();
      goOn(where);
    },
    {
      write: () => ({
        method: 'PUT',
        path: `/api/readings/${id}`,
        body,
        label: t('tally.reading-of', { tree: tree.name, n: total(tally) }),
        account: session.accountId,
      }),
      kept: () => {
        sayKept(t('tally.read', { tree: tree.name, n: total(tally) }));
        send();
        goOn('board');
      },
    },
  );
  useKeys(sheet, setTally, () => form.submit('board'));
  const timeError = form.errorFor('takenAt', t('field.time'));
  return (
    <div className={classes.page}>
      <FieldHead back={from} backLabel={t('tally.back')} title={tree.name}>
        <Suspense fallback={null}>
          <TakePicture {...taken} bare />
        </Suspense>
        <button type="button" onClick={toggleNight} aria-pressed={night}>
          {night ? <IconSun size={22} /> : <IconMoon size={22} />} {night ? t('do.day') : t('do.night')}
        </button>
      </FieldHead>
      <div className={classes.line}>
        <button type="button" onClick={() => setMore((o) => !o)} aria-expanded={more}>
          {sheet.name.toLowerCase()} · {limb.trim() || t('tally.whole-tree')}
          {share !== '1' &&
            t('tally.share-counted', { share: t(SHARES.find((x) => x.value === share)!.name) })}{' '}
          · {said(takenAt, now, zone)}
        </button>
        <Link to={`/bloom/key?tree=${tree.id}`}>{t('page.key')}</Link>
      </div>
      {pictures.length > 0 && (
        <div className={classes.hint}>
          <Suspense fallback={null}>
            <TakenRow {...taken} />
          </Suspense>
        </div>
      )}
      {(more || timeError) && (
        <div className={classes.hint}>
          <Suspense fallback={null}>
            <TallyScope limb={limb} setLimb={setLimb} limbs={limbs} share={share} setShare={setShare} />
          </Suspense>
          <TimeField label={t('tally.when')} value={takenAt} onChange={setOwnTime} error={timeError} />
        </div>
      )}
      <p className={classes.hint}>
        {t('tally.tap-what')}{' '}
        {before ? t('tally.grey', { at: said(new Date(before.takenAt), now, zone) }) : t('tally.first')}{' '}
        {before && tally.taps.length === 0 && (
          <button
            type="button"
            className={classes.same}
            onClick={() => setTally((t) => startedFrom(t, before.counts))}
          >
            {t('tally.same')}
          </button>
        )}
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
      <SaveBar
        counted={total(tally)}
        busy={form.busy}
        undo={tally.taps.length === 0 ? undefined : () => setTally(undone)}
        save={() => form.submit('board')}
        saveAndNext={next && (() => form.submit('next'))}
      />
    </div>
  );
}

function SaveBar({
  counted,
  busy,
  undo,
  save,
  saveAndNext,
}: {
  counted: number;
  busy: boolean;
  undo: (() => void) | undefined;
  save: () => void;
  saveAndNext: (() => void) | undefined;
}) {
  return (
    <footer className={classes.bar}>
      <Button size="lg" px="sm" variant="outline" disabled={!undo} onClick={undo}>
        {t('tally.undo')}
      </Button>
      {saveAndNext && (
        <Button size="lg" px="sm" variant="outline" ml="auto" loading={busy} onClick={saveAndNext}>
          {t('tally.save-next')}
        </Button>
      )}
      <Button size="lg" px="sm" ml={saveAndNext ? 0 : 'auto'} loading={busy} onClick={save} data-save>
        {t('tally.save', { n: counted })}
      </Button>
    </footer>
  );
}

/** What was saved; a reading that does not fit the one before it is kept, and says so. */
function savedWords(tree: Schemas['TreeView'], sheet: Sheet, saved: Schemas['ReadingView']): string {
  const done = t('tally.saved', { tree: tree.name, n: saved.flowers });
  if (!saved.surpriseStage) return done;
  const name = sheet.stages.find((s) => s.key === saved.surpriseStage)?.name.toLowerCase();
  return `${done} ${t('tally.surprise', { n: Math.round(saved.surpriseExpected ?? 0), stage: name })}`;
}

/** Reads one tree: a tap for each flower. */
export function Tally() {
  const { tree: id = '' } = useParams();
  const trees = useQuery(queries.standing());
  const crops = useQuery(queries.crops());
  const readings = useQuery(queries.readings(id));
  usePageTitle(trees.data?.find((t) => t.id === id)?.name);
  return (
    <Loaded of={trees}>
      {(all) => {
        const tree = all.find((t) => t.id === id);
        if (!tree)
          return <Empty title={t('tally.no-tree')} action={<Link to="/bloom">{t('tally.to-bloom')}</Link>} />;
        return (
          <LoadedAll of={[crops, readings]}>
            {(sheets, before) => (
              <Reading
                key={id}
                tree={tree}
                trees={all}
                sheet={sheets.find((c) => c.key === tree.crop)!}
                earlier={before}
              />
            )}
          </LoadedAll>
        );
      }}
    </Loaded>
  );
}
