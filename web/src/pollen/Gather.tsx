import { NumberInput } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { Schemas } from '../api/api';
import { flowers, rounded } from '../format/numbers';
import { useHere } from '../ui/orchard-context';
import { queries } from '../api/queries';
import { Loaded } from '../ui/States';
import { said } from '../format/time';
import { Why } from '../ui/Why';
import { rich, phrase, t } from '../text/text';

type Tree = Schemas['GatheringTree'];

/** Where its pollen is, and when. */
export function gatheringWords(of: Tree, balloons: boolean, now: Date, zone: string): string {
  if (!of.read) return t('collecting.not-read');
  if (balloons) return t('collecting.balloons', { n: flowers(of.balloons) });
  if (of.from === undefined) return t('collecting.no-pollen');
  const from = new Date(of.from);
  const until = said(new Date(of.until!), now, zone);
  if (of.now >= 0.5) return t('collecting.now', { n: flowers(of.now), until });
  return t('collecting.from', { n: flowers(of.most!), from: said(from, now, zone), until });
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
        <h2>{t('walk.before')}</h2>
      </header>
      <NumberInput
        label={t('collecting.wanted')}
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
              {rich('collecting.collect', {
                n: p.sure,
                expected: p.expected,
                why: (inside) => (
                  <Why
                    label={t('collecting.to-collect')}
                    because={
                      <>
                        <p>
                          {t('collecting.why-average', {
                            each: rounded(p.dosesPerFlower),
                            small: p.smallFlowered ? 'yes' : 'no',
                            doses: p.doses,
                            expected: p.expected,
                          })}
                        </p>
                        <p>{t('collecting.why-sure', { n: p.sure })}</p>
                      </>
                    }
                  >
                    <b className="figure" style={{ fontSize: 26 }}>
                      {inside}
                    </b>
                  </Why>
                ),
              })}
            </p>
            {p.trees.map((of) => (
              <p key={of.treeId} className="small">
                <b>{of.tree}</b>: {gatheringWords(of, balloons, now, zone)}
              </p>
            ))}
            {p.whenThere && <p className="small soft">{phrase(p.whenThere)}</p>}
          </>
        )}
      </Loaded>
    </section>
  );
}
