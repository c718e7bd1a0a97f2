import { useIsFetching } from '@tanstack/react-query';
import type { Schemas } from '../kit/api';
import { aboutFruits } from '../kit/numbers';
import { useHere } from '../kit/orchard-context';
import { plural, span } from '../kit/time';
import { Why } from '../kit/Why';
import { comingVisits } from './coming';
import { todayWords, type TodayWords } from './today-words';

function Hour({ words, why }: { words: TodayWords; why: string }) {
  return (
    <Why
      because={
        <>
          <p>{why}</p>
          <p>
            No hour is better within the hours in which these crops are worked and you are free. Each crop’s
            hours stand on its sheet.
          </p>
        </>
      }
      label="this hour"
    >
      at {words.from}
    </Why>
  );
}

function Flowers({ words, verb }: { words: TodayWords; verb: string }) {
  return (
    <>
      <Why
        because={
          <p>
            The best use of the pollen there is, and of what can be collected, over this visit and the coming
            days. The visit lists each tree with its reason.
          </p>
        }
        label="these flowers"
      >
        <span className="take">
          {verb} {plural(words.flowers, 'flower')}
        </span>
      </Why>{' '}
      on {plural(words.trees, 'tree')}
    </>
  );
}

/** What comes next, in one line. */
export function Headline({ bloom, plan }: { bloom: Schemas['Bloom']; plan: Schemas['Plan'] }) {
  const { now, zone } = useHere();
  const words = todayWords(plan, now, zone);
  const planning = useIsFetching({ queryKey: ['plan'] }) > 0;
  if (!bloom.trees.some((t) => t.reading)) {
    return <h1>Read a tree’s flowers, and see here what to do.</h1>;
  }
  // A plan made before the flowers were read knows of none: nothing is said until the new one is there.
  if (!words && planning) return <h1>Planning the coming days</h1>;
  if (!words) {
    return (
      <h1>
        {bloom.receptiveNow >= 0.5
          ? `About ${plural(Math.round(bloom.receptiveNow), 'flower')} can be pollinated, but none gets pollen in the coming days.`
          : 'No flower can be pollinated in the coming days.'}
      </h1>
    );
  }
  const hour = <Hour words={words} why={plan.rounds[0]!.why} />;
  const day = words.day && `${words.day}: `;
  const first = (word: string) => (words.day ? word.toLowerCase() : word);
  if (words.collect) {
    return (
      <h1>
        {day}
        {first('Collect')} <span className="give">{words.collect}</span> {hour}
        {words.flowers > 0 ? (
          <>
            , then <Flowers words={words} verb="pollinate" />.
          </>
        ) : (
          ' and keep it.'
        )}
      </h1>
    );
  }
  return (
    <h1>
      {day}
      {words.flowers > 0 ? (
        <Flowers words={words} verb={first('Pollinate')} />
      ) : (
        first('Steps on crosses')
      )}{' '}
      {hour}.
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
      {plural(visits.length, 'visit')}, {span(sum((v) => v.minutes) / 60)} in all, about{' '}
      {aboutFruits(sum((v) => v.expectedFruits))}.{' '}
      {plan.proven ? 'Proven: nothing better fits your hours.' : 'Nearly the best that fits your hours.'}
    </p>
  );
}
