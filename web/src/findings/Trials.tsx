import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { Schemas } from '../api/api';
import { queries } from '../api/queries';
import { Empty, LoadedAll } from '../ui/States';
import { plural } from '../format/time';
import { ComparisonCard } from './ComparisonCard';
import { DrawForm } from './DrawForm';
import { FindingsTabs } from './FindingsTabs';
import { TrialSize } from './TrialSize';
import classes from './Findings.module.css';

/** Comparisons and trials: reckoned, drawn, treated, judged when complete. */
export function Trials() {
  const comparisons = useQuery(queries.comparisons());
  const trees = useQuery(queries.standing());
  const lots = useQuery(queries.lots());
  const [flowers, setFlowers] = useState<number | string>(20);
  const [expected, setExpected] = useState<Schemas['ComparisonExpected']>();
  return (
    <>
      <FindingsTabs />
      <LoadedAll of={[trees, comparisons]}>
        {(t, all) => {
          const open = all.filter((c) => !c.complete).length;
          return (
            <>
              <h1>
                {all.length === 0
                  ? 'Does it matter? Draw the random order, and you will know.'
                  : `${plural(open, 'comparison')} under way, ${all.length - open} complete.`}
              </h1>
              {all.map((c) => (
                <ComparisonCard key={c.id} of={c} lots={lots.data ?? []} />
              ))}
              {t.length === 0 ? (
                <Empty title="No trees yet">A comparison needs flowers, and they need a tree.</Empty>
              ) : (
                <div className={classes.columns}>
                  <TrialSize
                    use={(n, e) => {
                      setFlowers(n);
                      setExpected(e);
                    }}
                  />
                  <DrawForm trees={t} flowers={flowers} setFlowers={setFlowers} expected={expected} />
                </div>
              )}
            </>
          );
        }}
      </LoadedAll>
    </>
  );
}
