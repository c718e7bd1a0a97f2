import { Autocomplete, Button, SegmentedControl } from '@mantine/core';
import { IconMoon, IconSun } from '@tabler/icons-react';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { Link, useLocation, useNavigate, useParams } from 'react-router';
import { answer, api, type Schemas } from '../kit/api';
import { FieldHead } from '../kit/FieldHead';
import { Glyph } from '../kit/Glyph';
import { newId } from '../kit/ids';
import { sayKept } from '../kit/kept';
import { useNightMode } from '../kit/night';
import { useHere } from '../kit/orchard-context';
import { usePageTitle } from '../kit/page-title';
import { queries } from '../kit/queries';
import { Empty, Loaded } from '../kit/States';
import { plural, said } from '../kit/time';
import { TimeField } from '../kit/TimeField';
import { doneWithUndo } from '../kit/undo';
import { useSubmit } from '../kit/use-submit';
import classes from './Tally.module.css';
import {
  emptyTally,
  leaveOpen,
  leftOpen,
  startedFrom,
  tapped,
  total,
  undone,
  type Tally as TallyState,
} from './tally-state';

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

const SHARES = [
  { value: '1', label: 'all of it' },
  { value: '0.5', label: 'half' },
  { value: '0.25', label: 'a quarter' },
  { value: '0.1', label: 'a tenth' },
];

/** What is counted: the whole tree or a limb, all of it or a part. */
function Scope({
  limb,
  setLimb,
  limbs,
  share,
  setShare,
}: {
  limb: string;
  setLimb: (limb: string) => void;
  limbs: string[];
  share: string;
  setShare: (share: string) => void;
}) {
  return (
    <div className={classes.scope}>
      <Autocomplete
        label="Limb"
        description="leave empty for the whole tree"
        placeholder="whole tree"
        value={limb}
        onChange={setLimb}
        data={limbs}
        maxLength={40}
      />
      <div>
        <span className={classes.label}>Counted</span>
        <SegmentedControl
          fullWidth
          value={share}
          onChange={setShare}
          data={SHARES}
          aria-label="How much of the crown is counted"
        />
        <span className="small soft">
          {share === '1' ? 'every flower is tapped' : 'the rest is scaled up, with more doubt'}
        </span>
      </div>
    </div>
  );
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
  const form = useSubmit<'next' | 'board', Schemas['ReadingView']>(
    () => answer(api.PUT('/api/readings/{id}', { params: { path: { id } }, body })),
    ['takenAt'],
    (saved, where) => {
      doneWithUndo(savedWords(tree, sheet, saved), () =>
        answer(
          api.POST('/api/readings/{id}/void', {
            params: { path: { id: saved.id } },
            body: { version: saved.version, reason: 'undone right after saving' },
          }),
        ),
      );
      goOn(where);
    },
    {
      write: () => ({
        method: 'PUT',
        path: `/api/readings/${id}`,
        body,
        label: `${tree.name}: reading of ${plural(total(tally), 'flower')}`,
        account: session.accountId,
      }),
      kept: () => {
        sayKept(`${tree.name}: ${plural(total(tally), 'flower')} read.`);
        goOn('board');
      },
    },
  );
  useKeys(sheet, setTally, () => form.submit('board'));
  const timeError = form.errorFor('takenAt', 'Time');
  return (
    <div className={classes.page}>
      <FieldHead back={from} backLabel="Back, without saving" title={tree.name}>
        <button type="button" onClick={toggleNight} aria-pressed={night}>
          {night ? <IconSun size={22} /> : <IconMoon size={22} />} {night ? 'day' : 'night'}
        </button>
      </FieldHead>
      <div className={classes.line}>
        <button type="button" onClick={() => setMore((o) => !o)} aria-expanded={more}>
          {sheet.name.toLowerCase()} · {limb.trim() || 'whole tree'}
          {share !== '1' && `, ${SHARES.find((x) => x.value === share)!.label} counted`} ·{' '}
          {said(takenAt, now, zone)}
        </button>
        <Link to={`/bloom/key?tree=${tree.id}`}>Identify a flower</Link>
      </div>
      {(more || timeError) && (
        <div className={classes.hint}>
          <Scope limb={limb} setLimb={setLimb} limbs={limbs} share={share} setShare={setShare} />
          <TimeField label="When you looked" value={takenAt} onChange={setOwnTime} error={timeError} />
        </div>
      )}
      <p className={classes.hint}>
        Tap what you see, once for each flower, those already done too.{' '}
        {before ? `Grey: ${said(new Date(before.takenAt), now, zone)}.` : 'First reading of it.'}{' '}
        {before && tally.taps.length === 0 && (
          <button
            type="button"
            className={classes.same}
            onClick={() => setTally((t) => startedFrom(t, before.counts))}
          >
            Same as last time, plus…
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

/** What was saved; a reading that does not fit the one before it is kept, and says so. */
function savedWords(tree: Schemas['TreeView'], sheet: Sheet, saved: Schemas['ReadingView']): string {
  const done = `${tree.name}: ${plural(saved.flowers, 'flower')} written down.`;
  if (!saved.surpriseStage) return done;
  const name = sheet.stages.find((s) => s.key === saved.surpriseStage)?.name.toLowerCase();
  return `${done} That is not what the last reading let expect: about ${Math.round(saved.surpriseExpected ?? 0)} ${name}. Yours counts.`;
}

/** Reads one tree: a tap for each flower. */
export function Tally() {
  const { tree: id = '' } = useParams();
  const trees = useQuery(queries.trees());
  const crops = useQuery(queries.crops());
  const readings = useQuery(queries.readings(id));
  usePageTitle(trees.data?.find((t) => t.id === id)?.name);
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
                    earlier={before}
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
