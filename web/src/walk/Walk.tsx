import { Button } from '@mantine/core';
import { IconMoon, IconSun } from '@tabler/icons-react';
import { useQuery } from '@tanstack/react-query';
import { lazy, Suspense, useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import { answer, api, type Schemas } from '../api/api';
import { FieldHead } from '../ui/FieldHead';
import { KeptLine } from '../offline/KeptLine';
import { useNightMode } from '../ui/night';
import { useHere } from '../ui/orchard-context';
import { useOutbox } from '../offline/outbox';
import { queries } from '../api/queries';
import { Empty, Loaded } from '../ui/States';

import { useSubmit } from '../form/use-submit';
import { givesPollen } from '../crossing/cross-words';
import { pollenOf } from '../planning/round-words';
import { PlannedAnew } from './PlannedAnew';
import { StopCard } from './StopCard';
import { forgetPlace, needed, nextStop, placeIn, rememberPlace, route, type Place } from './walk-state';
import classes from './Walk.module.css';
import { count, phrase, t } from '../text/text';

const StepCard = lazy(async () => ({ default: (await import('./StepCard')).StepCard }));
const CollectCard = lazy(async () => ({ default: (await import('./CollectCard')).CollectCard }));

type Stop = Schemas['RoundStop'];

/** How often one looks what the others on the same walk have done. */
const LOOK_MS = 5_000;

/** A step of its own: what to clean before another father's pollen is touched. */
function Clean({ stop, done }: { stop: Stop; done: () => void }) {
  return (
    <>
      <section className={classes.card}>
        <b>{t('walk.clean-before', { father: stop.pollenParent })}</b>
        <ul className={classes.cautions}>
          {stop.cleanBefore.map((c) => (
            <li key={c}>{phrase(c)}</li>
          ))}
        </ul>
        <p>{t('walk.open-jar', { jar: pollenOf(stop) })}</p>
      </section>
      <footer className={classes.bar}>
        <Button size="lg" ml="auto" onClick={done}>
          {t('walk.all-clean')}
        </Button>
      </footer>
    </>
  );
}

function Cautions({ cautions, go }: { cautions: string[]; go: () => void }) {
  return (
    <>
      <section className={classes.card}>
        <b>{t('walk.before')}</b>
        <ul className={classes.cautions}>
          {cautions.map((c) => (
            <li key={c}>{phrase(c)}</li>
          ))}
        </ul>
      </section>
      <footer className={classes.bar}>
        <Button size="lg" ml="auto" onClick={go}>
          {t('do.go')}
        </Button>
      </footer>
    </>
  );
}

function Over({ walk, back }: { walk: Schemas['Walk']; back: () => void }) {
  const navigate = useNavigate();
  const close = useSubmit(
    () => answer(api.POST('/api/walks/{id}/close', { params: { path: { id: walk.id } } })),
    [],
    () => {
      forgetPlace(walk.id);
      void navigate('/round');
    },
  );
  return (
    <div style={{ padding: 16 }}>
      <Empty
        title={t('walk.last')}
        action={
          <div className="line" style={{ justifyContent: 'center' }}>
            <Button variant="outline" onClick={back}>
              {t('walk.back-one')}
            </Button>
            <Button loading={close.busy} onClick={() => close.submit(undefined)}>
              {t('walk.end')}
            </Button>
          </div>
        }
      >
        {t('walk.after')}
        {close.general && <span className="warn"> {close.general}</span>}
      </Empty>
    </div>
  );
}

/** The place one stands at: where nothing is counted, a stop that nobody need go to any more is left. */
function usePlace(walk: Schemas['Walk']): [Place, (to: Place) => void] {
  const { session } = useHere();
  const outbox = useOutbox();
  const [place, setPlace] = useState(() => placeIn(walk.id));
  const go = (to: Place) => {
    rememberPlace(walk.id, to);
    setPlace(to);
  };
  if (place.part !== 'stop' || place.count > 0) return [place, go];
  return [{ ...place, at: needed(walk, place.at, outbox, session.accountId) }, go];
}

/** What one is at, in the head of the page. */
function heading(walk: Schemas['Walk'], { part, at }: Place): string {
  const stops = route(walk);
  if (part === 'start') return count('stop', stops.length);
  if (part === 'collect') return t('walk.collect-n', { n: at + 1, of: walk.collects.length });
  if (at >= walk.stops.length) return t('walk.done');
  if (walk.replaced.includes(at)) return t('walk.replaced');
  return t('walk.stop-n', { n: stops.indexOf(at) + 1, of: stops.length });
}

/** The walk's stops one after another; what others do meanwhile shows at each. */
function Walking({ walk, crops }: { walk: Schemas['Walk']; crops: Schemas['CropSheetView'][] }) {
  const [place, go] = usePlace(walk);
  const [night, toggleNight] = useNightMode();
  const [cleaned, setCleaned] = useState(-1);
  const { part, at } = place;
  const stop = part === 'stop' ? walk.stops[at] : undefined;
  const collecting = part === 'collect' ? walk.collects[at] : undefined;
  const clean = !stop || stop.cleanBefore.length === 0 || cleaned === at;
  const over = part === 'stop' && !stop;
  const Card = stop && givesPollen(stop.kind) ? StopCard : StepCard;
  const toStop = (at: number) => go({ part: 'stop', at, count: 0 });
  const toCollect = (at: number) =>
    at < walk.collects.length ? go({ part: 'collect', at, count: 0 }) : toStop(nextStop(walk, -1));
  return (
    <div className={classes.page}>
      <FieldHead back="/round" backLabel={t('walk.back-to-visit')} title={heading(walk, place)}>
        <KeptLine className={classes.kept} short />
        <button type="button" onClick={toggleNight} aria-pressed={night}>
          {night ? <IconSun size={22} /> : <IconMoon size={22} />} {night ? t('do.day') : t('do.night')}
        </button>
      </FieldHead>
      <PlannedAnew walk={walk} />
      {part === 'start' && <Cautions cautions={walk.cautions} go={() => toCollect(0)} />}
      {collecting && (
        <Suspense fallback={null}>
          <CollectCard
            key={collecting.lotId}
            of={collecting}
            sheet={crops.find((c) => c.key === collecting.pollen.crop)}
            next={() => toCollect(at + 1)}
          />
        </Suspense>
      )}
      {stop && !clean && <Clean stop={stop} done={() => setCleaned(at)} />}
      {stop && clean && (
        <Suspense fallback={null}>
          <Card
            key={at}
            walk={walk}
            index={at}
            sheet={crops.find((c) => c.key === stop.crop)}
            count={place.count}
            setCount={(count) => go({ part: 'stop', at, count })}
            next={() => toStop(nextStop(walk, at))}
            collect={toCollect}
          />
        </Suspense>
      )}
      {over && <Over walk={walk} back={() => toStop(route(walk).at(-1) ?? 0)} />}
    </div>
  );
}

/** A round under the trees. */
export function Walk() {
  const id = useParams().walk!;
  const walk = useQuery({ ...queries.walk(id), refetchInterval: LOOK_MS });
  const crops = useQuery(queries.crops());
  return (
    <Loaded of={crops}>
      {(c) => <Loaded of={walk}>{(w) => <Walking key={w.id} walk={w} crops={c} />}</Loaded>}
    </Loaded>
  );
}
