import { useElementSize } from '@mantine/hooks';
import { useQuery } from '@tanstack/react-query';
import { scaleTime } from 'd3-scale';
import { Link } from 'react-router';
import type { Schemas } from '../api/api';
import { queries } from '../api/queries';
import { AxisBottom } from '../charts/Axis';
import { plural } from '../format/time';
import { FruitTabs } from '../fruitset/FruitTabs';
import { Empty, Loaded } from '../ui/States';
import { parents, STAGES } from './seed-words';
import classes from './Seeds.module.css';

type River = Schemas['SeedRiver'];
type Day = Schemas['SeedRiverDay'];

/** Height of the largest lot, and the least that can be seen of one, px. */
const HIGHEST = 56;
const LOWEST = 3;
const AXIS = 26;

const total = (day: Day): number => day.alive.reduce((sum, a) => sum + a.count, 0);
const begun = (r: River) => total(r.days[0]!);
const now = (r: River) => total(r.days[r.days.length - 1]!);

/** Years from the first harvest to the last fruit that is expected. */
function years(rivers: River[]): [number, number] {
  const until = rivers
    .flatMap((r) => [r.today, r.fruitFrom ?? r.today])
    .sort()
    .at(-1)!;
  return [Number(rivers[0]!.days[0]!.on.slice(0, 4)), Number(until.slice(0, 4)) + 1];
}

const yearScale = (of: [number, number], width: number) =>
  scaleTime()
    .domain([new Date(`${of[0]}-01-01`), new Date(`${of[1]}-01-01`)])
    .range([0, Math.max(1, width)]);

/** Every year where there is room for it, else every second, third. */
function yearTicks(of: [number, number], width: number) {
  const x = yearScale(of, width);
  const every = Math.max(1, Math.ceil((of[1] - of[0]) / Math.max(1, width / 52)));
  const all = [];
  for (let y = of[0] + 1; y < of[1]; y += every) all.push({ at: x(new Date(`${y}-01-01`)), label: y });
  return all;
}

function words(r: River): string {
  const lost = begun(r) - now(r);
  return [
    plural(begun(r), 'seed'),
    lost > 0 && `${lost} gone`,
    `${now(r)} alive`,
    r.fruitFrom && r.fruitFrom > r.today && `first fruit about ${r.fruitFrom.slice(0, 4)}`,
  ]
    .filter(Boolean)
    .join(', ');
}

/** What is alive of a lot over the years: as high as there are seeds and seedlings, paler the earlier they are on their way. */
function Band({ of, span, most, width }: { of: River; span: [number, number]; most: number; width: number }) {
  const x = yearScale(span, width);
  const height = Math.max(14, (HIGHEST * begun(of)) / most);
  const each = Math.max(LOWEST / begun(of), height / begun(of));
  const at = (day: string) => x(new Date(day));
  const ends = of.days.map((_, i) => of.days[i + 1]?.on ?? of.today);
  return (
    <svg width={width} height={height} role="img" aria-label={`${of.label}: ${words(of)}`}>
      {of.days.flatMap((day, i) => {
        let below = (height - total(day) * each) / 2;
        return day.alive.map((a) => {
          const y = below;
          below += a.count * each;
          return (
            <rect
              key={day.on + a.stage}
              data-stage={a.stage}
              x={at(day.on)}
              y={y}
              width={Math.max(1, at(ends[i]!) - at(day.on))}
              height={a.count * each}
            />
          );
        });
      })}
      {of.fruitFrom && of.fruitFrom > of.today && (
        <>
          <path
            d={`M${at(of.today) + 4} ${height / 2}H${at(of.fruitFrom) - 7}`}
            stroke="var(--leaf)"
            strokeDasharray="2 5"
          />
          <circle
            cx={at(of.fruitFrom)}
            cy={height / 2}
            r={5}
            fill="none"
            stroke="var(--leaf)"
            strokeWidth={2}
          />
        </>
      )}
    </svg>
  );
}

function Picture({ of }: { of: River[] }) {
  const { ref, width } = useElementSize();
  const span = years(of);
  const most = Math.max(...of.map(begun));
  return (
    <section className={`card stack ${classes.rivers}`}>
      <div ref={ref}>
        {of.map((r) => (
          <div key={r.id} className={classes.river}>
            <div className="small">
              <Link to={`/fruit-set/seeds/${r.id}`}>{r.label}</Link> {parents({ ...r, tree: r.mother })}
              <span className="soft">: {words(r)}</span>
            </div>
            {width > 0 && <Band of={r} span={span} most={most} width={width} />}
          </div>
        ))}
        <svg width={width} height={AXIS} aria-hidden>
          <AxisBottom ticks={yearTicks(span, width)} height={AXIS} top={0} />
        </svg>
      </div>
      <ul className={classes.legend}>
        {Object.entries(STAGES).map(([stage, name]) => (
          <li key={stage} data-stage={stage}>
            {name}
          </li>
        ))}
      </ul>
      <p className="small soft">
        Each band is as high as there are seeds and seedlings alive. The dotted line leads to the first fruit
        that the crop sheet expects.
      </p>
    </section>
  );
}

/** Every lot over the years, from its harvest to the first fruit. */
export function Rivers() {
  const rivers = useQuery(queries.rivers());
  return (
    <>
      <FruitTabs />
      <h1>Seeds and seedlings over the years</h1>
      <Loaded of={rivers}>
        {(all) =>
          all.length === 0 ? (
            <Empty title="Seeds begin with a harvested fruit">
              Make a lot under <Link to="/fruit-set/seeds">Seeds and seedlings</Link>, and it is drawn here.
            </Empty>
          ) : (
            <Picture of={all} />
          )
        }
      </Loaded>
    </>
  );
}
