import { Button, TextInput } from '@mantine/core';
import { useState } from 'react';
import type { Schemas } from '../api/api';
import classes from './Records.module.css';
import type { Answers } from './use-file-import';

interface Props {
  view: Schemas['ImportView'];
  answers: Answers;
  say: (more: Answers) => void;
}

const cell = (p: { line: number; column?: string }) => `${p.line} ${p.column ?? ''}`;

/** What is wrong, line by line, with the cell beside it to put it right. */
export function ImportProblems({ view, answers, say }: Props) {
  const fixed = new Map((answers.fixes ?? []).map((f) => [cell(f), f.value]));
  const [typed, setTyped] = useState<Record<string, string>>({});
  if (view.problems.length === 0) return null;
  const check = () => {
    const fixes = new Map((answers.fixes ?? []).map((f) => [cell(f), f]));
    for (const p of view.problems) {
      const value = typed[cell(p)];
      if (p.column && value !== undefined) fixes.set(cell(p), { line: p.line, column: p.column, value });
    }
    say({ fixes: [...fixes.values()] });
  };
  const more = view.problemLines - new Set(view.problems.map((p) => p.line)).size;
  return (
    <form
      className="note bad stack"
      onSubmit={(e) => {
        e.preventDefault();
        check();
      }}
    >
      <p role="alert">Put these right here, or in the file, and choose it again.</p>
      <ul className={classes.problems}>
        {view.problems.map((p, i) => (
          <li key={i}>
            <span>
              Line {p.line}: {p.column && <b>{p.column}</b>} {p.message}
            </span>
            {p.column && p.line > 1 && (
              <TextInput
                size="xs"
                aria-label={`Line ${p.line}, ${p.column}`}
                value={typed[cell(p)] ?? fixed.get(cell(p)) ?? p.value}
                onChange={(e) => setTyped({ ...typed, [cell(p)]: e.currentTarget.value })}
              />
            )}
          </li>
        ))}
      </ul>
      {more > 0 && <p className="small">And {more} more lines.</p>}
      {Object.keys(typed).length > 0 && (
        <div className="line">
          <Button type="submit" variant="outline" size="sm">
            Check again
          </Button>
        </div>
      )}
    </form>
  );
}
