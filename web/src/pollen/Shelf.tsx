import { Button } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import type { Schemas } from '../api/api';
import { Jar } from '../ui/Jar';
import { percent, percentRange } from '../format/numbers';
import { useHere } from '../ui/orchard-context';
import { queries } from '../api/queries';
import { SaveCsv } from '../ui/SaveCsv';
import { Empty, Loaded } from '../ui/States';
import { dayOfYearAndClock, plural } from '../format/time';
import { useSubmit } from '../form/use-submit';
import { Why } from '../ui/Why';
import { LotWhy } from './LotWhy';
import { PollenTabs } from './PollenTabs';
import { ScanField } from './Scan';
import classes from './Shelf.module.css';
import { blendWords, hereSince, inUseOrder, lotOrigin, lotState, lotWords, whereabouts } from './lot-words';
import { voidLot } from './void-lot';

function JarCard({ lot }: { lot: Schemas['LotView'] }) {
  const { now, zone } = useHere();
  const state = lotState(lot);
  const remove = useSubmit(
    () => voidLot(lot, 'recorded by mistake'),
    [],
    () => undefined,
  );
  return (
    <article
      className={`${classes.jar} ${state === 'good' ? '' : state === 'empty' ? classes.empty : classes.bad}`}
      data-lot={lot.code}
    >
      <Jar
        fill={lot.dosesLeft / lot.dosesCollected}
        fresh={lot.viability.share / lot.viability.fresh}
        size={62}
      />
      <div>
        <header>
          <Link to={`/pollen/jar/${lot.id}`} className={`figure ${classes.code}`}>
            {lot.code}
          </Link>
          <b>{lot.varietyName}</b>
        </header>
        <div className={`${classes.figures} small`}>
          <span>
            <b data-doses={lot.dosesLeft}>{lot.dosesLeft}</b>
            of {plural(lot.dosesCollected, 'dose')} left
          </span>
          <span>
            <span>
              <Why label="viability" because={<LotWhy lot={lot} />}>
                <b>{percent(lot.viability.share)}</b>
              </Why>
            </span>
            {state === 'good'
              ? `alive, likely ${percentRange(lot.viability.low, lot.viability.high)}`
              : 'alive, estimated'}
          </span>
        </div>
        <p className={classes.state}>{lotWords(lot, now, zone)}</p>
        {state === 'good' && lot.viability.advice && <p className="small">{lot.viability.advice}</p>}
        {blendWords(lot) && <p className="small">Blend: {blendWords(lot)}</p>}
        <p className="small soft">
          {lotOrigin(lot)}, {dayOfYearAndClock(hereSince(lot), now, zone)}; {whereabouts(lot)}
        </p>
        {lot.note && <p className="small">{lot.note}</p>}
        {lot.dosesLeft === lot.dosesCollected && (
          <Button
            size="compact-sm"
            variant="subtle"
            mt={4}
            ml={-8}
            loading={remove.busy}
            onClick={() => remove.submit(undefined)}
          >
            Recorded by mistake: remove
          </Button>
        )}
        {remove.general && <p className="small warn">{remove.general}</p>}
      </div>
    </article>
  );
}

const LONG_AGO_MS = 40 * 86_400_000;

function shelfSentence(lots: Schemas['LotView'][]): string {
  const good = lots.filter((l) => lotState(l) === 'good');
  const doses = good.reduce((n, l) => n + l.dosesLeft, 0);
  const gone = lots.filter((l) => ['old', 'spoiled'].includes(lotState(l))).length;
  const first = inUseOrder(good)[0];
  if (!first)
    return gone > 0 ? 'Nothing on the shelf can be counted on. Collect fresh pollen.' : 'The shelf is empty.';
  return (
    `${plural(doses, 'good dose')} in ${plural(good.length, 'jar')}. Use ${first.code} first.` +
    (gone > 0 ? ` ${plural(gone, 'jar')} ${gone === 1 ? 'is' : 'are'} past use.` : '')
  );
}

/** Jars used up long ago make room for those in use, but can be looked up. */
function Jars({ all }: { all: Schemas['LotView'][] }) {
  const { now } = useHere();
  const long = (l: Schemas['LotView']) =>
    l.dosesLeft === 0 && now.getTime() - hereSince(l).getTime() > LONG_AGO_MS;
  const past = all.filter(long);
  return (
    <>
      <div className={classes.shelf}>
        {all
          .filter((l) => !long(l))
          .map((l) => (
            <JarCard key={l.id} lot={l} />
          ))}
      </div>
      {past.length > 0 && (
        <details style={{ marginTop: 14 }}>
          <summary style={{ cursor: 'pointer', minHeight: 44 }}>
            {plural(past.length, 'jar')} used up earlier
          </summary>
          <div className={classes.shelf}>
            {past.map((l) => (
              <JarCard key={l.id} lot={l} />
            ))}
          </div>
        </details>
      )}
    </>
  );
}

export function Shelf() {
  const lots = useQuery(queries.lots());
  return (
    <Loaded of={lots}>
      {(all) => (
        <>
          <PollenTabs />
          <div className="say">
            <h1>{shelfSentence(all)}</h1>
            <div className="do noprint">
              <ScanField />
              <Button variant="outline" component={Link} to="/pollen/from-elsewhere">
                Pollen from elsewhere
              </Button>
              <Button component={Link} to="/pollen/collect">
                Collect pollen
              </Button>
            </div>
          </div>
          {all.length === 0 ? (
            <Empty title="No jar yet">
              When flowers have turned male, tap them over a dark cup: powder counts, crumbs do not. Then
              record the lot, so that every dose can be found again.
            </Empty>
          ) : (
            <>
              <Jars all={inUseOrder(all)} />
              <SaveCsv tables={['jars', 'jar-ledger', 'storage-steps', 'pollen-tests']} />
            </>
          )}
        </>
      )}
    </Loaded>
  );
}
