import { Button, Popover } from '@mantine/core';
import { useMediaQuery } from '@mantine/hooks';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import type { Schemas } from '../kit/api';
import { Glyph } from '../kit/Glyph';
import { temperature } from '../kit/numbers';
import { useHere } from '../kit/orchard-context';
import { queries } from '../kit/queries';
import { Ribbon, RibbonAxis } from '../kit/Ribbon';
import { dayAndClock, plural, said } from '../kit/time';
import classes from './Board.module.css';
import { rowWords, typicalStage } from './bloom-words';

type Bloom = Schemas['Bloom'];
type Row = Schemas['BloomRow'];

function Legend() {
  return (
    <>
      <span className={classes.key}>
        <svg width={26} height={14} aria-hidden="true">
          <rect y={2} width={26} height={10} fill="var(--take-mid)" stroke="var(--take)" />
          <circle cx={7} cy={7} r={2.3} fill="none" stroke="var(--take)" />
          <circle cx={17} cy={7} r={2.3} fill="none" stroke="var(--take)" />
        </svg>
        above the line: can take pollen
      </span>
      <span className={classes.key}>
        <svg width={26} height={14} aria-hidden="true">
          <rect y={2} width={26} height={10} fill="var(--give-mid)" stroke="var(--give-line)" />
          <circle cx={6} cy={6} r={1.4} fill="var(--give-line)" />
          <circle cx={13} cy={9} r={1.4} fill="var(--give-line)" />
          <circle cx={20} cy={6} r={1.4} fill="var(--give-line)" />
        </svg>
        below: giving it
      </span>
      <span className={classes.key}>thin edge: 9 times in 10 not more</span>
    </>
  );
}

/** What a tree's ribbon was reckoned from. */
function RowWhy({ row, sheet }: { row: Row; sheet: Schemas['CropSheetView'] | undefined }) {
  const { zone, orchard } = useHere();
  if (!row.reading || !sheet) return <p>Nothing was read on this tree in the last two weeks.</p>;
  return (
    <>
      <p>
        From the reading of {dayAndClock(new Date(row.reading.takenAt), zone)}:{' '}
        {sheet.stages
          .filter((s) => row.reading!.counts[s.key])
          .map((s) => `${row.reading!.counts[s.key]} ${s.name.toLowerCase()}`)
          .join(', ') || 'no flowers'}
        .
      </p>
      <p>
        Each flower walks on through the stages of the {sheet.name.toLowerCase()} sheet, faster in warmth.
        Air: a usual day here, {temperature(orchard.usualMinimumC, orchard.units)} to{' '}
        {temperature(orchard.usualMaximumC, orchard.units)}; no weather is recorded yet.
      </p>
      <p>The edge covers the chance of single flowers, not doubt about the weather or the sheet.</p>
      <Link to={`/crops/${sheet.key}`}>The sheet and what its numbers rest on</Link>
    </>
  );
}

function BoardRow({
  row,
  bloom,
  most,
  suns,
  every,
}: {
  row: Row;
  bloom: Bloom;
  most: number;
  suns: Schemas['SunDay'][];
  every: number;
}) {
  const { zone, now } = useHere();
  const { data: crops } = useQuery(queries.crops());
  const sheet = crops?.find((c) => c.key === row.crop);
  const stage = typicalStage(row, sheet);
  const words = rowWords(row, now, zone);
  return (
    <div className={classes.row} data-tree={row.treeName}>
      <Link to={`/bloom/read/${row.treeId}`} className={classes.tree} title={`Read ${row.treeName}`}>
        {stage && <Glyph glyph={stage.glyph} size={36} />}
        <span>
          <b>{row.treeName}</b>
          <span className={classes.place}>
            row {row.row}
            {row.reading && ` · read ${said(new Date(row.reading.takenAt), now, zone)}`}
          </span>
        </span>
      </Link>
      {row.reading ? (
        <Ribbon row={row} {...bloom} suns={suns} zone={zone} most={most} every={every} />
      ) : (
        <div className={classes.unread}>
          <Button component={Link} to={`/bloom/read/${row.treeId}`} size="compact-md" variant="outline">
            Read {row.treeName}
          </Button>
        </div>
      )}
      <Popover width={320} position="left" withArrow shadow="md">
        <Popover.Target>
          <button type="button" className={classes.words} title="Why?">
            <b>{words.now}</b>
            <span>{words.next}</span>
          </button>
        </Popover.Target>
        <Popover.Dropdown>
          <div className="small stack" style={{ gap: 6 }}>
            <RowWhy row={row} sheet={sheet} />
          </div>
        </Popover.Dropdown>
      </Popover>
    </div>
  );
}

/** Every tree's ribbon on one time axis. */
export function Board({ bloom, rows, title }: { bloom: Bloom; rows: Row[]; title: string }) {
  const { zone } = useHere();
  const hours = (Date.parse(bloom.until) - Date.parse(bloom.from)) / 3_600_000;
  const { data: light } = useQuery(queries.light(hours));
  const most = Math.max(1, ...rows.flatMap((r) => [...r.taking, ...r.giving].map((c) => c.high)));
  const narrow = useMediaQuery('(max-width: 760px)');
  const every = hours > 60 || (narrow && hours > 24) ? 12 : 6;
  return (
    <section className="card" aria-label={title}>
      <header className={classes.head}>
        <b>{title}</b>
        <Legend />
        <span className={classes.key} style={{ marginLeft: 'auto' }}>
          full height: {plural(most, 'flower')}
        </span>
      </header>
      <div className={classes.axis}>
        <span />
        <RibbonAxis from={bloom.from} until={bloom.until} zone={zone} every={every} />
        <span />
      </div>
      {rows.map((row) => (
        <BoardRow
          key={row.treeId}
          row={row}
          bloom={bloom}
          most={most}
          suns={light?.suns ?? []}
          every={every}
        />
      ))}
    </section>
  );
}
