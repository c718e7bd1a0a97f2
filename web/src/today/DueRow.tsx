import { Link } from 'react-router';
import type { Schemas } from '../kit/api';
import { useHere } from '../kit/orchard-context';
import { calendarDay, plural } from '../kit/time';
import { STEP } from '../crossing/cross-words';
import classes from './RunSheet.module.css';

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
        <>Put the lid on {jar}: it is dry.</>
      ) : (
        <>{jar} should be dry: put the lid on.</>
      );
    case 'USE':
      return (
        <>
          {jar} is hardly good after this: use its {plural(due.count, 'dose')} before.
        </>
      );
    case 'TEST':
      return <>Germinate some of {jar} before you count on it.</>;
    case 'THROW_AWAY':
      return <>Throw {jar} away: mould is likely. Wear a mask, and clean the cup.</>;
    case 'CHECK':
      return (
        <>
          <Link to="/fruit-set">{plural(due.count, 'check')}</Link>: has fruit set on {due.subject}?
        </>
      );
    case 'NUMBER_FRUIT':
      return (
        <>
          <Link to="/fruit-set/fruit">Number the fruit</Link> on {due.subject}.
        </>
      );
    case 'CROSS_STEP':
      return (
        <>
          Cross <Link to={`/round/crosses#${due.subject}`}>{due.subject}</Link>:{' '}
          {STEP[due.step!].toLowerCase()}, {plural(due.count, 'flower')}.
        </>
      );
    case 'LEAVING':
      return (
        <>
          You leave tomorrow, until {calendarDay(due.back!)}. <Link to="/round/plan">What to do before</Link>
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
