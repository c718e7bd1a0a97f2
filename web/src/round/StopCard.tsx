import { Button, NativeSelect, Textarea, TextInput } from '@mantine/core';
import { useState } from 'react';
import { answer, api, type Schemas } from '../kit/api';
import { Glyph } from '../kit/Glyph';
import { newId } from '../kit/ids';
import { sayKept } from '../kit/kept';
import { useHere } from '../kit/orchard-context';
import { useOutbox } from '../kit/outbox';
import { plural } from '../kit/time';
import { doneWithUndo } from '../kit/undo';
import { useSubmit } from '../kit/use-submit';
import { voidPollination } from './DoneList';
import { Photos } from './Photos';
import { doneAt } from './walk-state';
import classes from './Walk.module.css';

type Stop = Schemas['RoundStop'];
type Sheet = Schemas['CropSheetView'];
type Word = Schemas['WalkWordRequest']['kind'];

interface StopProps {
  walk: Schemas['Walk'];
  index: number;
  sheet: Sheet | undefined;
  count: number;
  setCount: (n: number) => void;
  next: () => void;
}

const WORDS: { kind: Word; name: string; goesOn: boolean }[] = [
  { kind: 'NOT_OPEN', name: 'not open yet', goesOn: false },
  { kind: 'TOO_LATE', name: 'too late', goesOn: false },
  { kind: 'NONE_LEFT', name: 'none left', goesOn: true },
];

/** The mark one makes, remembered for the crop on this device. */
function useMark(sheet: Sheet | undefined) {
  const memory = `mark ${sheet?.key ?? ''}`;
  const [name, setName] = useState(() => localStorage.getItem(memory) ?? sheet?.hand.marks[0]?.name ?? '');
  const mark = sheet?.hand.marks.find((m) => m.name === name);
  return {
    mark,
    choose: (chosen: string) => {
      localStorage.setItem(memory, chosen);
      setName(chosen);
    },
  };
}

function MarkFields({
  sheet,
  mark,
  choose,
  colour,
  setColour,
  tag,
  setTag,
  error,
}: {
  sheet: Sheet;
  mark: Sheet['hand']['marks'][number] | undefined;
  choose: (name: string) => void;
  colour: string;
  setColour: (v: string) => void;
  tag: string;
  setTag: (v: string) => void;
  error: string | undefined;
}) {
  return (
    <details className={classes.marks}>
      <summary>
        Mark: {mark ? mark.how : 'none'}
        {colour && `, ${colour}`}
        {tag && `, ${tag}`}
      </summary>
      <div className="stack">
        <NativeSelect
          label="Mark"
          data={[...sheet.hand.marks.map((m) => m.name), { value: '', label: 'no mark' }]}
          value={mark?.name ?? ''}
          onChange={(e) => choose(e.currentTarget.value)}
        />
        <TextInput label="Colour" value={colour} onChange={(e) => setColour(e.currentTarget.value)} />
        <TextInput
          label="Number on the tag"
          description="used once a year"
          value={tag}
          onChange={(e) => setTag(e.currentTarget.value)}
          error={error}
        />
      </div>
    </details>
  );
}

/** One tree: what to look for, with which jar, how many, and how to mark them. */
export function StopCard({ walk, index, sheet, count, setCount, next }: StopProps) {
  const { now, session } = useHere();
  const stop: Stop = walk.stops[index]!;
  const outbox = useOutbox();
  const [id, setId] = useState(newId);
  const [wordId, setWordId] = useState(newId);
  const [colour, setColour] = useState('');
  const [tag, setTag] = useState('');
  const [note, setNote] = useState<string>();
  const { mark, choose } = useMark(sheet);
  const done = doneAt(walk, index, outbox, session.accountId);
  const before = index > 0 ? walk.stops[index - 1] : undefined;
  const body: Schemas['PollinationRequest'] = {
    treeId: stop.treeId,
    lotId: stop.lotId,
    flowers: count,
    doneAt: now.toISOString(),
    mark: mark?.name ?? '',
    walkId: walk.id,
    stop: index,
    ...(colour && { colour }),
    ...(tag && { tag }),
  };
  const goOn = () => {
    setId(newId());
    setCount(0);
    next();
  };
  const form = useSubmit(
    () => answer(api.PUT('/api/pollinations/{id}', { params: { path: { id } }, body })),
    ['flowers', 'tag'],
    (saved) => {
      doneWithUndo(
        `${saved.treeName}: ${plural(saved.flowers, 'flower')} done.${saved.markWarning ? ` ${saved.markWarning}` : ''}`,
        () => voidPollination(saved),
      );
      goOn();
    },
    {
      write: () => ({
        method: 'PUT',
        path: `/api/pollinations/${id}`,
        body: { ...body },
        label: `${stop.treeName}: ${plural(count, 'flower')} with ${stop.lotCode}`,
        account: session.accountId,
      }),
      kept: () => {
        sayKept(`${stop.treeName}: ${plural(count, 'flower')} done.`);
        goOn();
      },
    },
  );
  const wordBody = (kind: Word): Schemas['WalkWordRequest'] => ({
    stop: index,
    kind,
    at: now.toISOString(),
    ...(note && { note }),
  });
  const said = (kind: Word) => {
    setWordId(newId());
    setNote(undefined);
    if (WORDS.find((w) => w.kind === kind)?.goesOn) goOn();
  };
  const word = useSubmit(
    (kind: Word) =>
      answer(
        api.PUT('/api/walks/{walk}/words/{id}', {
          params: { path: { walk: walk.id, id: wordId } },
          body: wordBody(kind),
        }),
      ),
    [],
    (_, kind) => said(kind),
    {
      write: (kind) => ({
        method: 'PUT',
        path: `/api/walks/${walk.id}/words/${wordId}`,
        body: { ...wordBody(kind) },
        label: `${stop.treeName}: ${WORDS.find((w) => w.kind === kind)?.name ?? 'a note'}`,
        account: session.accountId,
      }),
      kept: () => {
        sayKept(`${stop.treeName}: noted.`);
        setWordId(newId());
        setNote(undefined);
      },
    },
  );
  const wanted = sheet?.stages.filter((s) => stop.byStage.some((b) => b.stage === s.key)) ?? [];
  const words = walk.words.filter((w) => w.stop === index);
  const error = form.errorFor('flowers', 'Flowers') ?? form.general ?? word.general;
  return (
    <>
      <section className={classes.card} data-tree={stop.treeName}>
        <div className={classes.where}>
          <b>{stop.treeName}</b> · {stop.block && `${stop.block}, `}row {stop.row}, place {stop.position}
        </div>
        <div className={classes.jar}>
          <span className={classes.code}>{stop.lotCode}</span>
          <span>
            {stop.pollenParent} jar
            <br />
            {index === 0 || stop.cleanBefore.length > 0 || before?.lotId !== stop.lotId
              ? 'with a clean brush'
              : 'same brush'}
          </span>
        </div>
        {wanted.map((s) => (
          <div key={s.key} className={classes.look}>
            <span className={classes.glyph}>
              <Glyph glyph={s.glyph} size={56} />
            </span>
            <span>
              <b>
                {stop.byStage.find((b) => b.stage === s.key)?.flowers} {s.name.toLowerCase()}
              </b>
              <br />
              {s.signs}
            </span>
          </div>
        ))}
        <p className={classes.mark}>{stop.strokes}</p>
        {sheet && (
          <MarkFields
            sheet={sheet}
            mark={mark}
            choose={choose}
            colour={colour}
            setColour={setColour}
            tag={tag}
            setTag={setTag}
            error={form.errorFor('tag', 'The number')}
          />
        )}
        {words.map((w) => (
          <p key={w.id} className={classes.mark}>
            {WORDS.find((x) => x.kind === w.kind)?.name}
            {w.note && ` ${w.note}`}
          </p>
        ))}
      </section>
      <div className={classes.pm}>
        <button type="button" aria-label="one less" onClick={() => setCount(Math.max(0, count - 1))}>
          −
        </button>
        <div className={classes.middle}>
          <span className={classes.big} data-count>
            {count}
          </span>
          <span>
            of {plural(stop.flowers, 'flower')}
            {done.mine + done.others > 0 && (
              <>
                <br />
                {done.mine + done.others} done{done.others > 0 && `, ${done.others} by others`}
              </>
            )}
          </span>
        </div>
        <button type="button" aria-label="one more" onClick={() => setCount(count + 1)}>
          +
        </button>
      </div>
      <div className={classes.words}>
        {WORDS.map((w) => (
          <button key={w.kind} type="button" onClick={() => word.submit(w.kind)}>
            {w.name}
          </button>
        ))}
        <button type="button" aria-expanded={note !== undefined} onClick={() => setNote((n) => n ?? '')}>
          note
        </button>
        <Photos walk={walk} stop={index} tree={stop.treeName} />
      </div>
      {note !== undefined && (
        <div className={classes.note}>
          <Textarea
            aria-label="Note"
            autosize
            minRows={2}
            value={note}
            onChange={(e) => setNote(e.currentTarget.value)}
          />
          <Button variant="outline" disabled={note.trim() === ''} onClick={() => word.submit('NOTE')}>
            Keep the note
          </Button>
        </div>
      )}
      {error && (
        <p className={classes.error} role="alert">
          {error}
        </p>
      )}
      <footer className={classes.bar}>
        <Button size="lg" variant="outline" onClick={goOn} disabled={form.busy}>
          {index === walk.stops.length - 1 ? 'Skip, end' : 'Skip'}
        </Button>
        <Button
          size="lg"
          ml="auto"
          disabled={count === 0}
          loading={form.busy}
          onClick={() => form.submit(undefined)}
        >
          {count === 0 ? 'Count as you go' : `Done · ${plural(count, 'flower')}`}
        </Button>
      </footer>
    </>
  );
}
