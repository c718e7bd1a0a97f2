import { Button } from '@mantine/core';
import { useState } from 'react';
import { calendarDate } from '../format/time';
import { Remove } from '../story/Mend';
import { useMay } from '../ui/roles';
import classes from './Seeds.module.css';

interface Step {
  id: string;
  on: string;
  note: string;
  version: number;
}

interface Props<S extends Step> {
  title: string;
  /** What such a record is in stories. */
  kind: 'seed-step' | 'seedling-step';
  /** The earliest first. */
  of: S[];
  say: (step: S) => string;
}

/** What was written down, the latest first, each removable with its reason. */
export function DoneCard<S extends Step>({ title, kind, of, say }: Props<S>) {
  const may = useMay('WORK');
  const [removing, setRemoving] = useState<S>();
  if (of.length === 0) return null;
  return (
    <section className="card stack">
      <h2>{title}</h2>
      <ul className={classes.tasks}>
        {[...of].reverse().map((step) => (
          <li key={step.id}>
            <span>
              {calendarDate(step.on)}: {say(step)}
              {step.note && <span className="soft">. {step.note}</span>}
            </span>
            {may && (
              <Button
                size="compact-sm"
                variant="subtle"
                aria-label={`Remove: ${say(step)}`}
                onClick={() => setRemoving(step)}
              >
                Remove
              </Button>
            )}
          </li>
        ))}
      </ul>
      {removing && <Remove line={{ ...removing, kind }} close={() => setRemoving(undefined)} />}
    </section>
  );
}
