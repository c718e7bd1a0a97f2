import { NumberInput } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { Schemas } from '../kit/api';
import { flowers } from '../kit/numbers';
import { useHere } from '../kit/orchard-context';
import { queries } from '../kit/queries';
import { Loaded } from '../kit/States';
import { plural, said } from '../kit/time';
import { Why } from '../kit/Why';

type Tree = Schemas['GatheringTree'];

/** Where its pollen is, and when. */
export function gatheringWords(t: Tree, balloons: boolean, now: Date, zone: string): string {
  if (!t.read) return 'not read lately';
  if (balloons) return `${flowers(t.balloons)} about to open`;
  if (t.from === undefined) return 'no pollen within a day and a half';
  const from = new Date(t.from);
  const until = said(new Date(t.until!), now, zone);
  if (t.now >= 0.5) return `${flowers(t.now)} shedding now, until ${until}`;
  return `${flowers(t.most!)} from ${said(from, now, zone)} until ${until}`;
}

/** Before collecting: how many flowers, where, and between which hours. */
export function Gather({ variety, balloons, asked }: { variety: string; balloons: boolean; asked: number }) {
  const { now, zone } = useHere();
  const [doses, setDoses] = useState<number | string>(asked);
  const wanted = Math.max(1, Number(doses) || 1);
  const plan = useQuery(queries.gathering(variety, wanted));
  return (
    <section className="card">
      <header>
        <h2>Before you go</h2>
      </header>
      <NumberInput
        label="Doses wanted: one for each flower to be done"
        min={1}
        max={100000}
        value={doses}
        onChange={setDoses}
        maw={320}
      />
      <Loaded of={plan}>
        {(p) => (
          <>
            <p style={{ margin: '10px 0' }}>
              Collect{' '}
              <Why
                label="flowers to collect"
                because={
                  <>
                    <p>
                      One flower gives about {Number(p.dosesPerFlower.toFixed(2))} doses
                      {p.smallFlowered ? ', as the variety is small-flowered' : ''}: {plural(p.doses, 'dose')}{' '}
                      ÷ {Number(p.dosesPerFlower.toFixed(2))} = {p.expected} on average.
                    </p>
                    <p>
                      Flowers differ. With {p.sure} the doses are there nine times in ten (yields taken for
                      Poisson distributed).
                    </p>
                  </>
                }
              >
                <b className="figure" style={{ fontSize: 26 }}>
                  {plural(p.sure, 'flower')}
                </b>
              </Why>{' '}
              to be nine times in ten sure; {p.expected} would do on average.
            </p>
            {p.trees.map((t) => (
              <p key={t.treeId} className="small">
                <b>{t.tree}</b>: {gatheringWords(t, balloons, now, zone)}
              </p>
            ))}
            {p.whenThere && <p className="small soft">{p.whenThere}</p>}
          </>
        )}
      </Loaded>
    </section>
  );
}
