import { RecordForm } from '../form/RecordForm';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { answer, api, type Schemas, voidRecord } from '../api/api';
import { newId } from '../api/ids';
import { percent } from '../format/numbers';
import { queries } from '../api/queries';
import { Loaded } from '../ui/States';
import { plural } from '../format/time';
import { doneWithUndo } from '../ui/undo';
import { useSubmit } from '../form/use-submit';
import { Verdict } from '../ui/Verdict';
import { bloomWords } from './mate-words';
import { CrossRequestFields, requested, type CrossRequestDraft } from './CrossRequestFields';

function CrossRequest({ pair }: { pair: Schemas['MatesPair'] }) {
  const navigate = useNavigate();
  const [id] = useState(newId);
  const [draft, setDraft] = useState<CrossRequestDraft>({ flowers: 20, seeds: '', priority: '1' });
  const form = useSubmit(
    () =>
      answer(
        api.PUT('/api/cross-requests/{id}', {
          params: { path: { id } },
          body: { motherId: pair.motherId, fatherId: pair.fatherId, ...requested(draft) },
        }),
      ),
    ['flowers', 'seeds', 'fatherId'],
    (crossRequest) => {
      doneWithUndo(`${crossRequest.father} on ${crossRequest.mother} is wanted.`, () =>
        voidRecord(
          '/api/cross-requests/{id}/void',
          { id },
          crossRequest.version,
          'undone right after saving',
        ),
      );
      void navigate('/mates/wanted');
    },
  );
  return (
    <RecordForm duty="MANAGE" form={form} save="Plan it" inline variant="outline">
      <CrossRequestFields draft={draft} set={setDraft} errorFor={form.errorFor} />
    </RecordForm>
  );
}

/** One cross: the answer, why, and what else is known. */
export function PairCard({ mother, father }: { mother: string; father: string }) {
  const pair = useQuery(queries.pair(mother, father));
  return (
    <Loaded of={pair}>
      {(p) => (
        <section className="card stack" aria-live="polite">
          <header style={{ margin: 0 }}>
            <h2>
              {p.father} on {p.mother}
            </h2>
            <Verdict of={p.answer.verdict} />
          </header>
          <p>
            {p.answer.why}
            {p.answer.compatibilityFactor > 0 && p.answer.compatibilityFactor < 1 && (
              <span className="soft">
                {' '}
                Counted as {percent(p.answer.compatibilityFactor)} of pollen that fits fully.
              </span>
            )}
          </p>
          {p.motherId !== p.fatherId && (
            <p className="small">
              The other way round, {p.mother} on {p.father}: <Verdict of={p.reciprocal.verdict} />.{' '}
              <span className="soft">{p.reciprocal.why}</span>
            </p>
          )}
          <p className="small">{p.kin}</p>
          <p className="small">
            {p.bloom
              ? bloomWords(p.bloom)
              : 'Their blooming days are not known for both; write them down under Bloom.'}
          </p>
          <p className="small">
            {p.flowers === 0
              ? 'No fruit of this cross has been checked here yet.'
              : `Here ${p.taken} of ${plural(p.flowers, 'flower')} of this cross set.`}
          </p>
          {p.jars.length > 0 && (
            <p className="small">
              On the shelf:{' '}
              {p.jars.map((j, i) => (
                <span key={j.id}>
                  {i > 0 && ', '}
                  <Link to={`/pollen/jar/${j.id}`}>{j.code}</Link> ({plural(j.dosesLeft, 'dose')})
                </span>
              ))}
            </p>
          )}
          {p.answer.verdict !== 'NO' && <CrossRequest key={mother + father} pair={p} />}
        </section>
      )}
    </Loaded>
  );
}
