import { RecordForm } from '../form/RecordForm';
import { NumberField, TextField } from '../form/fields';
import { Button, Select } from '@mantine/core';
import { useState } from 'react';
import { Link } from 'react-router';
import { answer, api, type Schemas } from '../api/api';
import { newId } from '../api/ids';
import { useHere } from '../ui/orchard-context';
import { dayOfYearAndClock, plural } from '../format/time';
import { JarPermit } from './JarPermit';
import { hereSince } from './lot-words';
import { useSubmit } from '../form/use-submit';
import { doneWithUndo } from '../ui/undo';

type Line = Schemas['LedgerLine'];

const SAID: Record<Line['kind'], string> = {
  DRAWN: 'put on flowers',
  RETURNED: 'back from a visit that was removed',
  TAKEN: 'used elsewhere',
  GIVEN_AWAY: 'given away',
  BROUGHT_BACK: 'brought back',
  SPILLED: 'spilled',
  DISCARDED: 'thrown away',
  POURED_OUT: 'blended into',
  POURED_BACK: 'back from a blend',
  UNDONE: 'undone',
};
const BY_HAND = ['GIVEN_AWAY', 'TAKEN', 'BROUGHT_BACK', 'SPILLED', 'DISCARDED'] as const;

const undo = (lot: string, id: string) =>
  answer(api.POST('/api/lots/{lot}/lines/{id}/undo', { params: { path: { lot, id } } }));

function LineForm({ lot, close }: { lot: Schemas['LotView']; close: () => void }) {
  const { now } = useHere();
  const [id] = useState(newId);
  const [kind, setKind] = useState<Line['kind']>('SPILLED');
  const [doses, setDoses] = useState<number | string>('');
  const [note, setNote] = useState('');
  const form = useSubmit(
    () =>
      answer(
        api.PUT('/api/lots/{lot}/lines/{id}', {
          params: { path: { lot: lot.id, id } },
          body: { kind, doses: Number(doses), at: now.toISOString(), ...(note && { note }) },
        }),
      ),
    ['doses', 'note'],
    () => {
      doneWithUndo(`${plural(Number(doses), 'dose')} ${SAID[kind]}.`, () => undo(lot.id, id));
      close();
    },
  );
  return (
    <RecordForm
      form={form}
      save="Write it down"
      cancel={close}
      disabled={doses === ''}
      className="line"
      style={{ alignItems: 'flex-start' }}
    >
      <Select
        label="What happened"
        data={BY_HAND.map((value) => ({ value, label: SAID[value] }))}
        value={kind}
        onChange={(v) => setKind(v as Line['kind'])}
        allowDeselect={false}
        w={170}
      />
      <NumberField name="doses" label="Doses" min={1} w={110} value={doses} set={setDoses} data-autofocus />
      <TextField
        name="note"
        label={kind === 'GIVEN_AWAY' ? 'To whom' : 'Note'}
        value={note}
        set={setNote}
        named="Note"
      />
      {kind === 'GIVEN_AWAY' && <JarPermit scope="POLLEN_OUT" crop={lot.crop} at={now} />}
    </RecordForm>
  );
}

/** What went in and out of a jar: it always adds up. */
export function LedgerCard({ story }: { story: Schemas['LotStory'] }) {
  const { now, zone } = useHere();
  const [adding, setAdding] = useState(false);
  const lot = story.lot;
  const takeBack = useSubmit(
    (id: string) => undo(lot.id, id),
    [],
    () => undefined,
  );
  return (
    <section className="card">
      <header>
        <h2>Doses in and out</h2>
        {!adding && (
          <Button size="sm" variant="outline" ml="auto" onClick={() => setAdding(true)}>
            Given away, used, spilled
          </Button>
        )}
      </header>
      {adding && <LineForm lot={lot} close={() => setAdding(false)} />}
      <div className="scroll">
        <table className="plain">
          <thead>
            <tr>
              <th>When</th>
              <th>What</th>
              <th className="num">Doses</th>
              <th className="num">Left</th>
              <th />
            </tr>
          </thead>
          <tbody>
            {story.lines.map((l, i) => (
              <tr key={i} style={l.undone ? { textDecoration: 'line-through', opacity: 0.7 } : undefined}>
                <td style={{ whiteSpace: 'nowrap' }}>{dayOfYearAndClock(new Date(l.at), now, zone)}</td>
                <td>
                  {SAID[l.kind]} {l.otherLot && <Link to={`/l/${l.otherLot}`}>{l.otherLot}</Link>}{' '}
                  <span className="small soft">{l.note}</span>
                </td>
                <td className="num">{l.change > 0 ? `+${l.change}` : `−${-l.change}`}</td>
                <td className="num">{l.left}</td>
                <td className="num">
                  {l.id && !l.undone && (
                    <Button size="compact-sm" variant="subtle" onClick={() => takeBack.submit(l.id!)}>
                      Undo
                    </Button>
                  )}
                </td>
              </tr>
            ))}
            <tr>
              <td style={{ whiteSpace: 'nowrap' }}>{dayOfYearAndClock(hereSince(lot), now, zone)}</td>
              <td>{lot.received ? 'came from elsewhere' : lot.parts.length > 0 ? 'blended' : 'collected'}</td>
              <td className="num">+{lot.dosesCollected}</td>
              <td className="num">{lot.dosesCollected}</td>
              <td />
            </tr>
          </tbody>
        </table>
      </div>
      {takeBack.general && <p className="warn">{takeBack.general}</p>}
    </section>
  );
}
