import { Button } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { lazy, Suspense } from 'react';
import { Link } from 'react-router';
import type { Schemas } from '../api/api';
import { percent } from '../format/numbers';
import { useHere } from '../ui/orchard-context';
import { PLAN_DAYS, queries } from '../api/queries';
import { Loaded, Waiting } from '../ui/States';

import { ShelfStrip } from '../pollen/ShelfStrip';
import { Anew } from '../ui/Anew';
import { isOfPermit, leftWords } from '../planning/plan-words';
import { StartWalking } from '../walk/StartWalking';
import { Accounted } from './Accounted';
import { isSoon } from './coming';
import { Headline, InAll } from './Headline';
import { ReadNext } from './ReadNext';
import { RunSheet } from './RunSheet';
import classes from './RunSheet.module.css';
import { t, tell } from '../text/text';

/** Seen on a first day only. */
const FirstDay = lazy(async () => ({ default: (await import('./FirstDay')).FirstDay }));

/** CrossRequests that nothing can be done for, and what would help. */
function CrossesNotPossible({ plan }: { plan: Schemas['Plan'] }) {
  const crosses = plan.left.filter((l) => l.reason.startsWith('CROSS_'));
  if (crosses.length === 0) return null;
  return (
    <p className="note" data-card="left">
      {crosses.slice(0, MOST_LEFT).map((l) => (
        <span key={l.treeId + l.tree}>
          {leftWords(l)} {tell(l.wouldServe)}{' '}
        </span>
      ))}
      {crosses.length > MOST_LEFT && t('today.more-left', { n: crosses.length - MOST_LEFT })}
    </p>
  );
}

/** Nothing on this page is right while sunset is at the wrong hour. */
function ZoneDoubt() {
  const { orchard } = useHere();
  if (!orchard.zoneDoubt) return null;
  return (
    <p className="note bad">
      {orchard.zoneDoubt} <Link to="/orchard">{t('today.check-place')}</Link>.
    </p>
  );
}

/** Nothing may be touched before an authority has said so. */
function PermitsMissing({ plan }: { plan: Schemas['Plan'] }) {
  return plan.obstacles.filter(isOfPermit).map((o) => (
    <p key={tell(o)} className={`note ${o.key === 'obstacle.permit-ends' ? '' : 'bad'}`}>
      {tell(o)} <Link to="/orchard/permits">{t('tab.permits')}</Link>
    </p>
  ));
}

/** So many trees are told here; the others under Coming days. */
const MOST_LEFT = 3;

/** What comes next, and what can be done before it. */
function Buttons({ bloom, plan }: { bloom: Schemas['Bloom']; plan: Schemas['Plan'] }) {
  const { now } = useHere();
  const next = plan.rounds[0];
  const read = plan.readNext[0]?.treeId ?? bloom.trees[0]!.treeId;
  return (
    <div className="do noprint">
      <Button component={Link} to={`/bloom/read/${read}`} state={{ from: '/' }} variant="outline">
        {t('today.read')}
      </Button>
      {next && (
        <Button component={Link} to="/round" variant="outline">
          {t('today.see-visit')}
        </Button>
      )}
      {next && isSoon(next, now) && <StartWalking />}
    </div>
  );
}

/** Pollen in the jars, and what of it no visit needs. */
function Jars({ plan }: { plan: Schemas['Plan'] }) {
  const lots = useQuery(queries.lots());
  return (
    <>
      {lots.data && <ShelfStrip lots={lots.data} />}
      {plan.spare.length > 0 && (
        <p className="small soft" data-card="spare">
          {t('today.spare', {
            list: plan.spare
              .map((s) => t('today.spare-jar', { n: s.doses, jar: s.lot, alive: percent(s.viability) }))
              .join('; '),
          })}
        </p>
      )}
    </>
  );
}

function Sheet({ bloom, plan }: { bloom: Schemas['Bloom']; plan: Schemas['Plan'] }) {
  return (
    <>
      <div className="say">
        <div>
          <Headline bloom={bloom} plan={plan} />
          <InAll plan={plan} />
          <Anew of="plan" age={plan.ageSeconds} />
        </div>
        <Buttons bloom={bloom} plan={plan} />
      </div>
      <ZoneDoubt />
      <PermitsMissing plan={plan} />
      <div className={classes.columns}>
        <div>
          <RunSheet plan={plan} />
          <CrossesNotPossible plan={plan} />
        </div>
        <aside className="stack">
          {plan.account && <Accounted account={plan.account} />}
          <ReadNext trees={plan.readNext} />
          <Jars plan={plan} />
        </aside>
      </div>
    </>
  );
}

/** What to do this evening, in five seconds. */
export function Today() {
  const bloom = useQuery(queries.bloom(48));
  const plan = useQuery(queries.plan(PLAN_DAYS));
  return (
    <Loaded of={bloom}>
      {(b) =>
        // Trees that were read and removed leave nothing to plan for.
        b.everRead && b.trees.length > 0 ? (
          <Loaded of={plan} waiting={t('headline.planning')}>
            {(p) => <Sheet bloom={b} plan={p} />}
          </Loaded>
        ) : (
          <Suspense fallback={<Waiting />}>
            <FirstDay />
          </Suspense>
        )
      }
    </Loaded>
  );
}
