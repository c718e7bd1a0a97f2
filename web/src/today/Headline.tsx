import { useIsFetching } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import type { Schemas } from '../api/api';
import { aboutFruits } from '../format/numbers';
import { useHere } from '../ui/orchard-context';
import { span } from '../format/time';
import { Why } from '../ui/Why';
import { comingVisits } from './coming';
import { todayWords, type TodayWords } from './today-words';
import { rich, t, tell } from '../text/text';

function Hour({ words, why }: { words: TodayWords; why: Schemas['Text'][] }) {
  return (
    <Why
      because={
        <>
          <p>{why.map(tell).join(' ')}</p>
          <p>{t('headline.hour-why')}</p>
        </>
      }
      label={t('headline.this-hour')}
    >
      {t('headline.at', { clock: words.from })}
    </Why>
  );
}

/** Begins the sentence, or goes on in it. */
function Flowers({ words, first }: { words: TodayWords; first: boolean }) {
  return rich(first ? 'headline.pollinate-first' : 'headline.pollinate', {
    flowers: words.flowers,
    trees: words.trees,
    why: (inside) => (
      <Why because={<p>{t('headline.flowers-why')}</p>} label={t('headline.these-flowers')}>
        <span className="take">{inside}</span>
      </Why>
    ),
  });
}

/** The sign after the hour stays on its line. */
const together = (inside: ReactNode) => <span style={{ whiteSpace: 'nowrap' }}>{inside}</span>;

/** What comes next, in one line. */
export function Headline({ bloom, plan }: { bloom: Schemas['Bloom']; plan: Schemas['Plan'] }) {
  const { now, zone } = useHere();
  const words = todayWords(plan, now, zone);
  const planning = useIsFetching({ queryKey: ['plan'] }) > 0;
  if (!bloom.trees.some((t) => t.reading)) {
    return <h1>{t('headline.read-first')}</h1>;
  }
  // A plan made before the flowers were read knows of none: nothing is said until the new one is there.
  if (!words && planning) return <h1>{t('headline.planning')}</h1>;
  if (!words) {
    return (
      <h1>
        {bloom.receptiveNow >= 0.5
          ? t('headline.no-pollen', { n: Math.round(bloom.receptiveNow) })
          : t('headline.no-flower')}
      </h1>
    );
  }
  const hour = <Hour words={words} why={plan.rounds[0]!.why} />;
  const first = !words.day;
  const flowers = <Flowers words={words} first={first && !words.collect} />;
  const pollen = <span className="give">{words.collect}</span>;
  const key = !words.collect
    ? words.flowers > 0
      ? 'headline.go'
      : 'headline.crosses'
    : words.flowers > 0
      ? 'headline.collect-then'
      : 'headline.collect';
  return (
    <h1>
      {rich(key, { day: words.day, first: first ? 'yes' : 'no', pollen, hour, flowers, keep: together })}
    </h1>
  );
}

/** The visits of the coming day together. */
export function InAll({ plan }: { plan: Schemas['Plan'] }) {
  const { now } = useHere();
  const visits = comingVisits(plan, now);
  if (visits.length === 0) return null;
  const sum = (of: (v: Schemas['PlannedRound']) => number) => visits.reduce((n, v) => n + of(v), 0);
  return (
    <p className="soft">
      {t('headline.in-all', {
        visits: visits.length,
        time: span(sum((v) => v.minutes) / 60),
        fruits: aboutFruits(sum((v) => v.expectedFruits)),
      })}{' '}
      {plan.proven ? t('headline.proven') : t('headline.nearly')}
    </p>
  );
}
