import { RecordForm } from '../form/RecordForm';
import { TextField } from '../form/fields';
import { Checkbox, Modal, NumberInput, Select, TextInput } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas } from '../api/api';
import { newId } from '../api/ids';
import { queries } from '../api/queries';
import { useSubmit } from '../form/use-submit';
import { CropSelect } from './CropSelect';

type Variety = Schemas['VarietyView'];
type Breeding = Schemas['Breeding'];
type Numbers = Schemas['VarietyNumbers'];

function commonest(crops: string[]): string | null {
  const times = (crop: string) => crops.filter((c) => c === crop).length;
  return [...crops].sort((a, b) => times(b) - times(a))[0] ?? null;
}

/** What is known of its breeding: everything may stay open. */
function BreedingFields({
  value,
  onChange,
  sheet,
  kin,
  errorFor,
}: {
  value: Breeding;
  onChange: (b: Breeding) => void;
  sheet: Schemas['CropSheetView'] | undefined;
  kin: Variety[];
  errorFor: (field: string, label: string) => string | undefined;
}) {
  const set = <K extends keyof Breeding>(key: K, given: Breeding[K] | '' | null) => {
    const next = { ...value };
    if (given === '' || given === null || given === undefined) delete next[key];
    else next[key] = given;
    onChange(next);
  };
  const options = kin.map((v) => ({ value: v.id, label: v.name }));
  const sport = value.sportOfId !== undefined;
  const parent = (key: 'motherId' | 'fatherId' | 'sportOfId', label: string) => (
    <Select
      label={label}
      data={options}
      value={value[key] ?? null}
      onChange={(v) => set(key, v)}
      clearable
      searchable
      placeholder="not known"
      disabled={sport && key !== 'sportOfId'}
      error={errorFor(key, label)}
    />
  );
  return (
    <div className="form" style={{ maxWidth: 'none' }}>
      {sheet?.allelesDecide && (
        <TextInput
          label="S alleles"
          description={`${value.ploidy ?? sheet.ploidy} of them, like S3 S9; S3 ? where one is known; empty when none is`}
          value={value.alleles ?? ''}
          onChange={(e) => set('alleles', e.currentTarget.value)}
          disabled={sport}
          error={errorFor('alleles', 'Alleles')}
        />
      )}
      <div className="two">
        {parent('motherId', 'Seed parent')}
        {parent('fatherId', 'Pollen parent')}
        {parent('sportOfId', 'Sport or copy of')}
        <NumberInput
          label="Raised in"
          placeholder="year, if known"
          hideControls
          thousandSeparator=""
          value={value.raisedIn ?? ''}
          onChange={(v) => set('raisedIn', v === '' ? '' : Number(v))}
          error={errorFor('raisedIn', 'Year')}
        />
        <NumberInput
          label="Sets of chromosomes"
          placeholder={String(sheet?.ploidy ?? 2)}
          min={2}
          max={8}
          value={value.ploidy ?? ''}
          onChange={(v) => set('ploidy', v === '' ? '' : Number(v))}
          disabled={sport}
          error={errorFor('ploidy', 'Sets of chromosomes')}
        />
        <Checkbox
          label="Small flowers, less pollen"
          mt={30}
          checked={value.smallFlowered ?? false}
          onChange={(e) => set('smallFlowered', e.currentTarget.checked)}
        />
        {sheet?.figSizes && (
          <>
            <NumberInput
              label="Can be pollinated from, mm"
              min={1}
              value={value.figRightFromMm ?? ''}
              onChange={(v) => set('figRightFromMm', v === '' ? '' : Number(v))}
              error={errorFor('figRightFromMm', 'Size')}
            />
            <NumberInput
              label="Too late from, mm"
              min={1}
              value={value.figLateFromMm ?? ''}
              onChange={(v) => set('figLateFromMm', v === '' ? '' : Number(v))}
              error={errorFor('figLateFromMm', 'Size')}
            />
          </>
        )}
      </div>
    </div>
  );
}

type NumberKey = Exclude<keyof Numbers, 'source'>;

/** One number; what is typed stays as typed, as a number that is half written ("1.") is none yet. */
function NumberField({
  label,
  description,
  share = false,
  value,
  onChange,
  error,
}: {
  label: string;
  description: string;
  share?: boolean;
  value: number | undefined;
  onChange: (n: number | undefined) => void;
  error: string | undefined;
}) {
  const [typed, setTyped] = useState<string | number>(
    value === undefined ? '' : share ? Math.round(value * 1e5) / 1e3 : value,
  );
  return (
    <NumberInput
      label={label}
      description={description}
      placeholder="as on the sheet"
      hideControls
      min={0}
      {...(share && { suffix: ' %' })}
      value={typed}
      onChange={(v) => {
        setTyped(v);
        const n = Number(v);
        onChange(v === '' || !Number.isFinite(n) ? undefined : share ? Math.round(n * 1e3) / 1e5 : n);
      }}
      error={error}
    />
  );
}

/** The variety's own numbers; what is left empty stays as on the crop sheet. */
function NumberFields({
  value,
  onChange,
  errorFor,
}: {
  value: Numbers;
  onChange: (n: Numbers) => void;
  errorFor: (field: string, label: string) => string | undefined;
}) {
  const set = <K extends keyof Numbers>(key: K, given: Numbers[K]) => {
    const next = { ...value };
    if (given === undefined || given === '') delete next[key];
    else next[key] = given;
    onChange(next);
  };
  const number = (key: NumberKey, label: string, description: string, share = false) => (
    <NumberField
      label={label}
      description={description}
      share={share}
      value={value[key]}
      onChange={(n) => set(key, n)}
      error={errorFor(key, label)}
    />
  );
  return (
    <div className="form" style={{ maxWidth: 'none' }}>
      <div className="two">
        {number('ownPollen', 'Own pollen serves', '0 self-sterile, 100 self-fertile', true)}
        {number('setShare', 'Pollinated flowers that set and stay', 'of all that are pollinated', true)}
        {number('dosesPerFlower', 'Doses a male flower yields', 'flowers it can pollinate')}
        {number('developmentRate', 'Development against the sheet', '1 as fast, 1.1 a tenth longer')}
        {number('seedsPerFruit', 'Full seeds in a crossed fruit', 'seeds, as a mean')}
        {number('chillPortions', 'Chill it needs', 'chill portions before warmth counts')}
        <TextInput
          label="Where these come from"
          description="so that others can judge them"
          placeholder="own records, nursery, a paper"
          value={value.source ?? ''}
          onChange={(e) => set('source', e.currentTarget.value)}
          error={errorFor('source', 'Source')}
        />
      </div>
    </div>
  );
}

/** A new variety, or what is known of one that is there. */
export function VarietyForm({
  editing,
  opened,
  close,
  saved,
}: {
  editing?: Variety | undefined;
  opened: boolean;
  close: () => void;
  saved?: (variety: Variety) => void;
}) {
  const { data: crops = [] } = useQuery(queries.crops());
  const { data: varieties = [] } = useQuery(queries.varieties());
  const [id] = useState(() => editing?.id ?? newId());
  const [name, setName] = useState(editing?.name ?? '');
  const [chosen, setChosen] = useState<string | null>(editing?.crop ?? null);
  const [breeding, setBreeding] = useState<Breeding>(editing?.breeding ?? {});
  const [numbers, setNumbers] = useState<Numbers>(editing?.numbers ?? {});
  // The crop that is grown most here is the likeliest; a first variety has to say what it is.
  const crop = chosen ?? commonest(varieties.map((v) => v.crop));
  const sheet = crops.find((c) => c.key === crop);
  const group = new Set(crops.filter((c) => c.pollenGroup === sheet?.pollenGroup).map((c) => c.key));
  const form = useSubmit(
    () =>
      answer(
        api.PUT('/api/varieties/{id}', {
          params: { path: { id } },
          body: { name, crop: crop ?? '', breeding, numbers, ...(editing && { version: editing.version }) },
        }),
      ),
    [
      'name',
      'crop',
      'alleles',
      'motherId',
      'fatherId',
      'sportOfId',
      'raisedIn',
      'ploidy',
      'figRightFromMm',
      'figLateFromMm',
      'ownPollen',
      'setShare',
      'seedsPerFruit',
      'chillPortions',
      'dosesPerFlower',
      'developmentRate',
      'source',
    ],
    (variety) => {
      saved?.(variety);
      close();
    },
  );
  return (
    <Modal opened={opened} onClose={close} title={editing ? editing.name : 'New variety'} size="lg">
      <RecordForm duty="MANAGE" form={form} save="Save">
        <TextField name="name" label="Name" data-autofocus value={name} set={setName} />
        <CropSelect
          value={crop}
          onChange={setChosen}
          disabled={editing !== undefined}
          error={form.errorFor('crop', 'Crop')}
        />
        <details open={editing !== undefined}>
          <summary style={{ cursor: 'pointer', padding: '6px 0' }}>Breeding: decides who fits whom</summary>
          <BreedingFields
            value={breeding}
            onChange={setBreeding}
            sheet={sheet}
            kin={varieties.filter((v) => v.id !== id && group.has(v.crop))}
            errorFor={form.errorFor}
          />
        </details>
        <details open={Object.values(numbers).some((n) => n !== undefined && n !== '')}>
          <summary style={{ cursor: 'pointer', padding: '6px 0' }}>
            Its own numbers, where they differ from the crop sheet
          </summary>
          <NumberFields value={numbers} onChange={setNumbers} errorFor={form.errorFor} />
        </details>
      </RecordForm>
    </Modal>
  );
}
