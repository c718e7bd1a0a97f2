import { RecordForm } from '../form/RecordForm';
import { NumberField } from '../form/fields';
import { ActionIcon, Button, Checkbox, Chip, Group, Radio, Stack } from '@mantine/core';
import { IconX } from '@tabler/icons-react';
import { useQuery } from '@tanstack/react-query';
import { useState, type ReactNode } from 'react';
import { answer, api, type Schemas } from '../api/api';
import { newId } from '../api/ids';
import { queries } from '../api/queries';
import { Loaded } from '../ui/States';
import { DateField, HourField } from '../form/TimeField';
import { doneWithUndo } from '../ui/undo';
import { useSubmit } from '../form/use-submit';
import { CalendarCard } from '../planning/CalendarCard';
import { RoundTabs } from '../planning/RoundTabs';

type Settings = Schemas['RoundSettings'];
type Hour = Schemas['FreeHours'];

const WEEKDAYS = [
  ['MONDAY', 'Mon'],
  ['TUESDAY', 'Tue'],
  ['WEDNESDAY', 'Wed'],
  ['THURSDAY', 'Thu'],
  ['FRIDAY', 'Fri'],
  ['SATURDAY', 'Sat'],
  ['SUNDAY', 'Sun'],
] as const;

const hm = (t: string): string => t.slice(0, 5);

function HourFields({ label, hours, set }: { label: string; hours: Hour[]; set: (h: Hour[]) => void }) {
  return (
    <div className="stack">
      {hours.map((h, i) => (
        <div key={i} className="line" style={{ flexWrap: 'nowrap' }}>
          <HourField
            aria-label={`${label} ${i + 1}: from`}
            value={hm(h.from)}
            onChange={(from) => set(hours.map((x, j) => (j === i ? { ...x, from } : x)))}
          />
          to
          <HourField
            aria-label={`${label} ${i + 1}: until`}
            value={hm(h.until)}
            onChange={(until) => set(hours.map((x, j) => (j === i ? { ...x, until } : x)))}
          />
          <ActionIcon
            size={36}
            variant="subtle"
            aria-label={`${label} ${i + 1}: remove`}
            onClick={() => set(hours.filter((_, j) => j !== i))}
          >
            <IconX size={18} />
          </ActionIcon>
        </div>
      ))}
      <div>
        <Button
          variant="outline"
          size="sm"
          onClick={() => set([...hours, { from: '16:00', until: '19:00' }])}
        >
          Add hours
        </Button>
      </div>
    </div>
  );
}

interface ListProps<T> {
  heading: string;
  of: T[];
  set: (all: T[]) => void;
  add: string;
  fresh: T;
  children: (one: T, i: number, change: (part: Partial<T>) => void) => ReactNode;
}

/** Lines of fields, each with a way to remove it, and one to add another. */
function FieldList<T>({ heading, of, set, add, fresh, children }: ListProps<T>) {
  return (
    <div>
      <b>{heading}</b>
      {of.map((one, i) => (
        <div key={i} className="line" style={{ alignItems: 'flex-start', margin: '8px 0' }}>
          {children(one, i, (part) => set(of.map((x, j) => (j === i ? { ...x, ...part } : x))))}
          <Button variant="subtle" size="sm" onClick={() => set(of.filter((_, j) => j !== i))}>
            Remove
          </Button>
        </div>
      ))}
      <div>
        <Button variant="outline" size="sm" onClick={() => set([...of, fresh])}>
          {add}
        </Button>
      </div>
    </div>
  );
}

type Days = Settings['singleDays'];

const OtherHours = ({ days, set }: { days: Days; set: (d: Days) => void }) => (
  <FieldList
    heading="Days with other hours"
    of={days}
    set={set}
    add="Add a day"
    fresh={{ day: '', hours: [] }}
  >
    {(d, i, change) => (
      <>
        <DateField aria-label={`Day ${i + 1}`} value={d.day} onChange={(day) => change({ day })} />
        <HourFields label={`Day ${i + 1} hours`} hours={d.hours} set={(hours) => change({ hours })} />
      </>
    )}
  </FieldList>
);

type DaysAway = Settings['away'];

const AwayDays = ({ away, set }: { away: DaysAway; set: (a: DaysAway) => void }) => (
  <FieldList heading="Away" of={away} set={set} add="Add days away" fresh={{ first: '', last: '', note: '' }}>
    {(a, i, change) => (
      <>
        <DateField
          aria-label={`Away ${i + 1}: first day`}
          value={a.first}
          onChange={(first) => change({ first })}
        />
        <span style={{ lineHeight: '36px' }}>to</span>
        <DateField
          aria-label={`Away ${i + 1}: last day`}
          value={a.last}
          onChange={(last) => change({ last })}
        />
      </>
    )}
  </FieldList>
);

interface PartProps {
  of: Settings;
  change: (part: Partial<Settings>) => void;
}

function RhythmFields({ of: s, change, error }: PartProps & { error: string | undefined }) {
  return (
    <>
      <Radio.Group label="Days on which you go" value={s.rhythm} onChange={(v) => change({ rhythm: v })}>
        <Stack gap={8} mt={4}>
          <Radio value="EVERY_DAY" label="every day with enough to do" />
          <Radio value="EVERY_OTHER_DAY" label="every other day" />
          <Radio value="AS_SHEET" label="as many days apart as each crop’s sheet says" />
          <Radio value="WEEKDAYS" label="on some days of the week" />
        </Stack>
      </Radio.Group>
      {s.rhythm === 'WEEKDAYS' && (
        <Chip.Group multiple value={s.weekdays} onChange={(v) => change({ weekdays: v })}>
          <Group gap={6}>
            {WEEKDAYS.map(([day, name]) => (
              <Chip key={day} value={day}>
                {name}
              </Chip>
            ))}
          </Group>
          {error && <p className="warn">{error}</p>}
        </Chip.Group>
      )}
    </>
  );
}

interface ChoiceProps<V extends string> {
  label: string;
  description?: string;
  value: V;
  set: (value: V) => void;
  /** What each value means. */
  of: Record<V, string>;
}

function Choice<V extends string>({ value, set, of, ...group }: ChoiceProps<V>) {
  return (
    <Radio.Group value={value} onChange={(chosen) => set(chosen)} {...group}>
      <Stack gap={8} mt={4}>
        {(Object.keys(of) as V[]).map((v) => (
          <Radio key={v} value={v} label={of[v]} />
        ))}
      </Stack>
    </Radio.Group>
  );
}

function HabitFields({ of: s, change }: PartProps) {
  return (
    <>
      <Checkbox
        label="Leave a crop alone while it is too cold for it"
        description="Where its sheet says how warm it must be: 15 °C for apple, pear and cherry."
        checked={s.onlyWhenWarm}
        onChange={(e) => change({ onlyWhenWarm: e.currentTarget.checked })}
      />
      <Choice
        label="Flowers before the leaves are out"
        description="Where the crop’s sheet lets them wait and the day of leaf-out is written down under Season ahead."
        value={s.earlyFlush}
        set={(earlyFlush) => change({ earlyFlush })}
        of={{ WAIT: 'leave them alone: early flowers seldom hold fruit', USE: 'use every flower' }}
      />
      <Choice
        label="Age of the pollen"
        value={s.pollenAge}
        set={(pollenAge) => change({ pollenAge })}
        of={{
          STORED: 'kept pollen too, counted with what should be alive of it',
          SAME_HOUR: 'only what was collected within the hour',
        }}
      />
      <Choice
        label="Strokes on the stigma"
        value={s.strokes}
        set={(strokes) => change({ strokes })}
        of={{
          AS_SHEET: 'as the crop sheet says',
          FULL: 'many, all round: more seeds, a better shape',
          LIGHT: 'once in and out: fewer seeds',
        }}
      />
      <Checkbox
        label="Keep where pictures of a walk were taken"
        description="Off: the place is never kept. On: this device’s position is kept beside the picture, seen by everybody of this orchard."
        checked={s.keepPhotoPlace}
        onChange={(e) => change({ keepPhotoPlace: e.currentTarget.checked })}
      />
      <Checkbox
        label="Use what was learned here"
        description="On: the flower budget and the plan use the shares your own flowers showed. Off: the crop sheets’ alone. Findings shows both."
        checked={s.useLearned}
        onChange={(e) => change({ useLearned: e.currentTarget.checked })}
      />
      <Checkbox
        label="Go over the same flowers once more while stigmas last"
        description="On: a visit takes in flowers that had pollen ten hours ago or more, where the same father’s is to spare. Off: once is enough."
        checked={s.repeatVisits}
        onChange={(e) => change({ repeatVisits: e.currentTarget.checked })}
      />
    </>
  );
}

function HoursForm({ before }: { before: Settings }) {
  const [id] = useState(() => before.id ?? newId());
  const [s, set] = useState(before);
  const change = (part: Partial<Settings>) => set((now) => ({ ...now, ...part }));
  const body = (of: Settings): Schemas['RoundSettingsRequest'] => ({
    pollenAge: of.pollenAge,
    strokes: of.strokes,
    flowersPerHour: of.flowersPerHour,
    worthGoing: of.worthGoing,
    everyDay: of.everyDay,
    singleDays: of.singleDays,
    away: of.away,
    keepPhotoPlace: of.keepPhotoPlace,
    useLearned: of.useLearned,
    repeatVisits: of.repeatVisits,
    rhythm: of.rhythm,
    weekdays: of.weekdays,
    onlyWhenWarm: of.onlyWhenWarm,
    earlyFlush: of.earlyFlush,
  });
  const send = (of: Settings, version: number | undefined) =>
    answer(
      api.PUT('/api/round-settings/{id}', {
        params: { path: { id } },
        body: { ...body(of), ...(version !== undefined && { version }) },
      }),
    );
  const form = useSubmit(
    () => send(s, before.version),
    ['flowersPerHour', 'worthGoing', 'weekdays'],
    (saved) => doneWithUndo('Hours and habits written down.', () => send(before, saved.version)),
  );
  return (
    <RecordForm duty="MANAGE" form={form} save="Save" size="lg" className="card stack">
      <div>
        <b>On an ordinary day you can go</b>
        <p className="small soft">
          No hours: any hour will do. Hours that end after midnight go on into the next day.
        </p>
        <HourFields label="Hours" hours={s.everyDay} set={(everyDay) => change({ everyDay })} />
      </div>
      <NumberField
        name="flowersPerHour"
        label="Flowers you manage in an hour"
        description="With the way from tree to tree."
        min={1}
        max={2000}
        maw={240}
        value={s.flowersPerHour}
        set={(v) => change({ flowersPerHour: Number(v) || 1 })}
        named="Flowers"
      />
      <NumberField
        name="worthGoing"
        label="Fruits a visit must bring"
        description="Visits expected to bring fewer are left out; 0 keeps them all."
        min={0}
        max={1000}
        step={0.1}
        decimalScale={2}
        maw={340}
        value={s.worthGoing ?? ''}
        set={(v) => change({ worthGoing: Number(v) || 0 })}
        named="Fruits"
      />
      <OtherHours days={s.singleDays} set={(singleDays) => change({ singleDays })} />
      <AwayDays away={s.away} set={(away) => change({ away })} />
      <RhythmFields of={s} change={change} error={form.errorFor('weekdays', 'Days')} />
      <HabitFields of={s} change={change} />
    </RecordForm>
  );
}

/** When one can go, and which schools one follows. */
export function Hours() {
  const settings = useQuery(queries.roundSettings());
  return (
    <>
      <RoundTabs />
      <h1>When you can go, and how you work</h1>
      <Loaded of={settings}>{(s) => <HoursForm key={String(s.version)} before={s} />}</Loaded>
      <CalendarCard />
    </>
  );
}
