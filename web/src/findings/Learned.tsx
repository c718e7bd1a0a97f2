import { useCropName } from '../crop/crop-name';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import type { Schemas } from '../api/api';
import { basisWord, decimal, percent } from '../format/numbers';
import { queries } from '../api/queries';
import { Loaded } from '../ui/States';
import classes from './Findings.module.css';

const STROKES: Record<string, string> = { FULL: 'many, all round', LIGHT: 'once in and out' };

function Tables({ of }: { of: Schemas['Learned'] }) {
  const cropName = useCropName();
  return (
    <div className="scroll">
      <table className="plain">
        <thead>
          <tr>
            <th>Of pollinated flowers set</th>
            <th className="num">Crop sheet</th>
            <th className="num">Learned here</th>
            <th className="num">8 in 10 between</th>
            <th className="num">From flowers</th>
          </tr>
        </thead>
        <tbody>
          {of.varieties.map((v) => (
            <tr key={v.variety}>
              <td>{v.variety}</td>
              <td className="num">
                {v.shipped === undefined ? '–' : percent(v.shipped)}
                {v.basis && <span className="small soft"> {basisWord(v.basis)}</span>}
              </td>
              <td className="num">
                <b>{percent(v.learned)}</b>
              </td>
              <td className="num">
                {percent(v.low)} to {percent(v.high)}
              </td>
              <td className="num">{v.flowers}</td>
            </tr>
          ))}
          {of.crosses.map((c) => (
            <tr key={`${c.mother} ${c.father}`}>
              <td>
                a dose of {c.father} on {c.mother}
              </td>
              <td className="num">fits {percent(c.shipped)}</td>
              <td className="num">
                <b>fits {percent(c.learned)}</b>
              </td>
              <td className="num">–</td>
              <td className="num">
                {c.taken} of {c.flowers}
              </td>
            </tr>
          ))}
          {of.strokes.map((s) => (
            <tr key={`${s.crop} ${s.strokes}`}>
              <td>
                {cropName(s.crop)}, strokes {STROKES[s.strokes]}
              </td>
              <td className="num">as all</td>
              <td className="num">
                <b>× {decimal(s.factor, 2)}</b>
              </td>
              <td className="num">–</td>
              <td className="num">
                {s.taken} of {s.flowers}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** What the plan has learned from these flowers, beside what it began with. */
export function Learned() {
  const learned = useQuery(queries.learned());
  return (
    <section className={`card ${classes.finding}`} data-card="learned">
      <h2>What goes back into the plan</h2>
      <Loaded of={learned}>
        {(l) =>
          l.varieties.length === 0 ? (
            <p className="soft">Nothing yet: the plan uses the crop sheets until flowers are decided here.</p>
          ) : (
            <>
              <p>
                {l.used
                  ? 'The flower budget and the plan use the numbers learned here.'
                  : 'Switched off: the flower budget and the plan use the crop sheets alone.'}{' '}
                <Link to="/round/hours">
                  {l.used ? 'Switch it off' : 'Switch it on'} under Hours and habits
                </Link>
                .
              </p>
              <Tables of={l} />
              <p className="small soft">
                The crop sheet’s share weighs 4 flowers, other varieties of the crop 20 at most; a father or a
                way to cover the stigma counts as average until about 20 flowers say otherwise. Our
                conventions.
              </p>
            </>
          )
        }
      </Loaded>
    </section>
  );
}
