import { Select } from '@mantine/core';
import { useState } from 'react';
import type { Schemas } from '../api/api';
import classes from './Records.module.css';
import type { Answers } from './use-file-import';

const NONE = '-1';

interface Props {
  columns: Schemas['ImportColumn'][];
  view: Schemas['ImportView'];
  say: (more: Answers) => void;
}

/** Which column of the file is which; found by name, chosen by hand where it is another. */
export function ColumnChoice({ columns, view, say }: Props) {
  const found = view.columns as Record<string, number>;
  const missing = columns.some((c) => c.needed && found[c.key] === undefined);
  // Whoever chose one column chooses the next: it does not shut by itself.
  const [open, setOpen] = useState(missing);
  const unused = view.head.filter((_, i) => !Object.values(found).includes(i));
  return (
    <details open={open || missing} onToggle={(e) => setOpen(e.currentTarget.open)}>
      <summary>
        Columns: {Object.keys(found).length} of {view.head.length} are read
        {unused.length > 0 && ` (not ${unused.join(', ')})`}
      </summary>
      <div className={classes.choices}>
        {columns.map((c) => (
          <Select
            key={c.key}
            label={c.key}
            description={c.about}
            withAsterisk={c.needed}
            data={[
              { value: NONE, label: 'not in the file' },
              ...view.head.map((name, i) => ({ value: String(i), label: name || `column ${i + 1}` })),
            ]}
            value={String(found[c.key] ?? NONE)}
            onChange={(v) => say({ columns: { ...found, [c.key]: Number(v ?? NONE) } })}
            allowDeselect={false}
          />
        ))}
      </div>
    </details>
  );
}
