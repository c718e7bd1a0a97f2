import { Button, NumberInput, SegmentedControl, Select } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas } from '../api/api';
import { queries } from '../api/queries';
import { Loaded, LoadedAll, Problem } from '../ui/States';
import { plural, span } from '../format/time';
import { PollenTabs } from './PollenTabs';
import classes from './Mixing.module.css';

/** 7.5 → "7.5", 0.05 → "0.05": as exact as it was reckoned, without trailing zeros. */
const plain = (n: number): string => String(Number(n.toPrecision(8)));

const number = (v: number | string): number | undefined => (v === '' ? undefined : Number(v));

function Amounts({ rows }: { rows: [string, string][] }) {
  return (
    <table className="plain">
      <tbody>
        {rows.map(([what, much]) => (
          <tr key={what}>
            <td>{what}</td>
            <td className="num">
              <b style={{ whiteSpace: 'nowrap' }}>{much}</b>
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function Medium() {
  const [volume, setVolume] = useState<number | string>(50);
  const ml = Number(volume) || 50;
  const recipe = useQuery({
    queryKey: ['medium', ml],
    queryFn: () => answer(api.GET('/api/recipes/medium', { params: { query: { volumeMl: ml } } })),
    placeholderData: (before) => before,
    retry: false,
  });
  return (
    <section className="card">
      <header>
        <h2>Medium for a germination test</h2>
      </header>
      <NumberInput label="Volume, ml" min={1} max={100000} value={volume} onChange={setVolume} maw={180} />
      <Loaded of={recipe}>
        {(r) => (
          <>
            <Amounts
              rows={[
                ['Sucrose (table sugar)', `${plain(r.sucroseG)} g`],
                ['Agar', `${plain(r.agarG)} g`],
                ['Boric acid', `${plain(r.boricAcidMg)} mg`],
                ['Calcium nitrate, tetrahydrate', `${plain(r.calciumNitrateMg)} mg`],
                ['Magnesium sulfate, heptahydrate', `${plain(r.magnesiumSulfateMg)} mg`],
                ['Potassium nitrate', `${plain(r.potassiumNitrateMg)} mg`],
                ['Water, up to', `${plain(r.volumeMl)} ml`],
              ]}
            />
            <p className="small">
              Warm until the agar is clear, pour thin, let it set. Strew a pinch of pollen, cover, keep warm
              and damp; count after some hours: a tube at least as long as the grain is wide counts.
            </p>
            <p className="note small">
              Laboratory chemicals are not for eating. Gloves and goggles, labelled bottles, out of reach of
              children; follow the data sheets and your local rules.
            </p>
            <p className="small soft">
              Salts and sugar after Brewbaker &amp; Kwack 1963, Am. J. Bot. 50:859–865 (from memory); agar
              1&nbsp;% is common practice. Species differ: some want 15&nbsp;% sugar or more.
            </p>
          </>
        )}
      </Loaded>
    </section>
  );
}

function Suspension({
  crops,
  varieties,
}: {
  crops: Schemas['CropSheetView'][];
  varieties: Schemas['VarietyView'][];
}) {
  const grown = new Set(varieties.map((v) => v.crop));
  // What grows here first; else figs, for which it is done most.
  const rank = (c: Schemas['CropSheetView']) => (grown.has(c.key) ? 0 : c.figSizes ? 1 : 2);
  const floated = crops.filter((c) => c.floated && c.sheds).sort((a, b) => rank(a) - rank(b));
  const [crop, setCrop] = useState(floated[0]?.key ?? '');
  const [by, setBy] = useState('fruits');
  const [much, setMuch] = useState<number | string>(100);
  const [sugar, setSugar] = useState<number | string>('');
  const [pollen, setPollen] = useState<number | string>('');
  const [dose, setDose] = useState<number | string>('');
  const [waste, setWaste] = useState<number | string>('');
  const ask: Schemas['SuspensionRequest'] = {
    crop,
    ...(by === 'fruits' ? { fruits: Number(much) || 1 } : { volumeMl: Number(much) || 1 }),
    ...(number(sugar) !== undefined && { sugarPercent: number(sugar)! }),
    ...(number(pollen) !== undefined && { pollenMgPerMl: number(pollen)! }),
    ...(number(dose) !== undefined && { doseMl: number(dose)! }),
    ...(number(waste) !== undefined && { wastePercent: number(waste)! }),
  };
  const mixed = useQuery({
    queryKey: ['suspension', ask],
    queryFn: () => answer(api.POST('/api/recipes/suspension', { body: ask })),
    enabled: crop !== '',
    retry: false,
  });
  const m = mixed.data;
  const male = floated.find((c) => c.key === crop)?.figSizes ? 'caprifig' : 'male flower';
  return (
    <section className="card">
      <header>
        <h2>Pollen in sugar water</h2>
      </header>
      <div className="form">
        <div className="two">
          <Select
            label="Crop"
            data={floated.map((c) => ({ value: c.key, label: c.name }))}
            value={crop}
            onChange={(v) => setCrop(v!)}
            allowDeselect={false}
          />
          <div>
            <SegmentedControl
              aria-label="Work out by"
              data={[
                { value: 'fruits', label: 'fruits' },
                { value: 'volume', label: 'ml' },
              ]}
              value={by}
              onChange={setBy}
              size="xs"
              mb={4}
            />
            <NumberInput
              aria-label={by === 'fruits' ? 'Fruits to be done' : 'Volume of sugar water, ml'}
              min={1}
              value={much}
              onChange={setMuch}
            />
          </div>
          <NumberInput
            label="Sugar, g in 100 ml"
            placeholder={m ? plain(m.sugarPercent) : ''}
            min={0}
            decimalScale={3}
            value={sugar}
            onChange={setSugar}
          />
          <NumberInput
            label="Pollen, mg in 1 ml"
            placeholder={m ? plain(m.pollenMgPerMl) : ''}
            min={0}
            decimalScale={4}
            value={pollen}
            onChange={setPollen}
          />
          <NumberInput
            label="Dose, ml to a fruit"
            placeholder={m ? plain(m.doseMl) : ''}
            min={0}
            decimalScale={4}
            value={dose}
            onChange={setDose}
          />
          <NumberInput
            label="Lost, %"
            placeholder={m ? plain(m.wastePercent) : ''}
            min={0}
            max={99}
            decimalScale={2}
            value={waste}
            onChange={setWaste}
          />
        </div>
      </div>
      {mixed.isError && <Problem>{mixed.error.message}</Problem>}
      {m && !mixed.isError && (
        <>
          <Amounts
            rows={[
              ['Sugar', `${plain(m.sugarG)} g`],
              ['Pollen', `${plain(m.pollenMg)} mg`],
              ['Water, up to', `${plain(m.volumeMl)} ml`],
              ['Enough for', plural(m.doses, 'fruit')],
              ['Throw away what is left after', span(m.keepsHours)],
            ]}
          />
          {m.household && (
            <p data-recipe="household">
              Too little sugar for a kitchen scale: dissolve <b>{plain(m.household.sugarG)} g</b> in water up
              to <b>{plain(m.household.stockMl)} ml</b> and take <b>{plain(m.household.takeMl)} ml</b> of it.
            </p>
          )}
          {m.pollenMgPerFlower > 0 && (
            <p data-recipe="flowers">
              No fine scale: one {male} gives about {plain(m.pollenMgPerFlower)} mg, {plain(m.dosesPerFlower)}{' '}
              doses; {plain(m.pollenMg)} mg take <b>{plural(m.flowers, male)}</b>.
            </p>
          )}
          {m.notes.map((n) => (
            <p key={n} className="small">
              {n}
            </p>
          ))}
          <p className="small soft">
            Fields left empty take the crop sheet&apos;s number. Volumes for fruits are rounded up to whole 5
            ml.
          </p>
        </>
      )}
    </section>
  );
}

const SIZES: Record<Schemas['FigSizeAnswer']['size'], string> = {
  TOO_SMALL: 'Too small: come back in some days.',
  RIGHT: 'Right: it can be pollinated now.',
  TOO_LATE: 'Too late: it can no longer be pollinated.',
};

function Fig({
  crops,
  varieties,
}: {
  crops: Schemas['CropSheetView'][];
  varieties: Schemas['VarietyView'][];
}) {
  const figs = varieties.filter((v) => crops.some((c) => c.key === v.crop && c.figSizes && c.receives));
  const [chosen, setVariety] = useState<string>();
  const [diameter, setDiameter] = useState<number | string>('');
  const [eye, setEye] = useState<'TIGHT_GREEN' | 'LOOSENING_GREEN' | 'COLOURED'>('TIGHT_GREEN');
  const variety = chosen ?? figs[0]?.id;
  const size = useQuery({
    queryKey: ['fig-size', variety, diameter, eye],
    queryFn: () =>
      answer(
        api.GET('/api/recipes/fig-size', {
          params: { query: { variety: variety!, diameterMm: Number(diameter), eye } },
        }),
      ),
    enabled: variety !== undefined && diameter !== '',
    retry: false,
  });
  return (
    <section className="card">
      <header>
        <h2>Is this fig of the right size?</h2>
      </header>
      {figs.length === 0 ? (
        <p className="soft">Add a fig variety under Orchard; it may have a window of its own.</p>
      ) : (
        <div className="form">
          <Select
            label="Variety"
            data={figs.map((v) => ({ value: v.id, label: v.name }))}
            value={variety ?? null}
            onChange={(v) => setVariety(v!)}
            allowDeselect={false}
          />
          <NumberInput label="Diameter, mm" min={1} max={200} value={diameter} onChange={setDiameter} />
          <SegmentedControl
            aria-label="The eye"
            data={[
              { value: 'TIGHT_GREEN', label: 'eye tight, green' },
              { value: 'LOOSENING_GREEN', label: 'loosening' },
              { value: 'COLOURED', label: 'coloured' },
            ]}
            value={eye}
            onChange={(v) => setEye(v)}
          />
          {size.data && (
            <p className={size.data.size === 'RIGHT' ? 'note' : 'note bad'} role="status">
              <b>{SIZES[size.data.size]}</b> The window{' '}
              {size.data.ofVariety ? 'of this variety' : 'of the crop sheet'} runs from{' '}
              {plain(size.data.rightFromMm)} to {plain(size.data.lateFromMm)} mm.
            </p>
          )}
          {size.isError && <p className="note bad">{size.error.message}</p>}
        </div>
      )}
    </section>
  );
}

/** What to weigh in, for a test and for crops whose pollen is floated. */
export function Mixing() {
  const crops = useQuery(queries.crops());
  const varieties = useQuery(queries.varieties());
  return (
    <>
      <PollenTabs />
      <div className="say">
        <h1>Mixing: what to weigh in, and for how many</h1>
        <div className="do noprint">
          <Button variant="outline" onClick={() => window.print()}>
            Print
          </Button>
        </div>
      </div>
      <LoadedAll of={[crops, varieties]}>
        {(c, v) => (
          <div className={classes.mixing}>
            <Medium />
            <Suspension crops={c} varieties={v} />
            <Fig crops={c} varieties={v} />
          </div>
        )}
      </LoadedAll>
    </>
  );
}
