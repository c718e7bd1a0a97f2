import { Button } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { answer, api, type Schemas } from '../api/api';
import { useHere } from '../ui/orchard-context';
import { queries } from '../api/queries';
import { Empty, Loaded } from '../ui/States';
import { clock, said } from '../format/time';
import { TimeField } from '../form/TimeField';
import { useSubmit } from '../form/use-submit';
import { Why } from '../ui/Why';
import { StartWalking } from '../walk/StartWalking';
import { DoneList } from '../pollination/DoneList';
import { RecordPollination } from '../pollination/RecordPollination';
import { placeWords } from '../text/place-words';
import classes from './Round.module.css';
import { Which } from './Which';
import { RoundTabs } from './RoundTabs';
import { toCollect } from '../pollen/collect-asked';
import { crossWords, givesPollen } from '../crossing/cross-words';
import { OverrideDialog, type Asked } from './OverrideDialog';
import { collectWords, leftWords } from './plan-words';
import { byFather, flowersWords, stopWhy, waitingFor } from './round-words';
import { count, rich, phrase, t, tell, tellAll } from '../text/text';

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
                : t('round.steps', { n: father.stops.length })}
            </span>
          </header>
          {father.stops[0]!.cleanBefore.length > 0 && (
            <div className="note small" style={{ marginBottom: 8 }}>
              {rich('round.first-clean', { what: father.stops[0]!.cleanBefore.map(phrase).join(' ') })}
            </div>
          )}
          <table className="plain" style={{ tableLayout: 'fixed' }}>
            <thead>
              <tr>
                <th style={{ width: 36 }} aria-label={t('round.order')} />
                <th>{t('account.col-tree')}</th>
                <th className="num" style={{ width: 84 }}>
                  {t('account.col-flowers')}
                </th>
                <th className={classes.which}>{t('round.which')}</th>
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
                      {placeWords(s)}
                    </div>
                    <div className={classes.below}>
                      <Which stop={s} />
                    </div>
                  </td>
                  <td className="num">
                    <Why
                      because={<p>{givesPollen(s.kind) ? stopWhy(s) : `${s.why} ${tellAll(s.say)}`}</p>}
                      label={count('flower', s.flowers)}
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
  if (round.stops.length === 0) return t('round.nothing', { at });
  const trees = new Set(round.stops.map((s) => s.treeId)).size;
  const jars = new Set(round.stops.flatMap((s) => s.lotId ?? [])).size;
  const fresh = round.collect.length;
  return t('round.sentence', {
    at: at.charAt(0).toLocaleUpperCase() + at.slice(1),
    flowers: flowersWords(round.stops),
    trees,
    jars,
    fresh,
  });
}

/** Pollen that the walk begins with; who wants it in a jar before can have that. */
function CollectFirst({ of }: { of: Schemas['PlannedCollecting'][] }) {
  if (of.length === 0) return null;
  return (
    <section className="note stack" data-card="collect">
      {of.map((c) => (
        <div key={c.varietyId} className="line" style={{ flexWrap: 'nowrap' }}>
          <p style={{ flexGrow: 1 }}>
            {rich('round.collect-first', { variety: c.variety, what: collectWords(c) })}
          </p>
          <Button
            component={Link}
            {...toCollect(c, '/round')}
            aria-label={t('walk.collect', { variety: c.variety })}
            className="noprint"
            variant="outline"
            style={{ flexShrink: 0 }}
          >
            {t('sheet.collect')}
          </Button>
        </div>
      ))}
      <p className="small soft">{t('round.walk-begins')}</p>
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
            {rich('round.open-walk', {
              at: said(new Date(w.startedAt), now, zone),
              done: w.flowersDone,
              planned: w.flowersPlanned,
              stops: w.stops,
            })}
          </span>
          <span className="line">
            <Button component={Link} to={`/round/walk/${w.id}`}>
              {t('round.walk-on')}
            </Button>
            <Button variant="outline" component={Link} to={`/round/paper/${w.id}`}>
              {t('round.type-in')}
            </Button>
            <Button variant="outline" onClick={() => close.submit(w.id)}>
              {t('round.end-it')}
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
        <TimeField label={t('round.hour')} value={at ?? new Date(round.data?.at ?? now)} onChange={setAt} />
        {at && (
          <>
            <Button
              variant="outline"
              onClick={() => setAsked({ request: { kind: 'VISIT_AT', visitAt: at.toISOString() } })}
            >
              {t('round.plan-at')}
            </Button>
            <Button variant="outline" onClick={() => setAt(undefined)}>
              {t('round.best-hour')}
            </Button>
          </>
        )}
        {round.data?.bestHours && (
          <span className="small soft" style={{ paddingBottom: 8 }}>
            {t('round.good', {
              from: said(new Date(round.data.bestHours.from), now, zone),
              until: clock(new Date(round.data.bestHours.until), zone),
            })}
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
              <Empty title={t('round.no-flower')}>{t('round.try-other')}</Empty>
            )}
            <CollectFirst of={r.collect} />
            <Plan round={r} />
            {r.waiting.length > 0 && (
              <section className="note">
                <b>{t('round.later')}</b>
                {waitingFor(r.waiting).map((w) => (
                  <p key={w.at + w.lot}>
                    {rich('round.later-one', {
                      flowers: w.flowers,
                      at: said(new Date(w.at), now, zone),
                      jar: w.lot,
                    })}
                    <span className="soft">: {w.trees}.</span>
                  </p>
                ))}
                {r.kept.map((k) => (
                  <p key={k.lot + k.tree + k.at} className="small soft">
                    {t('round.kept', { doses: k.doses, jar: k.lot, tree: k.tree })}
                  </p>
                ))}
              </section>
            )}
            {r.left.length > 0 && (
              <section className="note">
                <b>{t('round.not-planned')}</b>
                {r.left.map((l) => (
                  <p key={l.treeId + l.tree}>
                    {leftWords(l)}{' '}
                    <span className="soft">{t('round.would-help', { what: tell(l.wouldServe) })}</span>
                  </p>
                ))}
              </section>
            )}
            <DoneList done={r.done} />
            <div className="noprint">
              <Button variant="outline" onClick={() => setOther(true)}>
                {t('record.title')}
              </Button>
            </div>
            {other && <RecordPollination close={() => setOther(false)} />}
            {r.stops.length > 0 && (
              <p className="small soft">
                {rich('round.how', { link: (inside) => <Link to="/round/plan">{inside}</Link> })}{' '}
                {r.proven ? t('round.proven') : t('round.nearly')}
              </p>
            )}
            {r.cautions.length > 0 && (
              <section className="card">
                <h3>{t('round.care')}</h3>
                <ul className="small" style={{ margin: '6px 0 0', paddingLeft: 20 }}>
                  {r.cautions.map((c) => (
                    <li key={c}>{phrase(c)}</li>
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
