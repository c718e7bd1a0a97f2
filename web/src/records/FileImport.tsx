import { Button, FileButton, Progress, Textarea } from '@mantine/core';
import { useEffect, useRef, useState } from 'react';
import { useLocation } from 'react-router';
import type { Schemas } from '../api/api';
import { plural } from '../format/time';
import { ColumnChoice } from './ColumnChoice';
import { ImportProblems } from './ImportProblems';
import { ImportQuestions } from './ImportQuestions';
import { Refused } from './Refused';
import classes from './Records.module.css';
import { kindName } from './kinds';
import { useFileImport } from './use-file-import';

type View = Schemas['ImportView'];

const counts = (view: View) =>
  [
    view.written > 0 && `${view.written} new`,
    view.changed > 0 && `${view.changed} different here`,
    view.already > 0 && `${view.already} here already`,
    view.problemLines > 0 &&
      `${plural(view.problemLines, 'line')} ${view.imported ? 'left out' : 'to put right'}`,
  ]
    .filter(Boolean)
    .join(', ');

const Known = ({ columns }: { columns: Schemas['ImportColumn'][] }) => (
  <details>
    <summary>Which columns can the file have?</summary>
    <ul className={classes.columns}>
      {columns.map((c) => (
        <li key={c.key}>
          <b>{c.key}</b> {c.needed && <span className="soft">(needed)</span>} {c.about}
        </li>
      ))}
    </ul>
  </details>
);

/** The first lines of the file as it was read. */
const Sample = ({ view }: { view: View }) => (
  <div className="scroll">
    <table className="plain">
      <thead>
        <tr>
          {view.head.map((name, i) => (
            <th key={i}>{name}</th>
          ))}
        </tr>
      </thead>
      <tbody>
        {view.sample.map((cells, i) => (
          <tr key={i}>
            {cells.map((cell, j) => (
              <td key={j}>{cell}</td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  </div>
);

/** A table out of a spreadsheet: copied there, pasted here. */
function Paste({ take }: { take: (text: string) => void }) {
  const [text, setText] = useState('');
  return (
    <details>
      <summary>Paste a table instead</summary>
      <Textarea
        mt={8}
        label="Table with its head, as it is copied from a spreadsheet"
        rows={6}
        value={text}
        onChange={(e) => setText(e.currentTarget.value)}
        styles={{ input: { fontFamily: 'var(--mono)', whiteSpace: 'pre' } }}
      />
      <Button mt={8} size="sm" variant="outline" disabled={text.trim() === ''} onClick={() => take(text)}>
        Look through it
      </Button>
    </details>
  );
}

/** A file of one kind: chosen, put right, imported. */
export function FileImport({ kind }: { kind: Schemas['ImportKind'] }) {
  const file = useFileImport(kind.key);
  const view = file.view;
  const given = useLocation().state as { table?: string; name?: string } | null;
  const choose = file.choose;
  const begun = useRef(false);
  useEffect(() => {
    if (begun.current || !given?.table) return;
    begun.current = true;
    void choose(new File([given.table], given.name ?? 'table.csv', { type: 'text/csv' }));
  }, [given, choose]);
  const leavesOut = file.answers.confirmed?.includes('leave-out') ?? false;
  const ready =
    view && !view.imported && (view.problems.length === 0 || leavesOut) && view.questions.length === 0;
  return (
    <section className="card stack">
      <p className="small">
        A CSV file with a head: commas, semicolons or tabs, UTF-8. Columns are found by name, and can be
        chosen by hand. Nothing is written before you say so.
      </p>
      <Known columns={kind.columns} />
      <div className="line">
        <FileButton onChange={(f) => void file.choose(f)} accept=".csv,.txt,.tsv,text/csv">
          {(props) => (
            <Button variant={view ? 'outline' : 'filled'} loading={file.looking} {...props}>
              {view ? 'Choose another file' : 'Choose a file'}
            </Button>
          )}
        </FileButton>
        {file.fileName && <span>{file.fileName}</span>}
      </div>
      {!view && (
        <Paste take={(text) => void file.choose(new File([text], 'pasted table', { type: 'text/csv' }))} />
      )}
      {file.error && <Refused error={file.error} />}
      {view?.imported && (
        <p className="note" role="status">
          Imported: {counts(view)}. You can undo it below.
        </p>
      )}
      {view && !view.imported && (
        <>
          <h2 role="status">
            {plural(view.lines, 'line')}
            {counts(view) && `: ${counts(view)}`}
          </h2>
          <Sample view={view} />
          <ColumnChoice columns={kind.columns} view={view} say={file.say} />
          <ImportProblems
            key={`wrong ${view.problems.map((p) => p.line).join()}`}
            view={view}
            answers={file.answers}
            say={file.say}
          />
          <ImportQuestions
            key={`asked ${view.questions.map((q) => q.key).join()}`}
            view={view}
            answers={file.answers}
            say={file.say}
          />
          <div className="line">
            <Button disabled={!ready || file.looking} loading={file.writing} onClick={file.write}>
              Import {kindName(kind.key).toLowerCase()}
            </Button>
            {file.writing && (
              <Button variant="subtle" onClick={file.stop}>
                Cancel
              </Button>
            )}
            {ready && view.written + view.changed === 0 && (
              <span className="soft">All of it is here already; there is nothing to import.</span>
            )}
          </div>
          {file.writing && file.progress && (
            <Progress
              value={(100 * file.progress.done) / Math.max(1, file.progress.lines)}
              aria-label={`${file.progress.done} of ${file.progress.lines} lines`}
            />
          )}
        </>
      )}
    </section>
  );
}
