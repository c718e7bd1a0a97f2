import { useQuery } from '@tanstack/react-query';
import { useParams } from 'react-router';
import type { Schemas } from '../kit/api';
import { Glyph } from '../kit/Glyph';
import { basisWord, percent, temperature } from '../kit/numbers';
import { useHere } from '../kit/orchard-context';
import { queries } from '../kit/queries';
import { Empty, Loaded } from '../kit/States';
import { span } from '../kit/time';

type Sheet = Schemas['CropSheetView'];
type Stage = Sheet['stages'][number];

const PHASES: Record<string, string> = {
  BUD: 'bud',
  FEMALE: 'can take pollen',
  BETWEEN: 'between',
  MALE: 'gives pollen',
  BOTH: 'takes and gives',
  SPENT: 'over',
};
const STORES: Record<string, string> = {
  ROOM: 'open in the room',
  FRIDGE: 'fridge, no desiccant',
  FRIDGE_DESICCANT: 'fridge with desiccant',
  FREEZER: 'freezer',
};

function Basis({ of: n }: { of: Schemas['SourcedNumber'] }) {
  return <span className="soft small"> ({basisWord(n.basis, n.source)})</span>;
}

function edgeWords(from: string, hours: number): string {
  if (from === 'CLOCK')
    return `${String(Math.floor(hours)).padStart(2, '0')}:${String(Math.round((hours % 1) * 60)).padStart(2, '0')}`;
  const anchor = from === 'SUNRISE' ? 'sunrise' : 'sunset';
  if (hours === 0) return anchor;
  return `${span(Math.abs(hours))} ${hours < 0 ? 'before' : 'after'} ${anchor}`;
}

function StageRow({ stage }: { stage: Stage }) {
  const tone = stage.takes ? 'take' : stage.gives ? 'give' : 'soft';
  return (
    <tr>
      <td>
        <Glyph glyph={stage.glyph} size={58} />
      </td>
      <td>
        <b>{stage.name}</b>
        <div className="small soft">{stage.signs}</div>
      </td>
      <td className={tone}>
        {PHASES[stage.phase]}
        {stage.takes && <div className="small">receptivity {percent(stage.receptivity.value)}</div>}
      </td>
      <td>
        {span(stage.meanHours.value)}
        <Basis of={stage.meanHours} />
        <div className="small soft">
          give or take {span(stage.meanHours.value / Math.sqrt(stage.shape.value))}
        </div>
      </td>
      <td className="small">
        {stage.gate
          ? `leaves only from ${edgeWords(stage.gate.opensFrom, stage.gate.opensHours.value)} to ${edgeWords(stage.gate.closesFrom, stage.gate.closesHours.value)}; half go in ${stage.gate.halfTimeMinutes.value} minutes`
          : 'leaves at any hour'}
        {stage.gate && <Basis of={stage.gate.opensHours} />}
      </td>
    </tr>
  );
}

function Sheet({ sheet }: { sheet: Sheet }) {
  const { orchard } = useHere();
  const degrees = (n: Schemas['SourcedNumber']) => temperature(n.value, orchard.units);
  return (
    <>
      <h1>
        {sheet.name} <i className="soft">{sheet.scientificName}</i>
      </h1>
      <p style={{ maxWidth: 780 }}>{sheet.summary}</p>
      <section className="card">
        <h2>Stages, in order</h2>
        <p className="small soft">
          Durations at {degrees(sheet.referenceTemperatureC)}. Below {degrees(sheet.baseTemperatureC)} the
          clock stands still, above {degrees(sheet.capTemperatureC)} more heat adds nothing (
          {basisWord(sheet.referenceTemperatureC.basis)}).
        </p>
        <div className="scroll">
          <table className="plain">
            <thead>
              <tr>
                <th>Looks</th>
                <th>Stage</th>
                <th style={{ width: 150 }}>It</th>
                <th style={{ width: 210 }}>Lasts</th>
                <th>Hours of change</th>
              </tr>
            </thead>
            <tbody>
              {sheet.stages.map((s) => (
                <StageRow key={s.key} stage={s} />
              ))}
            </tbody>
          </table>
        </div>
      </section>
      <section className="card stack">
        <h2>Pollen</h2>
        <p>
          A shedding flower gives about {sheet.dosesPerFlower.value} doses
          <Basis of={sheet.dosesPerFlower} />; fresh, about {percent(sheet.freshViability.value)} of the
          grains live
          <Basis of={sheet.freshViability} />.
        </p>
        <table className="plain">
          <thead>
            <tr>
              <th>Kept</th>
              <th>At</th>
              <th>Halves every</th>
              <th>Spoils</th>
            </tr>
          </thead>
          <tbody>
            {sheet.keeping.map((k) => (
              <tr key={k.storage}>
                <td>{STORES[k.storage]}</td>
                <td>{degrees(k.temperatureC)}</td>
                <td>
                  {span(k.halfLifeHours.value)}
                  <Basis of={k.halfLifeHours} />
                </td>
                <td>{k.spoilsAfterHours ? `mould after ${span(k.spoilsAfterHours.value)}` : '–'}</td>
              </tr>
            ))}
          </tbody>
        </table>
        <p>
          Own variety:{' '}
          {sheet.ownVarietyServes
            ? `serves, counted at ${percent(sheet.ownVarietyWorth.value)}`
            : 'does not serve'}
          . {sheet.ownVarietyWhy}
          <Basis of={sheet.ownVarietyWorth} />
        </p>
      </section>
      <section className="card stack">
        <h2>Looking for fruit</h2>
        {sheet.checks.map((c) => (
          <p key={c.name}>
            <b>
              Day {c.day.value}, {c.name.toLowerCase()}.
            </b>{' '}
            {c.lookFor}
            <Basis of={c.day} />
          </p>
        ))}
      </section>
      <section className="card">
        <h2>Take care</h2>
        <ul>
          {sheet.cautions.map((c) => (
            <li key={c}>{c}</li>
          ))}
        </ul>
        <p className="small soft">
          Local rules, product labels and licensed people come before anything said here.
        </p>
      </section>
    </>
  );
}

export function CropSheet() {
  const { crop } = useParams();
  const crops = useQuery(queries.crops());
  return (
    <Loaded of={crops}>
      {(all) => {
        const sheet = all.find((c) => c.key === crop);
        return sheet ? <Sheet sheet={sheet} /> : <Empty title="There is no such crop sheet" />;
      }}
    </Loaded>
  );
}
