import { Button } from '@mantine/core';
import { IconMoon, IconSun } from '@tabler/icons-react';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import { answer, api, type Schemas } from '../kit/api';
import { FieldHead } from '../kit/FieldHead';
import { KeptLine } from '../kit/KeptLine';
import { useNightMode } from '../kit/night';
import { queries } from '../kit/queries';
import { Empty, Loaded } from '../kit/States';
import { plural } from '../kit/time';
import { useSubmit } from '../kit/use-submit';
import { givesPollen } from '../crossing/cross-words';
import { CollectCard } from './CollectCard';
import { StepCard } from './StepCard';
import { StopCard } from './StopCard';
import { forgetPlace, placeIn, rememberPlace } from './walk-state';
import classes from './Walk.module.css';

type Stop = Schemas['RoundStop'];

/** How often one looks what the others on the same walk have done. */
const LOOK_MS = 5_000;

/** A step of its own: what to clean before another father's pollen is touched. */
function Clean({ stop, done }: { stop: Stop; done: () => void }) {
  return (
    <>
      <section className={classes.card}>
        <b>Clean before {stop.pollenParent}</b>
        <ul className={classes.cautions}>
          {stop.cleanBefore.map((c) => (
            <li key={c}>{c}</li>
          ))}
        </ul>
        <p>Then open the jar: {stop.lotCode}.</p>
      </section>
      <footer className={classes.bar}>
        <Button size="lg" ml="auto" onClick={done}>
          All clean
        </Button>
      </footer>
    </>
  );
}

function Cautions({ cautions, go }: { cautions: string[]; go: () => void }) {
  return (
    <>
      <section className={classes.card}>
        <b>Before you go</b>
        <ul className={classes.cautions}>
          {cautions.map((c) => (
            <li key={c}>{c}</li>
          ))}
        </ul>
      </section>
      <footer className={classes.bar}>
        <Button size="lg" ml="auto" onClick={go}>
          Go
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
        title="That was the last stop"
        action={
          <div className="line" style={{ justifyContent: 'center' }}>
            <Button variant="outline" onClick={back}>
              Back one stop
            </Button>
            <Button loading={close.busy} onClick={() => close.submit(undefined)}>
              End the walk
            </Button>
          </div>
        }
      >
        Clean the brush, close the jars, and read tomorrow’s flowers when you can.
        {close.general && <span className="warn"> {close.general}</span>}
      </Empty>
    </div>
  );
}

/** The walk's stops one after another; what others do meanwhile shows at each. */
function Walking({ walk, crops }: { walk: Schemas['Walk']; crops: Schemas['CropSheetView'][] }) {
  // Before the first stop stand what is collected, -1 the last of it, and before that the cautions.
  const beginning = -1 - walk.collects.length;
  const [place, setPlace] = useState(() => placeIn(walk.id, beginning));
  const go = (to: typeof place) => {
    rememberPlace(walk.id, to);
    setPlace(to);
  };
  const [night, toggleNight] = useNightMode();
  const [cleaned, setCleaned] = useState(-1);
  const { at } = place;
  const stop = walk.stops[at];
  const collecting = at < 0 && at > beginning ? walk.collects[walk.collects.length + at] : undefined;
  const clean = !stop || stop.cleanBefore.length === 0 || cleaned === at;
  const over = at >= walk.stops.length;
  const Card = stop && givesPollen(stop.kind) ? StopCard : StepCard;
  return (
    <div className={classes.page}>
      <FieldHead
        back="/round"
        backLabel="Back to the visit"
        title={
          over
            ? 'Walk done'
            : stop
              ? `Stop ${at + 1} of ${walk.stops.length}`
              : collecting
                ? `Collect ${walk.collects.length + at + 1} of ${walk.collects.length}`
                : plural(walk.stops.length, 'stop')
        }
      >
        <KeptLine className={classes.kept} />
        <button type="button" onClick={toggleNight} aria-pressed={night}>
          {night ? <IconSun size={22} /> : <IconMoon size={22} />} {night ? 'day' : 'night'}
        </button>
      </FieldHead>
      {at === beginning && <Cautions cautions={walk.cautions} go={() => go({ at: at + 1, count: 0 })} />}
      {collecting && (
        <CollectCard
          key={collecting.lotId}
          of={collecting}
          sheet={crops.find((c) => c.key === collecting.pollen.crop)}
          next={() => go({ at: at + 1, count: 0 })}
        />
      )}
      {stop && !clean && <Clean stop={stop} done={() => setCleaned(at)} />}
      {stop && clean && (
        <Card
          key={at}
          walk={walk}
          index={at}
          sheet={crops.find((c) => c.key === stop.crop)}
          count={place.count}
          setCount={(count) => go({ at, count })}
          next={() => go({ at: at + 1, count: 0 })}
          collect={(place) => go({ at: place - walk.collects.length, count: 0 })}
        />
      )}
      {over && <Over walk={walk} back={() => go({ at: walk.stops.length - 1, count: 0 })} />}
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
