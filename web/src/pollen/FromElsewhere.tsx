import { Button, Checkbox, Select } from '@mantine/core';
import { NumberField, TextField } from '../form/fields';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { answer, api, type Schemas } from '../api/api';
import { newId } from '../api/ids';
import { queries } from '../api/queries';
import { RecordForm } from '../form/RecordForm';
import { DateField, TimeField } from '../form/TimeField';
import { useSubmit } from '../form/use-submit';
import { fromWallTime, plural, wallTime } from '../format/time';
import { VarietyForm } from '../orchard/VarietyForm';
import { useHere } from '../ui/orchard-context';
import { Loaded } from '../ui/States';
import { doneWithUndo } from '../ui/undo';
import classes from './Collect.module.css';
import { JarPermit } from './JarPermit';
import { storageWords } from './lot-words';
import { PollenTabs } from './PollenTabs';
import { StorageField, type Storage } from './StorageField';
import { voidLot } from './void-lot';

type How = Schemas['ReceivedPollenRequest']['how'];

const HOW: Record<How, string> = {
  BOUGHT: 'Bought',
  GIVEN: 'Given by somebody',
  SWAPPED: 'Swapped',
  OWN_PROPERTY: 'From another property of ours',
};

interface Known {
  collectedOn: string;
  keptBefore: Storage | null;
  stated: number | string;
}

/** The hour is not known: noon, or when it came if that was earlier on the same day. */
function collectedAt(day: string, came: Date, zone: string): Date {
  const noon = fromWallTime(`${day}T12:00`, zone);
  return day === wallTime(came, zone).slice(0, 10) && noon > came ? came : noon;
}

function KnownFields({
  value,
  onChange,
  sheet,
  errorFor,
}: {
  value: Known;
  onChange: (known: Known) => void;
  sheet: Schemas['CropSheetView'] | undefined;
  errorFor: (field: string, label: string) => string | undefined;
}) {
  const set = (part: Partial<Known>) => onChange({ ...value, ...part });
  return (
    <section className="card stack">
      <header>
        <h2>What is known of it</h2>
      </header>
      <p className="small soft">Leave empty what is not known.</p>
      <DateField
        label="Collected on"
        placeholder="not known"
        value={value.collectedOn}
        onChange={(collectedOn) => set({ collectedOn })}
        error={errorFor('collectedAt', 'Collected on')}
      />
      <Select
        label="Where it was kept until it came"
        placeholder="not known"
        clearable
        data={(sheet?.keeping ?? []).map((k) => ({ value: k.storage, label: storageWords(k.storage) }))}
        value={value.keptBefore}
        onChange={(keptBefore) => set({ keptBefore })}
        error={errorFor('keptBefore', 'Where it was kept')}
      />
      <NumberField
        name="statedAlive"
        label="Stated to be alive"
        description="as a seller’s label or a test before you says"
        placeholder="not stated"
        hideControls
        suffix=" %"
        max={100}
        value={value.stated}
        set={(stated) => set({ stated })}
      />
      <p className="small">
        The less is known, the wider its figures on the shelf. A test of a pinch of it narrows them; until
        then it is asked for.
      </p>
    </section>
  );
}

const FIELDS = [
  'varietyId',
  'from',
  'receivedAt',
  'storage',
  'doses',
  'collectedAt',
  'keptBefore',
  'statedAlive',
  'note',
];

/** The variety, which need not have a tree here; one that is not known yet is named at once. */
function FatherField({
  varieties,
  value,
  onChange,
  name,
  error,
}: {
  varieties: Schemas['VarietyView'][];
  value: string | null;
  onChange: (variety: string | null) => void;
  name: () => void;
  error: string | undefined;
}) {
  return (
    <div className="line" style={{ alignItems: 'flex-end' }}>
      <Select
        label="Father"
        placeholder="its variety"
        searchable
        data={varieties.map((v) => ({ value: v.id, label: v.name }))}
        value={value}
        onChange={onChange}
        error={error}
        style={{ flex: 1, minWidth: 200 }}
      />
      <Button variant="outline" onClick={name}>
        New variety
      </Button>
    </div>
  );
}

function FromElsewhereForm({
  varieties,
  crops,
}: {
  varieties: Schemas['VarietyView'][];
  crops: Schemas['CropSheetView'][];
}) {
  const { now, zone } = useHere();
  const navigate = useNavigate();
  const [id] = useState(newId);
  const [variety, setVariety] = useState<string | null>(null);
  const [naming, setNaming] = useState(false);
  const [how, setHow] = useState<How>('BOUGHT');
  const [from, setFrom] = useState('');
  const [doses, setDoses] = useState<number | string>('');
  const [ownTime, setOwnTime] = useState<Date>();
  const [chosenStorage, setStorage] = useState<Storage>();
  const [dry, setDry] = useState(true);
  const [known, setKnown] = useState<Known>({ collectedOn: '', keptBefore: null, stated: '' });
  const [note, setNote] = useState('');
  const crop = varieties.find((v) => v.id === variety)?.crop;
  const sheet = crops.find((c) => c.key === crop);
  const places = sheet?.keeping.map((k) => k.storage) ?? [];
  // Dry pollen that came by post goes to the coldest place the sheet knows, as nobody knows when it is needed.
  const storage = chosenStorage && places.includes(chosenStorage) ? chosenStorage : places.at(-1);
  const at = ownTime ?? now;
  const collected = known.collectedOn ? collectedAt(known.collectedOn, at, zone) : undefined;
  const form = useSubmit(
    () =>
      answer(
        api.PUT('/api/lots/{id}/received', {
          params: { path: { id } },
          body: {
            varietyId: variety ?? '',
            how,
            from,
            receivedAt: at.toISOString(),
            storage: storage ?? 'ROOM',
            dry,
            doses: Number(doses),
            ...(collected && { collectedAt: collected.toISOString() }),
            ...(known.keptBefore && { keptBefore: known.keptBefore }),
            ...(known.stated !== '' && { statedAlive: Number(known.stated) / 100 }),
            ...(note && { note }),
          },
        }),
      ),
    FIELDS,
    (lot) => {
      doneWithUndo(`${lot.code} is on the shelf with ${plural(lot.dosesLeft, 'dose')}.`, () =>
        voidLot(lot, 'undone right after saving'),
      );
      void navigate(`/pollen/jar/${lot.id}`);
    },
  );
  const caution = sheet?.cautions.find((c) => c.includes('between properties'));
  return (
    <>
      <RecordForm
        form={form}
        save="Put on the shelf"
        size="lg"
        disabled={!variety || doses === '' || from.trim() === ''}
      >
        <div className={classes.collect}>
          <section className="card stack">
            <header>
              <h2>The jar</h2>
            </header>
            <FatherField
              varieties={varieties}
              value={variety}
              onChange={setVariety}
              name={() => setNaming(true)}
              error={form.errorFor('varietyId', 'Father')}
            />
            <div className="form" style={{ maxWidth: 'none' }}>
              <div className="two">
                <Select
                  label="How you came by it"
                  data={Object.entries(HOW).map(([value, label]) => ({ value, label }))}
                  value={how}
                  onChange={(v) => setHow(v as How)}
                  allowDeselect={false}
                />
                <TextField
                  name="from"
                  label="From"
                  placeholder="person, firm or place"
                  value={from}
                  set={setFrom}
                />
                <NumberField
                  name="doses"
                  label="Doses"
                  description="flowers it is to serve"
                  min={1}
                  value={doses}
                  set={setDoses}
                />
                <TimeField
                  label="Came"
                  description="when you had it in hand"
                  value={at}
                  onChange={setOwnTime}
                  error={form.errorFor('receivedAt', 'Came')}
                />
              </div>
            </div>
            <Checkbox
              label="It came dry, as loose powder"
              checked={dry}
              onChange={(e) => setDry(e.currentTarget.checked)}
            />
            {sheet && storage && (
              <StorageField
                label="Where it is now"
                sheet={sheet}
                value={storage}
                onChange={setStorage}
                error={form.errorFor('storage', 'Where it is now')}
              />
            )}
            <TextField
              name="note"
              label="Note"
              placeholder="what stands on its label"
              value={note}
              set={setNote}
            />
            {caution && <p className="warn small">{caution}</p>}
            {sheet && <JarPermit scope="POLLEN_IN" crop={sheet.key} at={at} />}
          </section>
          <KnownFields value={known} onChange={setKnown} sheet={sheet} errorFor={form.errorFor} />
        </div>
      </RecordForm>
      <VarietyForm
        key={String(naming)}
        opened={naming}
        close={() => setNaming(false)}
        saved={(v) => setVariety(v.id)}
      />
    </>
  );
}

/** Pollen that was not collected here: bought, given, swapped. */
export function FromElsewhere() {
  const varieties = useQuery(queries.varieties());
  const crops = useQuery(queries.crops());
  return (
    <>
      <PollenTabs />
      <h1>Pollen from elsewhere</h1>
      <Loaded of={varieties}>
        {(v) => <Loaded of={crops}>{(c) => <FromElsewhereForm varieties={v} crops={c} />}</Loaded>}
      </Loaded>
    </>
  );
}
