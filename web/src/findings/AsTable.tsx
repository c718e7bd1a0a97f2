import type { ReactNode } from 'react';
import classes from './Findings.module.css';

/** The figures behind a chart, for who would rather read them. */
export function AsTable({
  words,
  figures,
  children,
}: {
  words: string[];
  figures: string[];
  children: ReactNode;
}) {
  return (
    <details className={classes.table}>
      <summary>As a table</summary>
      <table className="plain">
        <thead>
          <tr>
            {words.map((w) => (
              <th key={w}>{w}</th>
            ))}
            {figures.map((f) => (
              <th key={f} className="num">
                {f}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>{children}</tbody>
      </table>
    </details>
  );
}
