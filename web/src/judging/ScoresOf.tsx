import { Button } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import type { Schemas } from '../api/api';
import { queries } from '../api/queries';
import { calendarDate } from '../format/time';
import { Remove } from '../story/Mend';
import { useMay } from '../ui/roles';
import { Loaded } from '../ui/States';
import { scored } from './judging-words';
import classes from './ScoresOf.module.css';
import { ScoreForm, type Plant } from './ScoreForm';

type Score = Schemas['Score'];

/** One day of one taster, all traits in a line. */
interface Tasting {
  key: string;
  on: string;
  taster: string;
  note: string;
  scores: Score[];
}

function tastings(scores: Score[]): Tasting[] {
  const all = new Map<string, Tasting>();
  for (const s of scores) {
    const key = `${s.on} ${s.taster} ${s.note}`;
    const known = all.get(key) ?? { key, on: s.on, taster: s.taster, note: s.note, scores: [] };
    known.scores.push(s);
    all.set(key, known);
  }
  return [...all.values()];
}

function Given({ scores, traits }: Schemas['ScoreCard']) {
  const may = useMay('WORK');
  const [removing, setRemoving] = useState<Score>();
  const of = (s: Score) => traits.find((t) => t.id === s.traitId)!;
  return (
    <>
      <div className="scroll">
        <table className="plain">
          <thead>
            <tr>
              <th>Day</th>
              <th>By</th>
              <th>Scores</th>
            </tr>
          </thead>
          <tbody>
            {tastings(scores).map((t) => (
              <tr key={t.key}>
                <td style={{ whiteSpace: 'nowrap' }}>{calendarDate(t.on)}</td>
                <td>{t.taster}</td>
                <td>
                  {t.scores.map((s) => (
                    <span key={s.id} className={classes.score}>
                      {of(s).name} <b>{scored(s.value, of(s))}</b>
                      {may && (
                        <Button
                          className="noprint"
                          size="compact-xs"
                          variant="subtle"
                          aria-label={`Remove: ${of(s).name} ${s.value}`}
                          onClick={() => setRemoving(s)}
                        >
                          ×
                        </Button>
                      )}
                    </span>
                  ))}
                  {t.note && <span className="soft">{t.note}</span>}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {removing && <Remove line={{ ...removing, kind: 'score' }} close={() => setRemoving(undefined)} />}
    </>
  );
}

interface Props {
  crop: string;
  plant: Plant;
  /** Why nothing more is scored; absent while it can be. */
  closed?: string | undefined;
}

/** Scores of one plant, and a card for more. */
export function ScoresOf({ crop, plant, closed }: Props) {
  const card = useQuery(queries.scores(crop, plant.seedlingId ?? plant.varietyId ?? ''));
  return (
    <section className="card stack">
      <h2>Scores</h2>
      <Loaded of={card}>
        {({ traits, scores }) => (
          <>
            {scores.length > 0 && <Given scores={scores} traits={traits} />}
            {closed && <p className="small soft">{closed} Nothing more is scored.</p>}
            {!closed && traits.length > 0 && <ScoreForm plant={plant} traits={traits} />}
            {traits.length === 0 && (
              <p>
                Say first what you judge by: <Link to={`/mates/judged?crop=${crop}`}>add a trait</Link>.
              </p>
            )}
          </>
        )}
      </Loaded>
    </section>
  );
}
