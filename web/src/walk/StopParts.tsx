import { Button } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import type { Schemas } from '../api/api';
import { Glyph } from '../ui/Glyph';
import { queries } from '../api/queries';
import { placeWords } from '../text/place-words';
import classes from './Walk.module.css';
import { rich, phraseWord, t } from '../text/text';

type Stop = Schemas['RoundStop'];
type Sheet = Schemas['CropSheetView'];

/** Which tree, where it stands, and what is to be looked at there on the way. */
export function Where({ stop, walk }: { stop: Stop; walk: string }) {
  return (
    <>
      <div className={classes.where}>
        <b>{stop.treeName}</b> · {placeWords(stop)}
      </div>
      <ChecksHere tree={stop.treeId} walk={walk} />
    </>
  );
}

/** Flowers of earlier visits at this tree whose check is due. */
function ChecksHere({ tree, walk }: { tree: string; walk: string }) {
  const { data } = useQuery(queries.fruitSet());
  const due = data?.rows.filter((r) => r.due?.now && r.pollination.treeId === tree) ?? [];
  if (due.length === 0) return null;
  return (
    <Link className={classes.link} to={`/fruit-set/walk?tree=${tree}&walk=${walk}`}>
      {t('walk.checks-here', { n: due.length, name: phraseWord(due[0]!.due!.name) })}
    </Link>
  );
}

/** The flowers to look for: drawn, counted and described. */
export function Looks({ stop, sheet }: { stop: Stop; sheet: Sheet | undefined }) {
  const wanted = sheet?.stages.filter((s) => stop.byStage.some((b) => b.stage === s.key)) ?? [];
  return wanted.map((s) => (
    <div key={s.key} className={classes.look}>
      <span className={classes.glyph}>
        <Glyph glyph={s.glyph} size={56} />
      </span>
      <span>
        <b>
          {stop.byStage.find((b) => b.stage === s.key)?.flowers} {s.name.toLowerCase()}
        </b>
        <br />
        {s.signs}
      </span>
    </div>
  ));
}

/** How many go on which measured limb. */
export function Limbs({ stop }: { stop: Stop }) {
  if (stop.limbs.length === 0) return null;
  return (
    <details className={classes.marks}>
      <summary>{t('walk.limb-by-limb')}</summary>
      <ul className={classes.cautions}>
        {stop.limbs.map((l, i) => (
          <li key={i}>
            {rich('walk.limb', { n: i + 1, mm: l.diameterMm, flowers: l.flowers })}{' '}
            <span className="soft">{t('walk.limb-carries', { n: l.fruits })}</span>
          </li>
        ))}
      </ul>
    </details>
  );
}

/** More flowers than any stop has. */
const MOST = 20_000;

interface CountProps {
  count: number;
  setCount: (n: number) => void;
  of: number;
  done: { mine: number; others: number };
}

/** The big minus and plus, and what was done here already. */
export function CountRow({ count, setCount, of, done }: CountProps) {
  return (
    <div className={classes.pm}>
      <button type="button" aria-label={t('do.one-less')} onClick={() => setCount(Math.max(0, count - 1))}>
        −
      </button>
      <div className={classes.middle}>
        <input
          type="number"
          inputMode="numeric"
          min={0}
          max={MOST}
          aria-label={t('walk.how-many')}
          className={classes.big}
          data-count
          value={count}
          onFocus={(e) => e.currentTarget.select()}
          onChange={(e) => setCount(Math.max(0, Math.min(MOST, Math.floor(Number(e.currentTarget.value)))))}
        />
        <span>
          {t('walk.of-flowers', { n: of })}
          {done.mine + done.others > 0 && (
            <>
              <br />
              {t('walk.done-here', { n: done.mine + done.others })}
              {done.others > 0 && t('walk.by-others', { n: done.others })}
            </>
          )}
        </span>
      </div>
      <button type="button" aria-label={t('do.one-more')} onClick={() => setCount(count + 1)}>
        +
      </button>
    </div>
  );
}

interface BarProps {
  last: boolean;
  count: number;
  busy: boolean;
  /** What the button says before anything is counted. */
  before: string;
  skip: () => void;
  done: () => void;
  children?: ReactNode;
}

/** The bar under the thumb: skip, or write down what was counted. */
export function StopBar({ last, count, busy, before, skip, done, children }: BarProps) {
  return (
    <footer className={classes.bar}>
      <Button size="lg" variant="outline" mr="auto" onClick={skip} disabled={busy}>
        {last ? t('do.skip-end') : t('do.skip')}
      </Button>
      {children}
      <Button size="lg" disabled={count === 0} loading={busy} onClick={done}>
        {count === 0 ? before : t('walk.done-n', { n: count })}
      </Button>
    </footer>
  );
}
