import { Button, NativeSelect, NumberInput, Switch } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { answer, api, type Schemas } from '../api/api';
import { newId } from '../api/ids';
import { kilopascal, temperature, toCelsius, toFahrenheit } from '../format/numbers';
import { useHere } from '../ui/orchard-context';
import { queries } from '../api/queries';
import { Empty, Loaded } from '../ui/States';
import { plural } from '../format/time';
import { useSubmit } from '../form/use-submit';
import { BloomTabs } from './BloomTabs';

type Need = Schemas['HandNeed'];

const VERDICTS: Record<Need['verdict'], string> = {
  YES: 'Most likely yes',
  WORTH_TESTING: 'Worth testing',
  PERHAPS_NOT: 'Perhaps not',
};
const INSECTS = [
  { value: 'NOT_LOOKED', label: 'nobody looked yet' },
  { value: 'NONE', label: 'none' },
  { value: 'FEW', label: 'few' },
  { value: 'MANY', label: 'many' },
];
const MILE = 1.609344;

/** What the grower knows of a block; saved as it is changed. */
function BlockForm({ need }: { need: Need }) {
  const { orchard } = useHere();
  const metric = orchard.units === 'METRIC';
  const toShown = (km: number) => (metric ? km : Math.round((km / MILE) * 10) / 10);
  const [id] = useState(() => need.noteId ?? newId());
  const [sea, setSea] = useState<number | string>(need.seaKm === undefined ? '' : toShown(need.seaKm));
  const [insects, setInsects] = useState(need.insects);
  const [indoors, setIndoors] = useState(need.indoors);
  const degree = (c: number | undefined) =>
    c === undefined ? '' : metric ? c : Math.round(toFahrenheit(c) * 10) / 10;
  const [low, setLow] = useState<number | string>(degree(need.typicalMinimumC));
  const [high, setHigh] = useState<number | string>(degree(need.typicalMaximumC));
  const celsius = (v: number | string) => (metric ? Number(v) : toCelsius(Number(v)));
  const form = useSubmit<void, unknown>(
    () =>
      answer(
        api.PUT('/api/block-notes/{id}', {
          params: { path: { id } },
          body: {
            block: need.block,
            insects,
            indoors,
            ...(sea !== '' && { seaKm: metric ? Number(sea) : Number(sea) * MILE }),
            ...(low !== '' && { typicalMinimumC: celsius(low) }),
            ...(high !== '' && { typicalMaximumC: celsius(high) }),
            ...(need.version !== undefined && { version: need.version }),
          },
        }),
      ),
    ['seaKm', 'typicalMinimumC', 'typicalMaximumC'],
    () => undefined,
  );
  return (
    <>
      <div className="line" style={{ alignItems: 'flex-end' }}>
        <NumberInput
          label={`To the sea, ${metric ? 'km' : 'miles'}`}
          value={sea}
          onChange={setSea}
          min={0}
          hideControls
          w={130}
          error={form.errorFor('seaKm', 'Distance')}
        />
        <NativeSelect
          label="Insects in the flowers"
          value={insects}
          data={INSECTS}
          onChange={(e) => setInsects(e.currentTarget.value as Need['insects'])}
        />
        <Switch
          label="Under cover"
          checked={indoors}
          onChange={(e) => setIndoors(e.currentTarget.checked)}
          mb={8}
        />
        {(
          [
            ['low', low, setLow, 'typicalMinimumC', 'Lowest'],
            ['high', high, setHigh, 'typicalMaximumC', 'Highest'],
          ] as const
        ).map(([end, value, set, field, word]) => (
          <NumberInput
            key={end}
            label={`Ordinary ${end}, ${metric ? '°C' : '°F'}`}
            placeholder={indoors ? 'guessed' : 'as the orchard'}
            value={value}
            onChange={set}
            hideControls
            w={150}
            error={form.errorFor(field, word)}
          />
        ))}
        <Button variant="outline" loading={form.busy} onClick={() => form.submit()}>
          Calculate
        </Button>
        {form.general && <span className="warn">{form.general}</span>}
      </div>
      {need.ownAir && (
        <p className="small soft">
          This block has an air of its own:{' '}
          {need.indoors
            ? need.typicalMinimumC === undefined
              ? `the orchard’s weather does not count under cover. Until its typical day is set, ${temperature(15, orchard.units)} to ${temperature(24, orchard.units)} are guessed.`
              : 'the orchard’s weather does not count under cover.'
            : 'what is not known here is taken from the orchard.'}{' '}
          <Link to={`/bloom/weather?block=${encodeURIComponent(need.block)}`}>See its weather</Link>
        </p>
      )}
    </>
  );
}

function Verdict({ need, name }: { need: Need; name: string }) {
  return (
    <div
      style={{ borderTop: '1px solid var(--hair)', padding: '10px 0' }}
      data-need={`${need.block} ${need.crop}`}
    >
      <div className="line">
        <b>{name}</b>
        <span className="soft">{plural(need.trees, 'tree')}</span>
        <span
          className={need.verdict === 'PERHAPS_NOT' ? 'give' : need.verdict === 'YES' ? 'take' : undefined}
        >
          <b>{VERDICTS[need.verdict]}</b>
        </span>
      </div>
      <ul style={{ margin: '4px 0 0', paddingLeft: 20 }}>
        {need.reasons.map((r) => (
          <li key={r.sentence}>
            {r.sentence}{' '}
            <span className="small soft">
              {r.points > 0 ? `${r.points} for` : r.points < 0 ? `${-r.points} against` : 'either way'}
            </span>
          </li>
        ))}
      </ul>
    </div>
  );
}

/** Is my hand needed here? Block by block, with what it rests on. */
export function HandNeed() {
  const needs = useQuery(queries.handNeed());
  const crops = useQuery(queries.crops());
  const name = (key: string) => crops.data?.find((c) => c.key === key)?.name ?? key;
  return (
    <>
      <BloomTabs />
      <Loaded of={needs}>
        {(all) => {
          const blocks = [...new Set(all.map((n) => n.block))];
          if (all.length === 0)
            return (
              <Empty title="No trees yet">
                With trees in blocks this page shows where hand pollination pays.
              </Empty>
            );
          const deficit = all.find((n) => !n.ownAir)?.deficitKpa;
          return (
            <>
              <h1>Where hand pollination is likely to pay, and where a trial must decide</h1>
              <p style={{ maxWidth: 780 }}>
                A short reckoning of what speaks for and against; three points for the hand read “most likely
                yes”, two against “perhaps not”. The weights are our judgement. The honest answer is a
                comparison: leave some flowers to nature, tag them, and compare.{' '}
                {deficit !== undefined && (
                  <>
                    Over the last seven days the air lacked {kilopascal(deficit)} of water between 09:00 and
                    18:00.
                  </>
                )}
              </p>
              {blocks.map((block) => {
                const here = all.filter((n) => n.block === block);
                return (
                  <section className="card" key={block}>
                    <header>
                      <h2>{block || 'Trees without a block'}</h2>
                    </header>
                    <BlockForm key={here[0]!.version ?? 'new'} need={here[0]!} />
                    <div style={{ marginTop: 10 }}>
                      {here.map((n) => (
                        <Verdict key={n.crop} need={n} name={name(n.crop)} />
                      ))}
                    </div>
                  </section>
                );
              })}
            </>
          );
        }}
      </Loaded>
    </>
  );
}
