import { Anew } from '../ui/Anew';
import { Button, NativeSelect, SegmentedControl } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import type { Schemas } from '../api/api';
import { useHere } from '../ui/orchard-context';
import { queries } from '../api/queries';
import { useAddress } from '../ui/use-address';
import { Empty, Loaded } from '../ui/States';
import { BloomTabs } from './BloomTabs';
import { Board } from './Board';
import classes from './Bloom.module.css';
import { boardSentence, ordered, type Order } from './bloom-words';
import { Meetings } from './Meetings';

type BloomData = Schemas['Bloom'];

const RANGES = [
  { value: '6', label: '6 h', long: '6 hours' },
  { value: '24', label: '24 h', long: '24 hours' },
  { value: '48', label: '2 d', long: '2 days' },
  { value: '72', label: '3 d', long: '3 days' },
  { value: '120', label: '5 d', long: '5 days' },
  { value: '240', label: '10 d', long: '10 days' },
];
const ORDERS = [
  { value: 'now', label: 'most to do now' },
  { value: 'evening', label: 'most females this evening' },
  { value: 'pollen', label: 'pollen soonest' },
  { value: 'place', label: 'by place' },
];

interface Choice {
  crop: string;
  variety: string;
  block: string;
}

const options = (all: string, values: [string, string][]) => [
  { value: '', label: all },
  ...[...new Map(values)]
    .sort((a, b) => a[1].localeCompare(b[1]))
    .map(([value, label]) => ({ value, label })),
];

function Filters({
  bloom,
  crops,
  choice,
  choose,
  order,
  setOrder,
}: {
  bloom: BloomData;
  crops: Schemas['CropSheetView'][];
  choice: Choice;
  choose: (c: Choice) => void;
  order: Order;
  setOrder: (o: Order) => void;
}) {
  const name = (crop: string) => crops.find((c) => c.key === crop)?.name ?? crop;
  const some = bloom.trees.filter((t) => !choice.crop || t.crop === choice.crop);
  return (
    <div className={`${classes.filters} noprint`}>
      <NativeSelect
        aria-label="Crop"
        value={choice.crop}
        data={options(
          'all crops',
          bloom.trees.map((t) => [t.crop, name(t.crop)]),
        )}
        onChange={(e) => choose({ ...choice, crop: e.currentTarget.value, variety: '' })}
      />
      <NativeSelect
        aria-label="Variety"
        value={choice.variety}
        data={options(
          'all varieties',
          some.map((t) => [t.varietyId, t.varietyName]),
        )}
        onChange={(e) => choose({ ...choice, variety: e.currentTarget.value })}
      />
      <NativeSelect
        aria-label="Block"
        value={choice.block}
        data={options(
          'all blocks',
          bloom.trees.map((t) => [t.block, t.block || '(no block)']),
        )}
        onChange={(e) => choose({ ...choice, block: e.currentTarget.value })}
      />
      <NativeSelect
        aria-label="Order"
        value={order}
        data={ORDERS}
        onChange={(e) => setOrder(e.currentTarget.value as Order)}
      />
    </div>
  );
}

const NO_CHOICE = { crop: '', variety: '', block: '' };

function Shown({ bloom, hours }: { bloom: BloomData; hours: string }) {
  const { data: crops } = useQuery(queries.crops());
  const [{ order, ...choice }, choose] = useAddress(
    { order: 'now', ...NO_CHOICE },
    { order: ORDERS.map((o) => o.value) },
  );
  const rows = ordered(
    bloom.trees.filter(
      (t) =>
        (!choice.crop || t.crop === choice.crop) &&
        (!choice.variety || t.varietyId === choice.variety) &&
        (!choice.block || t.block === choice.block),
    ),
    order as Order,
  );
  const varieties = new Set(rows.map((r) => r.varietyId));
  const range = RANGES.find((r) => r.value === hours)!.long;
  return (
    <>
      <Filters
        bloom={bloom}
        crops={crops ?? []}
        choice={choice}
        choose={choose}
        order={order as Order}
        setOrder={(o) => choose({ order: o })}
      />
      {rows.length === 0 ? (
        <Empty
          title="No tree fits these filters"
          action={
            <Button variant="outline" onClick={() => choose(NO_CHOICE)}>
              Show all trees
            </Button>
          }
        />
      ) : (
        <>
          <Board bloom={bloom} rows={rows} title={`Next ${range}`} />
          <Meetings
            meetings={bloom.varieties.filter((v) => varieties.has(v.varietyId))}
            crops={crops ?? []}
          />
        </>
      )}
    </>
  );
}

export function Bloom() {
  const { zone, now } = useHere();
  const [{ hours }, choose] = useAddress({ hours: '72' }, { hours: RANGES.map((r) => r.value) });
  const bloom = useQuery({ ...queries.bloom(Number(hours)), placeholderData: (before) => before });
  return (
    <>
      <BloomTabs />
      <Loaded of={bloom}>
        {(b) =>
          b.trees.length === 0 ? (
            <Empty
              title="No trees yet"
              action={
                <Button component={Link} to="/orchard">
                  Add varieties and trees
                </Button>
              }
            >
              Once there are trees you can read their flowers, and see here what they will do for up to ten
              days.
            </Empty>
          ) : (
            <>
              <div className="say">
                <h1>{boardSentence(b, now, zone)}</h1>
                <div className="do noprint">
                  <SegmentedControl
                    value={hours}
                    onChange={(h) => choose({ hours: h })}
                    data={RANGES.map(({ value, label }) => ({ value, label }))}
                    aria-label="How far ahead"
                  />
                </div>
              </div>
              <Anew of="bloom" age={b.ageSeconds} />
              <Shown bloom={b} hours={hours} />
            </>
          )
        }
      </Loaded>
    </>
  );
}
