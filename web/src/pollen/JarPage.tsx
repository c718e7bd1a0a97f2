import { Button } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import type { Schemas } from '../api/api';
import { Jar } from '../ui/Jar';
import { flowers, percent, percentRange, temperature } from '../format/numbers';
import { useHere } from '../ui/orchard-context';
import { usePageTitle } from '../ui/page-title';
import { queries } from '../api/queries';
import { Story } from '../story/Story';
import { Loaded } from '../ui/States';
import { dayOfYear, dayOfYearAndClock, plural, said } from '../format/time';
import { Verdict } from '../ui/Verdict';
import { Why } from '../ui/Why';
import { CurveChart } from './CurveChart';
import { Keeping } from './Keeping';
import { LedgerCard } from './LedgerCard';
import { JarPermit } from './JarPermit';
import { LotWhy } from './LotWhy';
import { PollenTabs } from './PollenTabs';
import { Pour } from './Pour';
import classes from './JarPage.module.css';
import {
  blendWords,
  hereSince,
  lotOrigin,
  lotState,
  lotWords,
  methodWords,
  storageWords,
  whereabouts,
} from './lot-words';
import { Tests } from './Tests';

const SOURCES: Record<Schemas['LotHour']['source'], string> = {
  MEASURED: 'measured',
  BRIDGED: 'measured',
  DAILY: 'from the day’s lowest and highest',
  FORECAST: 'as forecast',
  USUAL: 'the typical day here',
};

function Hour({ hour }: { hour: Schemas['LotHour'] }) {
  const { orchard } = useHere();
  return (
    <>
      {temperature(hour.celsius, orchard.units)}
      {hour.humidity !== undefined && `, ${Math.round(hour.humidity)}\u00a0% humidity`} in that hour (
      {SOURCES[hour.source]})
    </>
  );
}

/** "What can this jar serve?" */
function Serves({ lot }: { lot: Schemas['LotView'] }) {
  const { now, zone } = useHere();
  const served = useQuery(queries.served(lot.id));
  return (
    <section className="card">
      <header>
        <h2>What it can serve</h2>
      </header>
      <Loaded of={served}>
        {(trees) =>
          trees.length === 0 ? (
            <p className="soft">No tree here can use its pollen.</p>
          ) : (
            <div className={classes.serves}>
              {trees.map((t) => (
                <div key={t.treeId}>
                  <Verdict of={t.answer.verdict} />
                  <div>
                    <b>{t.tree}</b> <span className="soft">{t.variety}</span>
                    <div className="small">
                      {t.now === undefined
                        ? 'not read lately'
                        : `${flowers(t.now)} female now${t.most! > t.now + 0.5 ? `, ${flowers(t.most!)} ${said(new Date(t.mostAt!), now, zone)}` : ''}`}
                    </div>
                    <div className="small soft">{t.answer.why}</div>
                  </div>
                </div>
              ))}
            </div>
          )
        }
      </Loaded>
    </section>
  );
}

/** What was known of pollen when it came from elsewhere. */
function CameWith({ of }: { of: Schemas['ReceivedPollen'] }) {
  const { now, zone } = useHere();
  const known = [
    of.dry ? 'came dry' : 'came moist',
    of.collectedAt
      ? `collected ${dayOfYear(new Date(of.collectedAt), now, zone)}`
      : 'not known when it was collected',
    of.keptBefore ? `then ${storageWords(of.keptBefore)}` : of.collectedAt && 'not known where it was kept',
    of.statedAlive && `stated to be ${percent(of.statedAlive)} alive`,
  ];
  return <p className="small soft">{known.filter(Boolean).join(', ')}</p>;
}

function Head({ story }: { story: Schemas['LotStory'] }) {
  const { now, zone } = useHere();
  const [pouring, setPouring] = useState(false);
  const lot = story.lot;
  const state = lotState(lot);
  return (
    <section className={`card ${classes.head}`}>
      <Jar
        fill={lot.dosesLeft / lot.dosesCollected}
        fresh={Math.min(1, lot.viability.share / lot.viability.fresh)}
        size={84}
      />
      <div>
        <div className={classes.figures}>
          <span>
            <b className="figure">{lot.dosesLeft}</b> of {plural(lot.dosesCollected, 'dose')} left
          </span>
          <span>
            <Why label="viability" because={<LotWhy lot={lot} />}>
              <b className="figure">{percent(lot.viability.share)}</b>
            </Why>{' '}
            alive, likely {percentRange(lot.viability.low, lot.viability.high)}
          </span>
        </div>
        <p className={state === 'good' ? classes.good : 'warn'}>
          <b>{lotWords(lot, now, zone)}</b>, {whereabouts(lot)}
        </p>
        {blendWords(lot) && <p>Blend: {blendWords(lot)}. It can never say who the father was.</p>}
        <p className="small soft">
          {lotOrigin(lot)}
          {lot.method && `, ${methodWords(lot.method)}`}, {dayOfYearAndClock(hereSince(lot), now, zone)}
          {story.hour && (
            <>
              ; <Hour hour={story.hour} />
            </>
          )}
        </p>
        {lot.received && (
          <>
            <CameWith of={lot.received} />
            <JarPermit scope="POLLEN_IN" crop={lot.crop} at={hereSince(lot)} />
          </>
        )}
        {story.pouredInto.length > 0 && (
          <p className="small soft">
            Some of it went into{' '}
            {story.pouredInto.map((p, i) => (
              <span key={p.lotId}>
                {i > 0 && ', '}
                <Link to={`/pollen/jar/${p.lotId}`}>{p.code}</Link> ({plural(p.doses, 'dose')})
              </span>
            ))}
          </p>
        )}
        {lot.note && <p className="small">{lot.note}</p>}
      </div>
      <div className={`line noprint ${classes.actions}`}>
        <Button variant="outline" disabled={lot.dosesLeft === 0} onClick={() => setPouring(true)}>
          Split or blend
        </Button>
        <Button variant="outline" component={Link} to={`/pollen/labels?lot=${lot.id}`}>
          Print a label
        </Button>
        {lot.dosesLeft < lot.dosesCollected && (
          <Button
            variant="outline"
            component={Link}
            to={`/findings/why?crop=${lot.crop}&kind=JAR&key=${lot.id}`}
          >
            Did its flowers fail?
          </Button>
        )}
      </div>
      <Pour key={String(pouring)} lot={lot} opened={pouring} close={() => setPouring(false)} />
    </section>
  );
}

/** One jar: its curve, its keeping, its tests, its ledger, and whom it can serve. */
export function JarPage() {
  const id = useParams().lot!;
  const story = useQuery(queries.jar(id));
  usePageTitle(story.data?.lot.code);
  return (
    <Loaded of={story}>
      {(s) => (
        <>
          <PollenTabs />
          <h1>
            <span style={{ whiteSpace: 'nowrap' }}>{s.lot.code}</span> {s.lot.varietyName}
          </h1>
          <Head story={s} />
          <div className={classes.columns}>
            <div className="stack">
              <section className="card">
                <CurveChart story={s} />
              </section>
              <Tests story={s} />
              <Serves lot={s.lot} />
            </div>
            <div className="stack">
              <Keeping story={s} />
              <LedgerCard story={s} />
            </div>
          </div>
          <h2 className={classes.story}>Everything recorded of it</h2>
          <Story of={{ lot: s.lot.id }} withTree />
        </>
      )}
    </Loaded>
  );
}
