import { Button } from '@mantine/core';
import { lazy, Suspense, useState } from 'react';
import { answer, api, type Schemas } from '../api/api';
import { newId } from '../api/ids';
import { sayKept } from '../ui/undo';
import { useHere } from '../ui/orchard-context';
import { useSubmit } from '../form/use-submit';
import classes from './Walk.module.css';
import { t } from '../text/text';

// Fields of forms are asked for only where somebody writes a note.
const NoteField = lazy(async () => ({ default: (await import('../form/NoteField')).NoteField }));
const Photos = lazy(async () => ({ default: (await import('./Photos')).Photos }));
const RecordPollination = lazy(async () => ({
  default: (await import('../pollination/RecordPollination')).RecordPollination,
}));

type Word = Schemas['WalkWordRequest']['kind'];

const WORDS: { kind: Exclude<Word, 'NOTE'>; goesOn: boolean }[] = [
  { kind: 'NOT_OPEN', goesOn: false },
  { kind: 'TOO_LATE', goesOn: false },
  { kind: 'NONE_LEFT', goesOn: true },
];

const nameOf = (kind: Word): string => (kind === 'NOTE' ? '' : t(`word.${kind}`));

/** What was said of a stop. */
export function Said({ walk, index }: { walk: Schemas['Walk']; index: number }) {
  return walk.words
    .filter((w) => w.stop === index)
    .map((w) => (
      <p key={w.id} className={classes.mark}>
        {nameOf(w.kind)}
        {w.note && ` ${w.note}`}
      </p>
    ));
}

interface Props {
  walk: Schemas['Walk'];
  index: number;
  goOn: () => void;
}

/** What one can say of a stop beside flowers done: words, a note, pictures. */
export function StopWords({ walk, index, goOn }: Props) {
  const { now, session } = useHere();
  const stop = walk.stops[index]!;
  const [id, setId] = useState(newId);
  const [note, setNote] = useState<string>();
  const [other, setOther] = useState(false);
  const body = (kind: Word): Schemas['WalkWordRequest'] => ({
    stop: index,
    kind,
    at: now.toISOString(),
    ...(note && { note }),
  });
  const said = (kind: Word) => {
    setId(newId());
    setNote(undefined);
    if (WORDS.find((w) => w.kind === kind)?.goesOn) goOn();
  };
  const word = useSubmit(
    (kind: Word) =>
      answer(
        api.PUT('/api/walks/{walk}/words/{id}', {
          params: { path: { walk: walk.id, id } },
          body: body(kind),
        }),
      ),
    [],
    (_, kind) => said(kind),
    {
      write: (kind) => ({
        method: 'PUT',
        path: `/api/walks/${walk.id}/words/${id}`,
        body: { ...body(kind) },
        label: `${stop.treeName}: ${nameOf(kind) || t('word.a-note')}`,
        account: session.accountId,
      }),
      kept: () => {
        sayKept(t('word.noted', { tree: stop.treeName }));
        setId(newId());
        setNote(undefined);
      },
    },
  );
  return (
    <>
      <div className={classes.words}>
        {WORDS.map((w) => (
          <button key={w.kind} type="button" onClick={() => word.submit(w.kind)}>
            {nameOf(w.kind)}
          </button>
        ))}
        <button type="button" aria-expanded={note !== undefined} onClick={() => setNote((n) => n ?? '')}>
          {t('word.note')}
        </button>
        <button type="button" onClick={() => setOther(true)}>
          {t('word.other-flowers')}
        </button>
        <Suspense fallback={null}>
          <Photos walk={walk} stop={index} tree={stop.treeName} />
        </Suspense>
      </div>
      {other && (
        <Suspense fallback={null}>
          <RecordPollination tree={stop.treeId} close={() => setOther(false)} />
        </Suspense>
      )}
      {note !== undefined && (
        <div className={classes.note}>
          <Suspense fallback={null}>
            <NoteField value={note} onChange={setNote} />
          </Suspense>
          <Button variant="outline" disabled={note.trim() === ''} onClick={() => word.submit('NOTE')}>
            {t('word.keep-note')}
          </Button>
        </div>
      )}
      {word.general && (
        <p className={classes.error} role="alert">
          {word.general}
        </p>
      )}
    </>
  );
}
