import { Button, Popover } from '@mantine/core';
import { useMediaQuery } from '@mantine/hooks';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import type { Schemas } from '../api/api';
import { Glyph } from '../ui/Glyph';
import { percent, temperature } from '../format/numbers';
import { useHere } from '../ui/orchard-context';
import { useNear } from '../ui/near';
import { queries } from '../api/queries';
import { Ribbon, RibbonAxis } from '../charts/Ribbon';
import { dayAndClock, plural, said } from '../format/time';
import { airWords } from './air-words';
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
        above the line: can be pollinated
      </span>
      <span className={classes.key}>
        <svg width={26} height={14} aria-hidden="true">
          <rect y={2} width={26} height={10} fill="var(--give-mid)" stroke="var(--give-line)" />
          <circle cx={6} cy={6} r={1.4} fill="var(--give-line)" />
          <circle cx={13} cy={9} r={1.4} fill="var(--give-line)" />
          <circle cx={20} cy={6} r={1.4} fill="var(--give-line)" />
        </svg>
        below: shedding pollen
      </span>
      <span className={classes.key}>thin edge: 9 times in 10 not more</span>
    </>
  );
}

/** "Pale Ridge takes 8 % longer than the sheet (8 times in 10 between 0 and 15 %), from 9 readings." */
function rateWords(row: Row, own: Schemas['VarietyNumbers'] | undefined): string {
  const rate = row.developmentRate!;
  const off = Math.round((rate.factor - 1) * 100);
  const range = `${Math.round((rate.low - 1) * 100)} and ${Math.round((rate.high - 1) * 100)} %`;
  const readings = own?.developmentRate
    ? `from ${own.developmentRate} set for the variety${own.source ? ` (${own.source})` : ''} and ${plural(rate.readings, 'reading')}`
    : `from ${plural(rate.readings, 'reading')}`;
  return off === 0
    ? `${row.varietyName} develops as fast as the sheet (8 times in 10 between ${range}), ${readings}.`
    : `${row.varietyName} takes ${Math.abs(off)} % ${off > 0 ? 'longer' : 'less time'} than the sheet (8 times in 10 between ${range}), ${readings}.`;
}

/** What a tree's ribbon was reckoned from. */
function RowWhy({
  row,
  sheet,
  weather,
}: {
  row: Row;
  sheet: Schemas['CropSheetView'] | undefined;
  weather: Schemas['AirStretch'][];
}) {
  const { zone, now, orchard } = useHere();
  const { data: varieties = [] } = useQuery(queries.varieties());
  if (!row.reading || !sheet) return <p>Nothing was read on this tree in the last two weeks.</p>;
  const stageName = (key: string) => sheet.stages.find((s) => s.key === key)?.name.toLowerCase() ?? key;
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
      {row.reading.share < 1 && (
        <p>Counted was {percent(row.reading.share)} of the crown; the rest is scaled up.</p>
      )}
      {row.reading.surpriseStage && (
        <p className="warn">
          It did not fit the reading before it: about {Math.round(row.reading.surpriseExpected ?? 0)}{' '}
          {stageName(row.reading.surpriseStage)} were to be expected. What you counted stands.
        </p>
      )}
      <p>
        Each flower walks on through the stages of the {sheet.name.toLowerCase()} sheet, faster in warmth.{' '}
        {airWords(weather, now, zone)}{' '}
        {weather.some((w) => w.source === 'USUAL') &&
          `A typical day here: ${temperature(orchard.typicalMinimumC, orchard.units)} to ${temperature(orchard.typicalMaximumC, orchard.units)}.`}
      </p>
      {row.developmentRate && <p>{rateWords(row, varieties.find((v) => v.id === row.varietyId)?.numbers)}</p>}
      <p>
        All readings of {row.varietyName} of the last two weeks are used, buds still to come included. The
        edge covers what single flowers do, the supply of new buds, the speed of the variety, weather that is
        only foreseen, and miscounting by about one in twenty.
      </p>
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
  const words = rowWords(row, bloom, now, zone);
  // Of hundreds of trees only those near the screen are drawn.
  const [ref, near] = useNear();
  return (
    <div className={classes.row} data-tree={row.treeName}>
      <Link to={`/bloom/read/${row.treeId}`} className={classes.tree} title={`Read ${row.treeName}`}>
        {stage && <Glyph glyph={stage.glyph} size={36} />}
        <span>
          <b>{row.treeName}</b>
          <span className={classes.place}>
            {sheet?.name.toLowerCase() ?? row.crop}
            {row.reading && ` · read ${said(new Date(row.reading.takenAt), now, zone)}`}
          </span>
        </span>
      </Link>
      {row.reading ? (
        <div ref={ref} style={{ minHeight: 62 }}>
          {near && <Ribbon row={row} {...bloom} suns={suns} zone={zone} most={most} every={every} />}
        </div>
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
            <RowWhy row={row} sheet={sheet} weather={bloom.weather} />
          </div>
        </Popover.Dropdown>
      </Popover>
    </div>
  );
}

/** Hours between the marks of the axis, so that they stay apart. */
function tickEvery(hours: number, narrow: boolean): number {
  const wanted = hours / (narrow ? 5 : 11);
  return [1, 2, 3, 6, 12, 24, 48].find((h) => h >= wanted) ?? 48;
}

/** Every tree's ribbon on one time axis. */
export function Board({ bloom, rows, title }: { bloom: Bloom; rows: Row[]; title: string }) {
  const { zone, now } = useHere();
  const hours = (Date.parse(bloom.until) - Date.parse(bloom.from)) / 3_600_000;
  const { data: light } = useQuery(queries.light(hours));
  const most = rows.reduce((n, r) => Math.max(n, ...r.receptive.high, ...r.shedding.high), 1);
  const narrow = useMediaQuery('(max-width: 760px)');
  const every = tickEvery(hours, narrow ?? false);
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
      <p className="small soft" style={{ marginTop: 8 }}>
        {airWords(bloom.weather, now, zone)} <Link to="/bloom/weather">Weather</Link>
      </p>
    </section>
  );
}
