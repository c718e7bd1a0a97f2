import { Scroll } from '../ui/Scroll';
import { Button } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { Link, useParams } from 'react-router';
import { answer, api, type Schemas } from '../api/api';
import { Glyph } from '../ui/Glyph';
import { newId } from '../api/ids';
import { basisWord, percent, temperature } from '../format/numbers';
import { useHere } from '../ui/orchard-context';
import { useMay } from '../ui/roles';
import { queries } from '../api/queries';
import { Empty, Loaded } from '../ui/States';
import { plural, span } from '../format/time';
import { useSubmit } from '../form/use-submit';
import classes from './Crop.module.css';
import { OwnNumbers, wanted } from './OwnNumbers';

type Sheet = Schemas['CropSheetView'];
type Stage = Sheet['stages'][number];

const PHASES: Record<string, string> = {
  BUD: 'bud',
  FEMALE: 'female (can be pollinated)',
  BETWEEN: 'between',
  MALE: 'male (shedding pollen)',
  BOTH: 'female and male at once',
  SPENT: 'over',
};
const STORES: Record<string, string> = {
  ROOM: 'open in the room',
  FRIDGE: 'fridge, no desiccant',
  FRIDGE_DESICCANT: 'fridge with desiccant',
  FREEZER: 'freezer',
};

function Basis({ of: n }: { of: Schemas['SourcedNumber'] }) {
  return <span className="soft small"> ({basisWord(n.basis, n.source)})</span>;
}

function edgeWords(from: string, hours: number): string {
  if (from === 'CLOCK')
    return `${String(Math.floor(hours)).padStart(2, '0')}:${String(Math.round((hours % 1) * 60)).padStart(2, '0')}`;
  const anchor = from === 'SUNRISE' ? 'sunrise' : 'sunset';
  if (hours === 0) return anchor;
  return `${span(Math.abs(hours))} ${hours < 0 ? 'before' : 'after'} ${anchor}`;
}

function StageRow({ stage }: { stage: Stage }) {
  const tone = stage.receives ? 'take' : stage.sheds ? 'give' : 'soft';
  return (
    <tr>
      <td>
        <Glyph glyph={stage.glyph} size={58} />
      </td>
      <td>
        <b>{stage.name}</b>
        <div className="small soft">{stage.signs}</div>
        {stage.bbch && (
          <div className="small soft" title={basisWord(stage.bbch.basis, stage.bbch.source)}>
            BBCH {stage.bbch.value}
          </div>
        )}
      </td>
      <td className={tone}>
        {PHASES[stage.phase]}
        {stage.receives && <div className="small">receptivity {percent(stage.receptivity.value)}</div>}
      </td>
      <td>
        {span(stage.meanHours.value)}
        <Basis of={stage.meanHours} />
        <div className="small soft">
          give or take {span(stage.meanHours.value / Math.sqrt(stage.shape.value))}
        </div>
      </td>
      <td className="small">
        {stage.gate
          ? `leaves only from ${edgeWords(stage.gate.opensFrom, stage.gate.opensHours.value)} to ${edgeWords(stage.gate.closesFrom, stage.gate.closesHours.value)}; half go in ${stage.gate.halfTimeMinutes.value} minutes`
          : 'leaves at any hour'}
        {stage.gate && <Basis of={stage.gate.opensHours} />}
      </td>
    </tr>
  );
}

/** The signs that tell the stages apart, and how often each stage looks so. */
function Signs({ sheet }: { sheet: Sheet }) {
  return (
    <section className="card stack">
      <header style={{ marginBottom: 0 }}>
        <h2>Telling the stages apart</h2>
        <Link to={`/bloom/key?crop=${sheet.key}`}>Try it on a flower</Link>
      </header>
      {sheet.mistakes.map((m) => (
        <p key={m.say} className="note">
          {m.say}
        </p>
      ))}
      <details>
        <summary>How often each stage shows it</summary>
        {sheet.look.map((sign) => (
          <Scroll key={sign.key} label={sign.question} style={{ marginTop: 10 }}>
            <table className={classes.likely}>
              <thead>
                <tr>
                  <th>
                    {sign.question} <span className="soft">({basisWord(sign.basis)})</span>
                  </th>
                  {sheet.stages.map((s) => (
                    <th key={s.key}>{s.name}</th>
                  ))}
                </tr>
              </thead>
              <tbody>
                {sign.answers.map((a) => (
                  <tr key={a.key}>
                    <td>{a.name}</td>
                    {a.likely.map((share, i) => (
                      <td key={sheet.stages[i]!.key} className={classes.share}>
                        <span className={classes.bar} style={{ width: share * 34 }} />{' '}
                        {share > 0 ? percent(share) : '–'}
                      </td>
                    ))}
                  </tr>
                ))}
              </tbody>
            </table>
          </Scroll>
        ))}
      </details>
    </section>
  );
}

const LASTS: Record<string, string> = {
  PETALS: 'gone with the petals',
  HARVEST: 'lasts until harvest',
  FRUIT: 'on the fruit itself',
};

function Work({ sheet }: { sheet: Sheet }) {
  const season = sheet.season;
  return (
    <div className={classes.two}>
      <section className="card stack">
        <h2>By hand</h2>
        <p>
          {sheet.hand.strokes}
          {sheet.hand.passes && (
            <>
              {' '}
              {sheet.hand.passes.value} times over each flower
              <Basis of={sheet.hand.passes} />.
            </>
          )}
        </p>
        {sheet.hand.handling.length > 0 && (
          <ul style={{ margin: 0, paddingLeft: 20 }}>
            {sheet.hand.handling.map((h) => (
              <li key={h}>{h}</li>
            ))}
          </ul>
        )}
        <p>Carry: {sheet.hand.tools.join(', ')}.</p>
        <ul style={{ margin: 0, paddingLeft: 20 }}>
          {sheet.hand.marks.map((m) => (
            <li key={m.name}>
              <b>{m.name}</b>: {m.how}; {LASTS[m.lasts]}
            </li>
          ))}
        </ul>
        <p className="small soft">In nature: {sheet.hand.visitors}.</p>
      </section>
      <section className="card stack">
        <h2>Season</h2>
        {season.afterLeafOutWeeks && (
          <p>
            Begin {season.afterLeafOutWeeks.value} weeks after leaf-out
            <Basis of={season.afterLeafOutWeeks} />.
          </p>
        )}
        <p>{season.rhythm}</p>
        <p>
          About {season.bloomDays.value} days from a variety’s first to its last flower
          <Basis of={season.bloomDays} />.
        </p>
        {season.chillPortions && (
          <p>
            Its buds want about {season.chillPortions.value} chill portions
            <Basis of={season.chillPortions} />.
          </p>
        )}
        {season.warmEnoughC && (
          <p>
            A visit helps little below {season.warmEnoughC.value} °C
            <Basis of={season.warmEnoughC} />.
          </p>
        )}
        {sheet.ovuleDays && sheet.stigmaDays && (
          <p>
            Ovules live {sheet.ovuleDays.value} days
            <Basis of={sheet.ovuleDays} />, the stigma is receptive for {sheet.stigmaDays.value}
            <Basis of={sheet.stigmaDays} />. Until when a second visit helps is worked out under{' '}
            <Link to="/bloom/season">Season ahead</Link>.
          </p>
        )}
      </section>
    </div>
  );
}

/** How a flower is made ready for a cross. */
function Cross({ sheet }: { sheet: Sheet }) {
  const cross = sheet.cross;
  if (!cross) return null;
  const stage = sheet.stages.find((s) => s.key === cross.prepareAt);
  return (
    <section className="card stack">
      <h2>For a cross</h2>
      <p>
        Made ready at the stage <b>{stage?.name.toLowerCase()}</b>, {cross.keep.value} of a cluster
        <Basis of={cross.keep} />
        {cross.cluster && (
          <>
            {' '}
            of about {cross.cluster.value}
            <Basis of={cross.cluster} />
          </>
        )}
        .
      </p>
      <ol style={{ margin: 0, paddingLeft: 20 }}>
        {[cross.thin, cross.emasculate, cross.bag].filter(Boolean).map((how) => (
          <li key={how}>{how}</li>
        ))}
      </ol>
      <p>
        {cross.atOnce.value === 0
          ? 'It is not receptive at once'
          : `At once it is receptive at ${percent(cross.atOnce.value)}`}
        <Basis of={cross.atOnce} />; the stigma is ripe after {span(cross.ripeAfterHours.value)}
        <Basis of={cross.ripeAfterHours} /> and past after {span(cross.lastsHours.value)}
        <Basis of={cross.lastsHours} />. The bag comes off {cross.bagOffDays.value} days after the pollen
        <Basis of={cross.bagOffDays} />.
      </p>
      <p>
        About {percent(cross.setShare.value)} of crossed flowers give a fruit
        <Basis of={cross.setShare} />, with {cross.seeds.value} seeds in it as a rule
        <Basis of={cross.seeds} /> and {cross.ovules.value} at most
        <Basis of={cross.ovules} />.
      </p>
    </section>
  );
}

/** How its seeds are kept and raised. */
function FromSeed({ sheet }: { sheet: Sheet }) {
  const { orchard } = useHere();
  const { seeds } = sheet;
  if (!seeds) return null;
  return (
    <section className="card stack">
      <h2>From seed to fruit</h2>
      <p>
        {seeds.keptMoist
          ? 'Seeds lose their life when they dry: keep them cool and moist'
          : 'Seeds are kept cool and dry'}
        ; most stay alive for {plural(seeds.keepMonths.value, 'month')}
        <Basis of={seeds.keepMonths} />.{' '}
        {seeds.coldWeeks && seeds.coldC ? (
          <>
            They come up after {plural(seeds.coldWeeks.value, 'week')}
            <Basis of={seeds.coldWeeks} /> moist at {temperature(seeds.coldC.value, orchard.units)}
            <Basis of={seeds.coldC} />.
          </>
        ) : (
          'They need no cold.'
        )}
      </p>
      <p>
        About {percent(seeds.germinates.value)} come up
        <Basis of={seeds.germinates} />, within {plural(seeds.germinateWeeks.value, 'week')} of sowing
        <Basis of={seeds.germinateWeeks} />; {percent(seeds.reachesPot.value)} of those live to be potted
        <Basis of={seeds.reachesPot} />, and {percent(seeds.reachesFruit.value)} of those until their fruit is
        judged
        <Basis of={seeds.reachesFruit} />.
      </p>
      <p>
        First fruit {plural(seeds.fruitYears.value, 'year')} after sowing on their own roots
        <Basis of={seeds.fruitYears} />
        {seeds.graftedFruitYears && (
          <>
            , {plural(seeds.graftedFruitYears.value, 'year')} after grafting
            <Basis of={seeds.graftedFruitYears} />
          </>
        )}
        .
      </p>
    </section>
  );
}

/** Makes the number of one school the orchard's own. */
function Follow({ sheet, school, value }: { sheet: Sheet; school: Schemas['CropSchool']; value: number }) {
  const manages = useMay('MANAGE');
  const { path } = school.choice!;
  const now = sheet.numbers.find((n) => n.path === path);
  const form = useSubmit<undefined, unknown>(
    () =>
      answer(
        api.PUT('/api/own-sheets/{id}', {
          params: { path: { id: newId() } },
          body: {
            crop: sheet.crop,
            numbers: wanted(sheet, { [path]: value }),
            note: `school: ${school.question}`,
          },
        }),
      ),
    [path],
    () => undefined,
  );
  if (now?.value === value) return <div className="small soft">your sheet follows this</div>;
  if (!manages) return null;
  return (
    <div>
      <Button size="compact-sm" variant="outline" loading={form.busy} onClick={() => form.submit(undefined)}>
        Work with {path.endsWith('Share') ? percent(value) : value}
      </Button>
      {(form.errorFor(path, 'It') ?? form.general) && (
        <span className="warn small">{form.errorFor(path, 'It') ?? form.general}</span>
      )}
    </div>
  );
}

function Schools({ sheet }: { sheet: Sheet }) {
  if (sheet.schools.length === 0) return null;
  return (
    <section className="card">
      <h2>Where growers differ</h2>
      <Scroll label="Where growers differ">
        <table className="plain">
          <thead>
            <tr>
              <th>Question</th>
              <th>Some</th>
              <th>Others</th>
              <th>Here, until changed</th>
            </tr>
          </thead>
          <tbody>
            {sheet.schools.map((s) => (
              <tr key={s.question}>
                <td>{s.question}</td>
                <td>
                  {s.one}
                  {s.choice && <Follow sheet={sheet} school={s} value={s.choice.one} />}
                </td>
                <td>
                  {s.other}
                  {s.choice && <Follow sheet={sheet} school={s} value={s.choice.other} />}
                </td>
                <td>
                  <b>{s.ours}</b>
                  <div className="small soft">{s.why}</div>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </Scroll>
    </section>
  );
}

function Sheet({ sheet }: { sheet: Sheet }) {
  const { orchard } = useHere();
  const degrees = (n: Schemas['SourcedNumber']) => temperature(n.value, orchard.units);
  return (
    <>
      <h1>
        {sheet.name} <i className="soft">{sheet.scientificName}</i>
      </h1>
      <p style={{ maxWidth: 780 }}>{sheet.summary}</p>
      <p className="small">
        <Link to="/crops">All crop sheets</Link>
      </p>
      <section className="card">
        <h2>Stages, in order</h2>
        <p className="small soft">
          Durations at {degrees(sheet.referenceTemperatureC)}. Below {degrees(sheet.baseTemperatureC)} the
          clock stands still, above {degrees(sheet.capTemperatureC)} more heat adds nothing (
          {basisWord(sheet.referenceTemperatureC.basis)}).
        </p>
        <div className="scroll">
          <table className="plain">
            <thead>
              <tr>
                <th>Looks</th>
                <th>Stage</th>
                <th style={{ width: 150 }}>It</th>
                <th style={{ width: 210 }}>Lasts</th>
                <th>Hours of change</th>
              </tr>
            </thead>
            <tbody>
              {sheet.stages.map((s) => (
                <StageRow key={s.key} stage={s} />
              ))}
            </tbody>
          </table>
        </div>
      </section>
      <Signs sheet={sheet} />
      <Work sheet={sheet} />
      <section className="card stack">
        <h2>Pollen</h2>
        <p>
          A shedding flower yields about {sheet.dosesPerFlower.value} doses
          <Basis of={sheet.dosesPerFlower} />; fresh, about {percent(sheet.freshViability.value)} of the
          grains live
          <Basis of={sheet.freshViability} />.
        </p>
        <table className="plain">
          <thead>
            <tr>
              <th>Kept</th>
              <th>At</th>
              <th>Halves every</th>
              <th>Spoils</th>
            </tr>
          </thead>
          <tbody>
            {sheet.keeping.map((k) => (
              <tr key={k.storage}>
                <td>{STORES[k.storage]}</td>
                <td>{degrees(k.temperatureC)}</td>
                <td>
                  {span(k.halfLifeHours.value)}
                  <Basis of={k.halfLifeHours} />
                </td>
                <td>{k.spoilsAfterHours ? `mould after ${span(k.spoilsAfterHours.value)}` : '–'}</td>
              </tr>
            ))}
          </tbody>
        </table>
        <p>
          Own variety:{' '}
          {sheet.ownVarietyServes
            ? `serves, counted at ${percent(sheet.ownVarietyFactor.value)}`
            : 'does not serve'}
          . {sheet.ownVarietyWhy}
          <Basis of={sheet.ownVarietyFactor} />
        </p>
        {sheet.kin.map((k) => (
          <p key={k.pollenOf}>
            Pollen of <Link to={`/crops/${k.pollenOf}`}>{k.pollenOf.replace('-', ' ')}</Link>: counted at{' '}
            {percent(k.compatibilityFactor.value)}. {k.why}
            <Basis of={k.compatibilityFactor} />
          </p>
        ))}
      </section>
      <section className="card stack">
        <h2>Looking for fruit</h2>
        {sheet.checks.map((c) => (
          <p key={c.name}>
            <b>
              Day {c.day.value}, {c.name.toLowerCase()}.
            </b>{' '}
            {c.lookFor}
            <Basis of={c.day} />
          </p>
        ))}
      </section>
      <Cross sheet={sheet} />
      <FromSeed sheet={sheet} />
      <Schools sheet={sheet} />
      <OwnNumbers sheet={sheet} />
      <section className="card">
        <h2>Take care</h2>
        <ul>
          {sheet.cautions.map((c) => (
            <li key={c}>{c}</li>
          ))}
        </ul>
        <p className="small soft">
          Local rules, product labels and licensed people come before anything said here.
        </p>
      </section>
    </>
  );
}

export function CropSheet() {
  const { crop } = useParams();
  const crops = useQuery(queries.crops());
  return (
    <Loaded of={crops}>
      {(all) => {
        const sheet = all.find((c) => c.key === crop);
        return sheet ? <Sheet sheet={sheet} /> : <Empty title="There is no such crop sheet" />;
      }}
    </Loaded>
  );
}
