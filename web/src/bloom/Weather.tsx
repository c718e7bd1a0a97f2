import { Scroll } from '../ui/Scroll';
import { Button, Modal, NativeSelect, NumberInput, TextInput } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { answer, api, type Schemas, voidRecord } from '../api/api';
import { newId } from '../api/ids';
import { kilopascal, temperature, toCelsius, toFahrenheit } from '../format/numbers';
import { useHere } from '../ui/orchard-context';
import { queries } from '../api/queries';
import { Loaded } from '../ui/States';
import { calendarDay, dayAndClock, plural, wallTime } from '../format/time';
import { doneWithUndo } from '../ui/undo';
import { useSubmit } from '../form/use-submit';
import { BloomTabs } from './BloomTabs';
import { AIR } from './air-words';
import { DayRanges } from './DayRanges';

type Overview = Schemas['WeatherOverview'];
type Source = Overview['records'][number];

const KINDS: Record<Source['kind'], string> = {
  HOURS: 'hours of a file',
  DAYS: 'days of a file',
  FORECAST: 'forecast typed in',
  STATION: 'station',
};

const voidHours = (id: string, version: number, reason: string) =>
  voidRecord('/api/weather/records/{id}/void', { id }, version, reason);

function FromFile() {
  return (
    <section className="card stack">
      <h2>Measured weather from a file</h2>
      <p className="small">
        Hours of a logger, or the lowest and highest of each day, as CSV. What each column holds can be
        chosen, and what cannot be read is shown line by line before anything is written.
      </p>
      <div className="line">
        <Button component={Link} to="/orchard/import?kind=weather-hours">
          Import hours
        </Button>
        <Button component={Link} to="/orchard/import?kind=weather-days" variant="outline">
          Import days
        </Button>
      </div>
    </section>
  );
}

const nextDays = (today: string, n: number) =>
  Array.from({ length: n }, (_, i) =>
    new Date(Date.parse(`${today}T00:00:00Z`) + (i + 1) * 86_400_000).toISOString().slice(0, 10),
  );

function TypeForecast({ days, block }: { days: Overview['days']; block: string }) {
  const { now, zone, orchard } = useHere();
  const dates = nextDays(wallTime(now, zone).slice(0, 10), 5);
  const metric = orchard.units === 'METRIC';
  const shown = (c: number) => (metric ? Math.round(c * 10) / 10 : toFahrenheit(c));
  const [id, setId] = useState(newId);
  const [typed, setTyped] = useState<Record<string, { low: number | string; high: number | string }>>({});
  const filled = dates.filter((d) => typed[d]?.low !== undefined && typed[d]?.high !== undefined);
  const toC = (n: number | string) => (metric ? Number(n) : toCelsius(Number(n)));
  const form = useSubmit<void, Schemas['WeatherTaken']>(
    () =>
      answer(
        api.PUT('/api/weather/forecasts/{id}', {
          params: { path: { id } },
          body: {
            ...(block && { block }),
            days: filled.map((date) => ({
              date,
              minimumC: toC(typed[date]!.low),
              maximumC: toC(typed[date]!.high),
            })),
          },
        }),
      ),
    filled.flatMap((_, i) => [`days[${i}].minimumC`, `days[${i}].maximumC`]),
    (taken) => {
      setTyped({});
      setId(newId());
      doneWithUndo(`Forecast of ${plural(taken.rows, 'day')} written down.`, () =>
        voidHours(taken.id, 0, 'undone right after typing'),
      );
    },
  );
  const set = (date: string, part: 'low' | 'high', value: number | string) =>
    setTyped((t) => ({ ...t, [date]: { low: '', high: '', ...t[date], [part]: value } }));
  const error = (date: string, field: string) => {
    const i = filled.indexOf(date);
    return i < 0
      ? undefined
      : form.errorFor(`days[${i}].${field}`, field === 'minimumC' ? 'Lowest' : 'Highest');
  };
  return (
    <section className="card stack">
      <h2>Type in a forecast</h2>
      <div style={{ display: 'grid', gridTemplateColumns: 'auto 1fr 1fr', gap: '8px 12px', maxWidth: 460 }}>
        <span />
        <span className="small soft">lowest, {metric ? '°C' : '°F'}</span>
        <span className="small soft">highest, {metric ? '°C' : '°F'}</span>
        {dates.map((date) => {
          const known = days.find((d) => d.date === date);
          return (
            <ForecastRow key={date} date={date}>
              <NumberInput
                aria-label={`lowest of ${calendarDay(date)}`}
                placeholder={known && String(shown(known.minimumC))}
                value={typed[date]?.low ?? ''}
                onChange={(v) => set(date, 'low', v)}
                error={error(date, 'minimumC')}
                hideControls
              />
              <NumberInput
                aria-label={`highest of ${calendarDay(date)}`}
                placeholder={known && String(shown(known.maximumC))}
                value={typed[date]?.high ?? ''}
                onChange={(v) => set(date, 'high', v)}
                error={error(date, 'maximumC')}
                hideControls
              />
            </ForecastRow>
          );
        })}
      </div>
      {form.general && <p className="warn">{form.general}</p>}
      <div>
        <Button disabled={filled.length === 0} loading={form.busy} onClick={() => form.submit()}>
          Use this forecast
        </Button>
      </div>
    </section>
  );
}

function ForecastRow({ date, children }: { date: string; children: React.ReactNode }) {
  return (
    <>
      <span style={{ alignSelf: 'center', whiteSpace: 'nowrap' }}>{calendarDay(date)}</span>
      {children}
    </>
  );
}

function Station({ block }: { block: string }) {
  const [id, setId] = useState(newId);
  const [name, setName] = useState('');
  const [made, setMade] = useState<Schemas['StationKey']>();
  const form = useSubmit<void, Schemas['StationKey']>(
    () =>
      answer(
        api.PUT('/api/weather/stations/{id}', {
          params: { path: { id } },
          body: { name, ...(block && { block }) },
        }),
      ),
    ['name'],
    (key) => {
      setMade(key);
      setName('');
      setId(newId());
    },
  );
  return (
    <section className="card stack">
      <h2>Let a station post</h2>
      <p className="small">
        A station sends its hours to <code>/api/station/hours</code> with a key of its own. A stand-in ships
        with Even Hand, to try it without a device.
      </p>
      <div className="line" style={{ alignItems: 'flex-end' }}>
        <TextInput
          label="Name"
          value={name}
          onChange={(e) => setName(e.currentTarget.value)}
          error={form.errorFor('name', 'Name')}
          style={{ flex: '1 1 180px' }}
        />
        <Button variant="outline" loading={form.busy} onClick={() => form.submit()}>
          Make a key
        </Button>
      </div>
      {form.general && <p className="warn">{form.general}</p>}
      <Modal opened={made !== undefined} onClose={() => setMade(undefined)} title={`Key of ${made?.name}`}>
        <p>This is shown once. Put it into the station’s settings.</p>
        <p style={{ margin: '12px 0', wordBreak: 'break-all' }}>
          <code>{made?.key}</code>
        </p>
        <p className="small soft">
          To let the stand-in post its last day: <code>./even-hand station KEY 24</code>
        </p>
      </Modal>
    </section>
  );
}

function Sources({ records: all, block, alone }: { records: Source[]; block: string; alone: boolean }) {
  const { zone, now } = useHere();
  const takeBack = useSubmit<Source, unknown>(
    (r) => voidHours(r.id, r.version, 'removed on the weather page'),
    [],
    () => undefined,
  );
  const records = block ? all.filter((r) => r.block === block) : all;
  if (records.length === 0)
    return (
      <section className="card">
        <h2>Nothing imported yet{block && ` for ${block}`}</h2>
        <p className="soft">
          {!block
            ? 'Every day is the typical day of the orchard’s page until there is weather.'
            : alone
              ? 'Under cover the orchard’s weather does not count: import a file, a forecast or a station of its own.'
              : 'It has the orchard’s weather until it has its own.'}
        </p>
      </section>
    );
  const extent = (r: Source) => {
    if (!r.first || !r.last) return 'nothing posted yet';
    const day = (iso: string) =>
      r.kind === 'DAYS' || r.kind === 'FORECAST'
        ? calendarDay(iso.slice(0, 10))
        : dayAndClock(new Date(iso), zone);
    const years =
      r.first.slice(0, 4) === r.last.slice(0, 4) ? '' : ` (${r.first.slice(0, 4)} to ${r.last.slice(0, 4)})`;
    return `${plural(r.rows, r.kind === 'DAYS' || r.kind === 'FORECAST' ? 'day' : 'hour')}, ${day(r.first)} to ${day(r.last)}${years}`;
  };
  return (
    <section className="card">
      <h2>What there is</h2>
      <Scroll label="What there is">
        <table className="plain">
          <tbody>
            {records.map((r) => (
              <tr key={r.id}>
                <td>
                  <b>{r.name}</b>
                  {r.block && <span> · {r.block}</span>}
                  <div className="small soft">
                    {KINDS[r.kind]}, written down {dayAndClock(new Date(r.recordedAt), zone)}
                  </div>
                </td>
                <td>{extent(r)}</td>
                <td>
                  <Button
                    size="compact-md"
                    variant="subtle"
                    c="var(--warn)"
                    onClick={() => takeBack.submit(r)}
                    loading={takeBack.busy}
                  >
                    Remove
                  </Button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </Scroll>
      {takeBack.general && <p className="warn">{takeBack.general}</p>}
      <p className="small soft">
        Where sources overlap, measured hours come before days of files, these before a typed forecast; among
        the same kind the latest counts. Gaps of up to six hours are bridged. Now: {dayAndClock(now, zone)}.
      </p>
    </section>
  );
}

function Days({ overview }: { overview: Overview }) {
  const { orchard, now, zone } = useHere();
  const today = wallTime(now, zone).slice(0, 10);
  return (
    <section className="card">
      <header>
        <h2>Two weeks back, ten days ahead</h2>
      </header>
      <DayRanges days={overview.days} today={today} units={orchard.units} />
      <details>
        <summary className="small">The same as a table</summary>
        <Scroll label="Two weeks back, ten days ahead">
          <table className="plain">
            <thead>
              <tr>
                <th>Day</th>
                <th className="num">Lowest</th>
                <th className="num">Highest</th>
                <th className="num">Dryness of the air at 13:00</th>
                <th>From</th>
              </tr>
            </thead>
            <tbody>
              {overview.days.map((d) => (
                <tr key={d.date}>
                  <td>{calendarDay(d.date)}</td>
                  <td className="num">{temperature(d.minimumC, orchard.units)}</td>
                  <td className="num">{temperature(d.maximumC, orchard.units)}</td>
                  <td className="num">
                    {d.middayDeficitKpa === undefined ? '–' : kilopascal(d.middayDeficitKpa)}
                  </td>
                  <td>{AIR[d.source]}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </Scroll>
      </details>
    </section>
  );
}

/** The air the forecasts are reckoned with, and the ways to bring it in. */
export function Weather() {
  const [search, setSearch] = useSearchParams();
  const block = search.get('block') ?? '';
  const overview = useQuery(queries.weather(block));
  const trees = useQuery(queries.standing());
  const blocks = [...new Set((trees.data ?? []).map((t) => t.block).filter(Boolean))].sort();
  return (
    <>
      <BloomTabs />
      {blocks.length > 0 && (
        <NativeSelect
          label="Weather of"
          description="what is imported below is for it alone"
          data={[{ value: '', label: 'the whole orchard' }, ...blocks]}
          value={block}
          onChange={(e) => setSearch(e.currentTarget.value ? { block: e.currentTarget.value } : {})}
          maw={280}
        />
      )}
      <Loaded of={overview}>
        {(o) => (
          <>
            <h1>{weatherSentence(o, block)}</h1>
            <Days overview={o} />
            <Sources records={o.records} block={block} alone={o.underCover} />
            <div
              style={{
                display: 'grid',
                gap: 14,
                gridTemplateColumns: 'repeat(auto-fit, minmax(320px, 1fr))',
              }}
            >
              <FromFile />
              <TypeForecast days={o.days} block={block} />
              <Station block={block} />
            </div>
          </>
        )}
      </Loaded>
    </>
  );
}

function weatherSentence(o: Overview, block: string): string {
  const sources = new Set(o.stretches.map((s) => s.source));
  const here = block || 'here';
  if (sources.size === 1 && sources.has('USUAL'))
    return o.underCover
      ? `${block} is under cover and nothing is measured there: each day counts as a typical day.`
      : `No weather is recorded yet: every forecast uses the typical day ${here}.`;
  const last = [...o.stretches].reverse().find((s) => s.source !== 'USUAL');
  const until = last ? calendarDay(last.until.slice(0, 10)) : '';
  return sources.has('USUAL')
    ? `Weather is known or foreseen until ${until}, typical days after that.`
    : 'Weather is known or foreseen for all of the next ten days.';
}
