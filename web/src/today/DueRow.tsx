import { Link } from 'react-router';
import type { Schemas } from '../api/api';
import { useHere } from '../ui/orchard-context';
import { calendarDay } from '../format/time';
import { stepWord } from '../crossing/cross-words';
import classes from './RunSheet.module.css';
import { rich, t } from '../text/text';

type Due = Schemas['DueWork'];

function Words({ due }: { due: Due }) {
  const { now } = useHere();
  const jar = (
    <Link to={`/pollen/jar/${due.id}`}>
      <b>{due.subject}</b>
    </Link>
  );
  switch (due.kind) {
    case 'LID':
      return Date.parse(due.at!) <= now.getTime() ? (
        <>{rich('due.lid-now', { jar })}</>
      ) : (
        <>{rich('due.lid', { jar })}</>
      );
    case 'USE':
      return <>{rich('due.use', { jar, n: due.count })}</>;
    case 'TEST':
      return <>{rich('due.test', { jar })}</>;
    case 'THROW_AWAY':
      return <>{rich('due.throw', { jar })}</>;
    case 'CHECK':
      return (
        <>
          {rich('due.check', {
            n: due.count,
            trees: due.subject,
            link: (inside) => <Link to="/fruit-set">{inside}</Link>,
          })}
        </>
      );
    case 'NUMBER_FRUIT':
      return (
        <>
          {rich('due.number', {
            trees: due.subject,
            link: (inside) => <Link to="/fruit-set/fruit">{inside}</Link>,
          })}
        </>
      );
    case 'CROSS_STEP':
      return (
        <>
          {rich('due.cross', {
            cross: <Link to={`/round/crosses#${due.subject}`}>{due.subject}</Link>,
            step: stepWord(due.step!),
            n: due.count,
          })}
        </>
      );
    case 'SEEDS':
      return (
        <>
          {rich('due.seeds', {
            lot: <Link to={`/fruit-set/seeds/${due.id}`}>{due.subject}</Link>,
            task: t('nursery.task', { task: due.task!, n: due.count }),
          })}
        </>
      );
    case 'LEAVING':
      return (
        <>
          {t('due.leaving', { day: calendarDay(due.back!) })}{' '}
          <Link to="/round/plan">{t('due.leaving-what')}</Link>
        </>
      );
  }
}

/** Something that is due beside the visits. */
export function DueRow({ due }: { due: Due }) {
  return (
    <div className={classes.due} data-due={due.kind}>
      <Words due={due} />
    </div>
  );
}
