import { Button } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { answer, api, type Schemas } from '../kit/api';
import { useHere } from '../kit/orchard-context';
import { queries } from '../kit/queries';
import { Empty, Loaded } from '../kit/States';
import { clock, plural, said } from '../kit/time';
import { TimeField } from '../kit/TimeField';
import { useSubmit } from '../kit/use-submit';
import { Why } from '../kit/Why';
import { StartWalking } from '../walk/StartWalking';
import { DoneList } from '../pollination/DoneList';
import { RecordPollination } from '../pollination/RecordPollination';
import classes from './Round.module.css';
import { Which } from './Which';
import { RoundTabs } from './RoundTabs';
import { toCollect } from '../pollen/collect-asked';
import { crossWords, givesPollen } from '../crossing/cross-words';
import { OverrideDialog, type Asked } from './OverrideDialog';
import { collectWords, leftWords } from './plan-words';
import { byFather, flowersWords, stopWhy, waitingFor } from './round-words';

function Plan({ round }: { round: Schemas['Round'] }) {
  const order = new Map(round.stops.map((s, i) => [s, i + 1]));
  return (
    <>
      {byFather(round.stops).map((father) => (
        <section key={father.code} className="card">
          <header>
            <h2>
              {father.code} <span className="soft">{father.parent}</span>
            </h2>
            <span className="soft small">
              {father.stops.some((s) => givesPollen(s.kind))
                ? flowersWords(father.stops)
                : plural(father.stops.length, 'step')}
            </span>
          </header>
          {father.stops[0]!.cleanBefore.length > 0 && (
            <div className="note small" style={{ marginBottom: 8 }}>
              <b>First clean:</b> {father.stops[0]!.cleanBefore.join(' ')}
            </div>
          )}
          <table className="plain" style={{ tableLayout: 'fixed' }}>
            <thead>
              <tr>
                <th style={{ width: 36 }} aria-label="Order" />
                <th>Tree</th>
                <th className="num" style={{ width: 84 }}>
                  Flowers
                </th>
                <th className={classes.which}>Which</th>
              </tr>
            </thead>
            <tbody>
              {father.stops.map((s) => (
                <tr key={order.get(s)}>
                  <td className="soft">{order.get(s)}</td>
                  <td>
                    <b>{s.treeName}</b>
                    {s.cross && <div className="small">{crossWords(s)}</div>}
                    <div className="small soft">
                      <span className={classes.wide}>{s.varietyName} · </span>
                      {s.block && `${s.block}, `}row {s.row}, place {s.position}
                    </div>
                    <div className={classes.below}>
                      <Which stop={s} />
                    </div>
                  </td>
                  <td className="num">
                    <Why
                      because={<p>{givesPollen(s.kind) ? stopWhy(s) : `${s.why} ${s.say}`}</p>}
                      label={`${s.flowers} flowers`}
                    >
                      <span className="figure" style={{ fontSize: 22 }}>
                        {s.flowers}
                      </span>
                    </Why>
                  </td>
                  <td className={classes.which}>
                    <Which stop={s} />
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </section>
      ))}
    </>
  );
}

function sentence(round: Schemas['Round'], now: Date, zone: string): string {
  const at = said(new Date(round.at), now, zone);
  if (round.stops.length === 0) return `Nothing can be pollinated at ${at}.`;
  const trees = new Set(round.stops.map((s) => s.treeId)).size;
  const jars = new Set(round.stops.flatMap((s) => s.lotId ?? [])).size;
  const fresh = round.collect.length;
  const from = [jars > 0 && plural(jars, 'jar'), fresh > 0 && `${plural(fresh, 'jar')} to fill first`]
    .filter(Boolean)
    .join(' and ');
  return `At ${at}: ${flowersWords(round.stops)} on ${plural(trees, 'tree')}${from && `, from ${from}`}.`;
}

/** Pollen that the walk begins with; who wants it in a jar before can have that. */
function CollectFirst({ of }: { of: Schemas['PlannedCollecting'][] }) {
  if (of.length === 0) return null;
  return (
    <section className="note stack" data-card="collect">
      {of.map((c) => (
        <div key={c.varietyId} className="line" style={{ flexWrap: 'nowrap' }}>
          <p style={{ flexGrow: 1 }}>
            <b>Collect {c.variety} first</b>: {collectWords(c)}.
          </p>
          <Button
            component={Link}
            {...toCollect(c, '/round')}
            aria-label={`Collect ${c.variety}`}
            className="noprint"
            variant="outline"
            style={{ flexShrink: 0 }}
          >
            Collect
          </Button>
        </div>
      ))}
      <p className="small soft">The walk begins with this; or collect it now, and it starts from the jars.</p>
    </section>
  );
}

/** Walks that nobody ended: to be taken up, or closed. */
function OpenWalks() {
  const { now, zone } = useHere();
  const { data: walks = [] } = useQuery(queries.walks());
  const close = useSubmit(
    (id: string) => answer(api.POST('/api/walks/{id}/close', { params: { path: { id } } })),
    [],
    () => undefined,
  );
  return (
    <>
      {walks.map((w) => (
        <section key={w.id} className="note line" style={{ justifyContent: 'space-between' }}>
          <span>
            <b>A walk begun {said(new Date(w.startedAt), now, zone)} is not ended</b>: {w.flowersDone} of{' '}
            {plural(w.flowersPlanned, 'flower')} done, {plural(w.stops, 'stop')}.
          </span>
          <span className="line">
            <Button component={Link} to={`/round/walk/${w.id}`}>
              Walk on
            </Button>
            <Button variant="outline" component={Link} to={`/round/paper/${w.id}`}>
              Type it in
            </Button>
            <Button variant="outline" onClick={() => close.submit(w.id)}>
              End it
            </Button>
          </span>
        </section>
      ))}
    </>
  );
}

export function Round() {
  const { now, zone } = useHere();
  const [at, setAt] = useState<Date>();
  const [asked, setAsked] = useState<Asked>();
  const [other, setOther] = useState(false);
  const round = useQuery({ ...queries.round(at?.toISOString()), placeholderData: (before) => before });
  return (
    <>
      <RoundTabs />
      <OpenWalks />
      <OverrideDialog asked={asked} close={() => setAsked(undefined)} />
      <div className="line noprint" style={{ alignItems: 'flex-end' }}>
        <TimeField label="Hour of the visit" value={at ?? new Date(round.data?.at ?? now)} onChange={setAt} />
        {at && (
          <>
            <Button
              variant="outline"
              onClick={() => setAsked({ request: { kind: 'VISIT_AT', visitAt: at.toISOString() } })}
            >
              Plan it at this hour
            </Button>
            <Button variant="outline" onClick={() => setAt(undefined)}>
              Best hour
            </Button>
          </>
        )}
        {round.data?.bestHours && (
          <span className="small soft" style={{ paddingBottom: 8 }}>
            good from {said(new Date(round.data.bestHours.from), now, zone)} to{' '}
            {clock(new Date(round.data.bestHours.until), zone)}
          </span>
        )}
      </div>
      <Loaded of={round}>
        {(r) => (
          <>
            <div className="say">
              <h1>{sentence(r, now, zone)}</h1>
              {r.stops.length + r.collect.length > 0 && (
                <div className="do noprint">
                  <StartWalking key={r.at} at={at ? r.at : undefined} paper />
                </div>
              )}
            </div>
            {r.stops.length === 0 && r.left.length === 0 && r.waiting.length === 0 && (
              <Empty title="No flower to do at this hour">Try another hour, or read the trees again.</Empty>
            )}
            <CollectFirst of={r.collect} />
            <Plan round={r} />
            {r.waiting.length > 0 && (
              <section className="note">
                <b>Left for a later visit</b>
                {waitingFor(r.waiting).map((w) => (
                  <p key={w.at + w.lot}>
                    {plural(w.flowers, 'flower')} for {said(new Date(w.at), now, zone)} with <b>{w.lot}</b>
                    <span className="soft">: {w.trees}.</span>
                  </p>
                ))}
                {r.kept.map((k) => (
                  <p key={k.lot + k.tree + k.at} className="small soft">
                    {plural(k.doses, 'dose')} of {k.lot} kept back for {k.tree}: {k.why}
                  </p>
                ))}
              </section>
            )}
            {r.left.length > 0 && (
              <section className="note">
                <b>Not planned</b>
                {r.left.map((l) => (
                  <p key={l.treeId + l.tree}>
                    {leftWords(l)} <span className="soft">What would help: {l.wouldServe}</span>
                  </p>
                ))}
              </section>
            )}
            <DoneList done={r.done} />
            <div className="noprint">
              <Button variant="outline" onClick={() => setOther(true)}>
                Write down other flowers
              </Button>
            </div>
            {other && <RecordPollination close={() => setOther(false)} />}
            {r.stops.length > 0 && (
              <p className="small soft">
                With the jars on the shelf, and an eye on <Link to="/round/plan">the coming days</Link>: a
                flower left for tomorrow counts 5 % less, as weather and plans change.{' '}
                {r.proven
                  ? 'Proven: no other plan for this pollen brings more.'
                  : 'Nearly the best plan; a slightly better one may exist.'}
              </p>
            )}
            {r.cautions.length > 0 && (
              <section className="card">
                <h3>Take care</h3>
                <ul className="small" style={{ margin: '6px 0 0', paddingLeft: 20 }}>
                  {r.cautions.map((c) => (
                    <li key={c}>{c}</li>
                  ))}
                </ul>
              </section>
            )}
          </>
        )}
      </Loaded>
    </>
  );
}
