import { useCropName } from '../crop/crop-name';
import { Scroll } from '../ui/Scroll';
import { Button } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import type { Schemas } from '../api/api';
import { decimal, percent, temperature } from '../format/numbers';
import { useHere } from '../ui/orchard-context';
import { queries } from '../api/queries';
import { SaveCsv } from '../ui/SaveCsv';
import { Empty, Loaded } from '../ui/States';
import { calendarDay, plural } from '../format/time';
import { Why } from '../ui/Why';
import { BloomDateForm } from './BloomDateForm';
import { BloomTabs } from './BloomTabs';
import { CourseChart } from './CourseChart';
import { outlookWords, seasonSentence, servesWords, visitWords } from './season-words';
import classes from './Season.module.css';
import { WeekChart } from './WeekChart';

type SeasonData = Schemas['Season'];
type Variety = Schemas['SeasonVariety'];

function Sums({ rest }: { rest: SeasonData['rest'] }) {
  const figures: [string, string, string][] = [
    [decimal(rest.chillPortions, 1), 'chill portions', 'dynamic model, Fishman and others 1987'],
    [String(rest.chillingHours), 'chilling hours', '0 to 7.2 °C, Weinberger 1950'],
    [
      decimal(rest.utahUnits, 1),
      'Utah units',
      `Richardson and others 1974; since the lowest total ${decimal(rest.utahSinceLowest, 1)}`,
    ],
    [decimal(rest.growingDegreeHours, 0), 'growing degree hours', 'Anderson and others 1986'],
  ];
  return (
    <>
      <div className={classes.figures}>
        {figures.map(([value, name, source]) => (
          <div key={name}>
            <span className="figure">{value}</span>
            <b>{name}</b>
            <span className="small soft">{source}</span>
          </div>
        ))}
      </div>
      <WeekChart weeks={rest.weeks} />
    </>
  );
}

function Rest({ season }: { season: SeasonData }) {
  const rest = season.rest;
  return (
    <section className="card stack">
      <header style={{ marginBottom: 0 }}>
        <h2>Chill and heat since {calendarDay(season.start)}</h2>
        <span className="small soft">{percent(rest.knownShare)} of the hours measured or from files</span>
      </header>
      {rest.enoughKnown ? (
        <Sums rest={rest} />
      ) : (
        <p>
          Too little of this season’s weather is known to tell its chill and heat: sums over a typical day
          would say nothing of this winter. <Link to="/bloom/weather">Bring a weather file</Link>, and they
          stand here.
        </p>
      )}
    </section>
  );
}

function Dates({ variety, edit }: { variety: Variety; edit: (year?: number) => void }) {
  const cropName = useCropName();
  const recorded = variety.history.find((h) => h.firstBloom);
  return (
    <tr data-variety={variety.name}>
      <td>
        <b>{variety.name}</b>
        <div className="small soft">{cropName(variety.crop)}</div>
      </td>
      <td>
        {variety.recorded && recorded ? (
          <>
            began {calendarDay(recorded.firstBloom!)}
            {recorded.fullBloom && <>, full {calendarDay(recorded.fullBloom)}</>}
          </>
        ) : (
          <span className="soft">not yet written down</span>
        )}
      </td>
      <td>
        {variety.first ? (
          <Why
            because={
              <>
                <p>{outlookWords(variety.first)}</p>
                <p>
                  The interval holds eight times in ten, by Student’s t. Years:{' '}
                  {variety.history.map((h) => h.year).join(', ')}.
                </p>
              </>
            }
          >
            {calendarDay(variety.first.expected)}
          </Why>
        ) : (
          <span className="soft">needs two years of dates</span>
        )}
        {variety.first && (
          <div className="small soft">
            {calendarDay(variety.first.earliest)} to {calendarDay(variety.first.latest)}
          </div>
        )}
      </td>
      <td>
        {variety.full ? calendarDay(variety.full.expected) : '–'}
        {variety.full && (
          <div className="small soft">
            {calendarDay(variety.full.earliest)} to {calendarDay(variety.full.latest)}
          </div>
        )}
      </td>
      <td className="small">
        {variety.beginOn && (
          <div>
            <b>Begin {calendarDay(variety.beginOn)}</b>, after leaf-out
          </div>
        )}
        {variety.rhythm}
        {variety.visits && <div className="soft">{visitWords(variety.visits)}</div>}
      </td>
      <td>
        <Button size="compact-md" variant="outline" onClick={() => edit(undefined)}>
          Days
        </Button>
      </td>
    </tr>
  );
}

function Serves({ season }: { season: SeasonData }) {
  const name = (id: string) => season.varieties.find((v) => v.varietyId === id)?.name ?? id;
  const takers = season.varieties.filter((v) => season.pairs.some((p) => p.taker === v.varietyId));
  if (takers.length === 0) return null;
  return (
    <section className="card">
      <header>
        <h2>Whose pollen reaches whom</h2>
      </header>
      <div className={classes.serves}>
        {takers.map((t) => (
          <div key={t.varietyId}>
            <b>{t.name}</b> can be pollinated by
            <ul>
              {season.pairs
                .filter((p) => p.taker === t.varietyId && p.kind !== 'NEVER')
                .map((p) => (
                  <li key={p.giver} className={p.kind === 'FRESH' ? undefined : 'warn'}>
                    {name(p.giver)}: {servesWords(p)}
                  </li>
                ))}
            </ul>
          </div>
        ))}
      </div>
    </section>
  );
}

function Shown({ season }: { season: SeasonData }) {
  const { orchard } = useHere();
  const [editing, setEditing] = useState<Variety>();
  const visiting = season.varieties.find((v) => v.visits);
  return (
    <>
      <h1>{seasonSentence(season)}</h1>
      <section className="card">
        <header>
          <h2>The varieties over the days</h2>
          <span className="small soft">
            share of each variety’s best day; rings can be pollinated, dots shed pollen
          </span>
        </header>
        <CourseChart season={season} />
      </section>
      <Serves season={season} />
      <section className="card">
        <header>
          <h2>When each flowers</h2>
        </header>
        <Scroll label="When each flowers">
          <table className="plain">
            <thead>
              <tr>
                <th>Variety</th>
                <th>{season.year} so far</th>
                <th>First bloom, foreseen</th>
                <th>Full bloom, foreseen</th>
                <th style={{ minWidth: 220 }}>Going</th>
                <th />
              </tr>
            </thead>
            <tbody>
              {season.varieties.map((v) => (
                <Dates key={v.varietyId} variety={v} edit={() => setEditing(v)} />
              ))}
            </tbody>
          </table>
        </Scroll>
        {visiting && (
          <p className="small soft">
            How long a second visit helps is worked out from the mean temperature of each day from full bloom
            on (about {temperature(visiting.visits!.meanC, orchard.units)} for {visiting.name}), after
            Williams and Wilson 1970; the lives of ovule and stigma stand on the crop sheet.
          </p>
        )}
      </section>
      <Rest season={season} />
      {editing && (
        <BloomDateForm
          variety={season.varieties.find((v) => v.varietyId === editing.varietyId) ?? editing}
          year={season.year}
          close={() => setEditing(undefined)}
        />
      )}
    </>
  );
}

/** Chill, heat, when each variety flowers this year, and who can serve whom. */
export function Season() {
  const season = useQuery(queries.season());
  return (
    <>
      <BloomTabs />
      <Loaded of={season}>
        {(s) =>
          s.varieties.length === 0 ? (
            <Empty
              title="No varieties yet"
              action={
                <Button component={Link} to="/orchard">
                  Add varieties
                </Button>
              }
            >
              With varieties and the days on which they flowered in past years this page foresees the season.
              {plural(2, 'year')} are enough to begin.
            </Empty>
          ) : (
            <>
              <Shown season={s} />
              <SaveCsv tables={['bloom-dates']} />
            </>
          )
        }
      </Loaded>
    </>
  );
}
