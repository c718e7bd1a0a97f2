import { Button, FileButton, Progress } from '@mantine/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { refresh } from '../api/client';
import { ProblemError } from '../api/problem';
import type { Schemas } from '../api/api';
import { sendFile } from '../api/send-file';
import { plural } from '../format/time';

export type LargeKind = 'pollinations' | 'looks';

const COLUMNS: Record<LargeKind, { needed: string; more: string; example: string }> = {
  pollinations: {
    needed: 'ref, tree, flowers, done_at',
    more: 'jar, father, collected_at, storage, mark, tag, treatment, stage, strokes, tool, limb, helper',
    example:
      'ref,tree,jar,father,collected_at,storage,flowers,done_at\n2026-0117,Pale Ridge 1,L-3,Lantern,2026-11-01T16:40,FRIDGE,8,2026-11-01T17:30',
  },
  looks: {
    needed: 'ref, checked_at, taken, failed, unknown',
    more: 'thinned, lost, note, helper',
    example: 'ref,checked_at,taken,failed,unknown\n2026-0117,2026-11-13T09:10,5,3,0',
  },
};

/** What was wrong, a line each. */
export function Refused({ error }: { error: Error }) {
  const said =
    error instanceof ProblemError ? (error.problem.errors?.[0]?.message ?? error.message) : error.message;
  const [head, ...lines] = said.split(/; (?=line )|(?<=lines?\.) (?=line )/);
  return (
    <div className="note bad" role="alert">
      <p>The file {head}</p>
      {lines.length > 0 && (
        <ul>
          {lines.map((l) => (
            <li key={l}>{l}</li>
          ))}
        </ul>
      )}
    </div>
  );
}

/** How far the file has come; it can be given up until all of it is sent. */
export function OnTheWay({ part, note, giveUp }: { part: number; note: string; giveUp: () => void }) {
  const gone = Math.floor(part * 100);
  return (
    <div className="stack">
      <Progress value={gone} aria-label="Part of the file that is sent" animated={part === 1} />
      <div className="line" style={{ justifyContent: 'space-between' }}>
        <span className="soft" role="status">
          {part < 1
            ? `${gone}\u00a0% of the file sent.`
            : 'All of it is there; now it is checked and written down.'}{' '}
          {note}
        </span>
        {part < 1 && (
          <Button variant="subtle" onClick={giveUp}>
            Cancel
          </Button>
        )}
      </div>
    </div>
  );
}

/** Pollinations and checks, by the million if need be: the file runs straight into the database. */
export function LargeFile({ kind }: { kind: LargeKind }) {
  const client = useQueryClient();
  const [file, setFile] = useState<File | null>(null);
  const [part, setPart] = useState(0);
  const stop = useRef<AbortController>(undefined);
  const sending = useMutation({
    mutationFn: (f: File) => {
      setPart(0);
      stop.current = new AbortController();
      return sendFile<Schemas['RecordsTaken']>(`/api/records/${kind}`, f, 'text/csv', {
        onPart: setPart,
        signal: stop.current.signal,
      });
    },
    onSuccess: () => refresh(client),
  });
  const columns = COLUMNS[kind];
  return (
    <form
      className="card form"
      onSubmit={(e) => {
        e.preventDefault();
        if (file) sending.mutate(file);
      }}
    >
      <p className="small">
        A CSV file with a head. Needed: <b>{columns.needed}</b>. Understood too: {columns.more}.
      </p>
      <pre className="small" style={{ whiteSpace: 'pre-wrap', overflowWrap: 'anywhere', margin: 0 }}>
        {columns.example}
      </pre>
      <p className="small soft">
        {kind === 'pollinations'
          ? 'ref is a name of your own for the record; a file sent twice is there once. Times without a zone are by the orchard’s clock. A jar that is not known yet is made from father, collected_at and storage, and counts as used up.'
          : 'ref names the pollination, as in its own file. Each number is of all its flowers up to that day.'}
      </p>
      <div className="line">
        <FileButton
          onChange={(f) => {
            setFile(f);
            sending.reset();
          }}
          accept=".csv,text/csv"
        >
          {(props) => (
            <Button variant="outline" {...props}>
              Choose a file
            </Button>
          )}
        </FileButton>
        <span>{file ? file.name : <span className="soft">no file chosen yet</span>}</span>
      </div>
      <div className="line">
        <Button type="submit" disabled={!file} loading={sending.isPending}>
          Import the file
        </Button>
      </div>
      {sending.isPending && (
        <OnTheWay
          part={part}
          note="A million lines need some minutes; all of them are imported or none."
          giveUp={() => stop.current?.abort()}
        />
      )}
      {sending.error &&
        (sending.error.name === 'AbortError' ? (
          <p className="note" role="status">
            Cancelled; nothing was imported.
          </p>
        ) : (
          <Refused error={sending.error} />
        ))}
      {sending.data && (
        <p className="note" role="status">
          {plural(sending.data.written, 'record')} written down
          {sending.data.already > 0 && `, ${sending.data.already} were there before`}. Their sums follow
          within moments.
        </p>
      )}
    </form>
  );
}
