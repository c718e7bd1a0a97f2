import { Button } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { answer, api, type Schemas } from '../kit/api';
import { percent, percentRange } from '../kit/numbers';
import { useHere } from '../kit/orchard-context';
import { PRIORITIES } from '../kit/priorities';
import { queries } from '../kit/queries';
import { Empty, Loaded } from '../kit/States';
import { calendarDay, dayOfYear, plural, shortDay } from '../kit/time';
import { useSubmit } from '../kit/use-submit';
import { Verdict } from '../kit/Verdict';
import { Why } from '../kit/Why';
import { STORAGE } from '../pollen/lot-words';
import { bloomWords } from './mate-words';
import { MatesTabs } from './MatesTabs';
import { WishFields, wished, type WishDraft } from './WishFields';

type Wish = Schemas['CrossWish'];

function planWords(wish: Wish): string | undefined {
  const b = wish.bridge;
  const best = b?.choices.find((c) => c.doses !== undefined);
  if (!b || b.choices.length === 0) return undefined;
  if (!best)
    return `No storage carries pollen over ${plural(b.days, 'day')}: too little would be alive. Look for pollen from elsewhere.`;
  const year = (day: string) => (b.nextSeason || b.way === 'LAST_YEARS' ? ` ${day.slice(0, 4)}` : '');
  return (
    `Collect ${wish.father} from ${calendarDay(b.collectFrom!)} to ${calendarDay(b.collectUntil!)}${year(b.collectUntil!)}: ${plural(best.flowersToCollect!, 'flower')}. ` +
    `Dry, then ${STORAGE[best.storage]}. Set aside ${plural(best.doses!, 'dose')} for ${plural(wish.flowers, 'flower')} ` +
    `of ${wish.mother} from ${calendarDay(b.useFrom!)} to ${calendarDay(b.useUntil!)}${year(b.useUntil!)}.`
  );
}

function Choices({ bridge }: { bridge: Schemas['SeasonBridge'] }) {
  return (
    <div className="scroll">
      <table className="plain">
        <thead>
          <tr>
            <th>Kept</th>
            <th className="num">Alive on her first day</th>
            <th className="num">on her last</th>
            <th className="num">Doses</th>
            <th className="num">Flowers to collect</th>
          </tr>
        </thead>
        <tbody>
          {bridge.choices.map((c) => (
            <tr key={c.storage}>
              <td>{STORAGE[c.storage]}</td>
              <td className="num">
                {percent(c.first)} <span className="small soft">{percentRange(c.firstLow, c.firstHigh)}</span>
              </td>
              <td className="num">
                {percent(c.last)} <span className="small soft">{percentRange(c.lastLow, c.lastHigh)}</span>
              </td>
              <td className="num">{c.doses ?? 'no use'}</td>
              <td className="num">{c.flowersToCollect ?? '–'}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

function ChangeWish({ wish, close }: { wish: Wish; close: () => void }) {
  const [draft, setDraft] = useState<WishDraft>({
    flowers: wish.flowersGiven ?? '',
    seeds: wish.seeds ?? '',
    priority: String(wish.priority),
  });
  const form = useSubmit(
    () =>
      answer(
        api.PUT('/api/wishes/{id}', {
          params: { path: { id: wish.id } },
          body: {
            motherId: wish.motherId,
            fatherId: wish.fatherId,
            note: wish.note,
            version: wish.version,
            ...wished(draft),
          },
        }),
      ),
    ['flowers', 'seeds'],
    close,
  );
  return (
    <form
      className="stack"
      onSubmit={(e) => {
        e.preventDefault();
        form.submit(undefined);
      }}
    >
      <WishFields draft={draft} set={setDraft} errorFor={form.errorFor} />
      {form.general && <p className="warn">{form.general}</p>}
      <div className="line">
        <Button type="submit" loading={form.busy}>
          Save
        </Button>
        <Button variant="subtle" onClick={close}>
          Cancel
        </Button>
      </div>
    </form>
  );
}

function WishCard({ wish }: { wish: Wish }) {
  const [changing, setChanging] = useState(false);
  const { now, zone } = useHere();
  const remove = useSubmit(
    () =>
      answer(
        api.POST('/api/wishes/{id}/void', {
          params: { path: { id: wish.id } },
          body: { version: wish.version, reason: 'no longer wanted' },
        }),
      ),
    [],
    () => undefined,
  );
  const plan = planWords(wish);
  return (
    <section className="card stack">
      <header style={{ margin: 0 }}>
        <h2>
          {wish.father} on {wish.mother}
        </h2>
        <Verdict of={wish.answer.verdict} />
        <span className="soft">
          {wish.why ? (
            <Why label={plural(wish.flowers, 'flower')} because={<p>{wish.why}</p>}>
              {plural(wish.flowers, 'flower')} for {plural(wish.seeds ?? 0, 'seed')}
            </Why>
          ) : (
            plural(wish.flowers, 'flower')
          )}
          {wish.priority !== 1 && `, ${PRIORITIES[wish.priority]}`}
        </span>
        <span className="line" style={{ marginLeft: 'auto' }}>
          <Button size="compact-sm" variant="subtle" onClick={() => setChanging(!changing)}>
            Change
          </Button>
          <Button size="compact-sm" variant="subtle" onClick={() => remove.submit(undefined)}>
            No longer wanted
          </Button>
        </span>
      </header>
      {changing && <ChangeWish wish={wish} close={() => setChanging(false)} />}
      <p className="small soft">{wish.answer.why}</p>
      {wish.bridge ? (
        <p>
          {bloomWords(wish.bridge)}
          {wish.bridge.nextSeason && (
            <span className="soft">
              {' '}
              This season’s days for it are over; these are next season’s, by the dates of this one.
            </span>
          )}
        </p>
      ) : (
        <p>
          The blooming days of {wish.missing} are not known yet.{' '}
          <Link to="/bloom/season">Write down past seasons</Link>, then the plan stands here.
        </p>
      )}
      {plan && <p className="note">{plan}</p>}
      {wish.bridge && wish.bridge.choices.length > 0 && <Choices bridge={wish.bridge} />}
      {wish.jars.map((j) => (
        <p key={j.lot.id} className="small">
          <Link to={`/pollen/jar/${j.lot.id}`}>
            <b>{j.lot.code}</b>
          </Link>{' '}
          of {dayOfYear(new Date(j.lot.collectedAt), now, zone)}: {plural(j.lot.dosesLeft, 'dose')}; on{' '}
          {shortDay(new Date(j.at), zone)} {percent(j.share)} should be alive (likely{' '}
          {percentRange(j.low, j.high)}), {j.useful ? 'good enough to use' : 'too little alive'}.
        </p>
      ))}
      {wish.jars.length === 0 && <p className="small soft">No pollen of {wish.father} is on the shelf.</p>}
      {remove.general && <p className="warn">{remove.general}</p>}
    </section>
  );
}

/** Crosses wanted, and how pollen gets from his season to hers. */
export function Wishes() {
  const wishes = useQuery(queries.wishes());
  return (
    <>
      <MatesTabs />
      <h1>Crosses wanted, and how the pollen gets there</h1>
      <Loaded of={wishes}>
        {(all) =>
          all.length === 0 ? (
            <Empty
              title="No cross is wanted yet"
              action={
                <Button component={Link} to="/mates">
                  Choose one
                </Button>
              }
            >
              Press a cell under “Who fits whom” and say how many flowers. If he flowers before her, the plan
              says what to collect when, and how to keep it until her days.
            </Empty>
          ) : (
            all.map((w) => <WishCard key={w.id} wish={w} />)
          )
        }
      </Loaded>
    </>
  );
}
