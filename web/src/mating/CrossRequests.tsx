import { RecordForm } from '../form/RecordForm';
import { Button } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { answer, api, type Schemas, voidRecord } from '../api/api';
import { percent, percentRange } from '../format/numbers';
import { useHere } from '../ui/orchard-context';
import { PRIORITIES } from '../ui/priorities';
import { queries } from '../api/queries';
import { Empty, Loaded } from '../ui/States';
import { calendarDay, dayOfYear, plural, shortDay } from '../format/time';
import { useSubmit } from '../form/use-submit';
import { Verdict } from '../ui/Verdict';
import { Why } from '../ui/Why';
import { storageWords } from '../pollen/lot-words';
import { bloomWords } from './mate-words';
import { MatesTabs } from './MatesTabs';
import { CrossRequestFields, requested, type CrossRequestDraft } from './CrossRequestFields';

type CrossRequest = Schemas['CrossRequest'];

function planWords(crossRequest: CrossRequest): string | undefined {
  const b = crossRequest.bridge;
  const best = b?.choices.find((c) => c.doses !== undefined);
  if (!b || b.choices.length === 0) return undefined;
  if (!best)
    return `No storage carries pollen over ${plural(b.days, 'day')}: too little would be alive. Look for pollen from elsewhere.`;
  const year = (day: string) => (b.nextSeason || b.kind === 'LAST_YEARS' ? ` ${day.slice(0, 4)}` : '');
  return (
    `Collect ${crossRequest.father} from ${calendarDay(b.collectFrom!)} to ${calendarDay(b.collectUntil!)}${year(b.collectUntil!)}: ${plural(best.flowersToCollect!, 'flower')}. ` +
    `Dry, then ${storageWords(best.storage)}. Set aside ${plural(best.doses!, 'dose')} for ${plural(crossRequest.flowers, 'flower')} ` +
    `of ${crossRequest.mother} from ${calendarDay(b.useFrom!)} to ${calendarDay(b.useUntil!)}${year(b.useUntil!)}.`
  );
}

function Choices({ bridge }: { bridge: Schemas['SeasonStoragePlan'] }) {
  return (
    <div className="scroll">
      <table className="plain">
        <thead>
          <tr>
            <th>Kept</th>
            <th className="num">Alive on the mother’s first day</th>
            <th className="num">on its last</th>
            <th className="num">Doses</th>
            <th className="num">Flowers to collect</th>
          </tr>
        </thead>
        <tbody>
          {bridge.choices.map((c) => (
            <tr key={c.storage}>
              <td>{storageWords(c.storage)}</td>
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

function ChangeCrossRequest({ crossRequest, close }: { crossRequest: CrossRequest; close: () => void }) {
  const [draft, setDraft] = useState<CrossRequestDraft>({
    flowers: crossRequest.flowersGiven ?? '',
    seeds: crossRequest.seeds ?? '',
    priority: String(crossRequest.priority),
  });
  const form = useSubmit(
    () =>
      answer(
        api.PUT('/api/cross-requests/{id}', {
          params: { path: { id: crossRequest.id } },
          body: {
            motherId: crossRequest.motherId,
            fatherId: crossRequest.fatherId,
            note: crossRequest.note,
            version: crossRequest.version,
            ...requested(draft),
          },
        }),
      ),
    ['flowers', 'seeds'],
    close,
  );
  return (
    <RecordForm duty="MANAGE" form={form} save="Save" cancel={close}>
      <CrossRequestFields draft={draft} set={setDraft} errorFor={form.errorFor} />
    </RecordForm>
  );
}

function WantedCrossCard({ crossRequest }: { crossRequest: CrossRequest }) {
  const [changing, setChanging] = useState(false);
  const { now, zone } = useHere();
  const remove = useSubmit(
    () =>
      voidRecord(
        '/api/cross-requests/{id}/void',
        { id: crossRequest.id },
        crossRequest.version,
        'no longer wanted',
      ),
    [],
    () => undefined,
  );
  const plan = planWords(crossRequest);
  return (
    <section className="card stack">
      <header style={{ margin: 0 }}>
        <h2>
          {crossRequest.father} on {crossRequest.mother}
        </h2>
        <Verdict of={crossRequest.answer.verdict} />
        <span className="soft">
          {crossRequest.why ? (
            <Why label={plural(crossRequest.flowers, 'flower')} because={<p>{crossRequest.why}</p>}>
              {plural(crossRequest.flowers, 'flower')} for {plural(crossRequest.seeds ?? 0, 'seed')}
            </Why>
          ) : (
            plural(crossRequest.flowers, 'flower')
          )}
          {crossRequest.priority !== 1 && `, ${PRIORITIES[crossRequest.priority]}`}
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
      {changing && <ChangeCrossRequest crossRequest={crossRequest} close={() => setChanging(false)} />}
      <p className="small soft">{crossRequest.answer.why}</p>
      {crossRequest.bridge ? (
        <p>
          {bloomWords(crossRequest.bridge)}
          {crossRequest.bridge.nextSeason && (
            <span className="soft">
              {' '}
              This season’s days for it are over; these are next season’s, by the dates of this one.
            </span>
          )}
        </p>
      ) : (
        <p>
          The blooming days of {crossRequest.missing} are not known yet.{' '}
          <Link to="/bloom/season">Write down past seasons</Link>, then the plan stands here.
        </p>
      )}
      {plan && <p className="note">{plan}</p>}
      {crossRequest.bridge && crossRequest.bridge.choices.length > 0 && (
        <Choices bridge={crossRequest.bridge} />
      )}
      {crossRequest.jars.map((j) => (
        <p key={j.lot.id} className="small">
          <Link to={`/pollen/jar/${j.lot.id}`}>
            <b>{j.lot.code}</b>
          </Link>{' '}
          of {dayOfYear(new Date(j.lot.collectedAt), now, zone)}: {plural(j.lot.dosesLeft, 'dose')}; on{' '}
          {shortDay(new Date(j.at), zone)} {percent(j.share)} should be alive (likely{' '}
          {percentRange(j.low, j.high)}), {j.useful ? 'good enough to use' : 'too little alive'}.
        </p>
      ))}
      {crossRequest.jars.length === 0 && (
        <p className="small soft">No pollen of {crossRequest.father} is on the shelf.</p>
      )}
      {remove.general && <p className="warn">{remove.general}</p>}
    </section>
  );
}

/** Crosses wanted, and how pollen gets from his season to hers. */
export function CrossRequests() {
  const crossRequests = useQuery(queries.crossRequests());
  return (
    <>
      <MatesTabs />
      <h1>Crosses wanted, and how the pollen gets there</h1>
      <Loaded of={crossRequests}>
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
              Press a cell under “Who fits whom” and say how many flowers. If the father flowers before the
              mother, the plan says what to collect when, and how to store it until then.
            </Empty>
          ) : (
            all.map((w) => <WantedCrossCard key={w.id} crossRequest={w} />)
          )
        }
      </Loaded>
    </>
  );
}
