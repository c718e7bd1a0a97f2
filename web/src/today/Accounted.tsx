import type { Schemas } from '../kit/api';
import { useHere } from '../kit/orchard-context';
import { calendarDay, plural, said } from '../kit/time';
import { NOT_WANTED, REASONS } from '../planning/plan-words';
import classes from './Accounted.module.css';

type Account = Schemas['FlowerAccount'];
type OfTree = Schemas['TreeFlowerAccount'];

const PARTS = [
  { key: 'inVisit', word: 'in this visit' },
  { key: 'later', word: 'in later visits' },
  { key: 'forCross', word: 'kept for a cross' },
  { key: 'notWanted', word: 'not wanted' },
  { key: 'lost', word: 'lost' },
] as const;

/** One reason for each kind of loss, the largest first. */
function losses(trees: OfTree[]): { why: string; flowers: number; trees: string[]; save?: string }[] {
  const by = new Map<string, { why: string; flowers: number; trees: string[]; save?: string }>();
  for (const t of trees.filter((t) => t.lost > 0)) {
    const why = REASONS[t.reason!] ?? t.reason!;
    const one = by.get(why) ?? { why, flowers: 0, trees: [] };
    one.flowers += t.lost;
    one.trees.push(t.tree);
    by.set(why, one);
  }
  return [...by.values()].sort((a, b) => b.flowers - a.flowers);
}

function TreeRow({ of }: { of: OfTree }) {
  const { now, zone } = useHere();
  return (
    <tr>
      <td>
        <b>{of.tree}</b>
        {of.havePollen >= 0.5 && (
          <span className="soft"> · {plural(Math.round(of.havePollen), 'flower')} had pollen before</span>
        )}
        {of.later.length > 0 && (
          <div className="soft">
            later:{' '}
            {of.later
              .map((l) => `${l.flowers} ${said(new Date(l.at), now, zone)} with ${l.pollen}`)
              .join(', ')}
          </div>
        )}
        {of.notWantedAs && (
          <div className="soft">
            {of.notWanted} not wanted: {NOT_WANTED[of.notWantedAs]}
            {of.waitsUntil && `, until ${calendarDay(of.waitsUntil)}`}
          </div>
        )}
        {of.lost > 0 && (
          <div className="soft">
            {REASONS[of.reason!] ?? of.reason}: {of.wouldServe}
          </div>
        )}
      </td>
      <td className="num">{of.flowers}</td>
      <td className="num">{of.inVisit || ''}</td>
      <td className="num">{of.later.reduce((n, l) => n + l.flowers, 0) || ''}</td>
      <td className="num">{of.forCross + of.notWanted || ''}</td>
      <td className="num">{of.lost > 0 ? <b className="warn">{of.lost}</b> : ''}</td>
    </tr>
  );
}

/** What becomes of every flower that can take pollen at the next visit. */
export function Accounted({ account }: { account: Account }) {
  const { now, zone } = useHere();
  if (account.flowers === 0) return null;
  const parts = PARTS.filter((p) => account[p.key] > 0);
  return (
    <section className={`card ${classes.account}`} data-card="account">
      <h2>
        {plural(account.flowers, 'flower')} can be pollinated at the visit of{' '}
        {said(new Date(account.at), now, zone)}
      </h2>
      <div className={classes.bar} aria-hidden>
        {parts.map((p) => (
          <span key={p.key} className={classes[p.key]} style={{ flexGrow: account[p.key] }} />
        ))}
      </div>
      <p>
        {parts.map((p, i) => (
          <span key={p.key} className={classes.part}>
            {i > 0 && ' '}
            <i className={classes[p.key]} aria-hidden /> <b>{account[p.key]}</b> {p.word}
          </span>
        ))}
      </p>
      {losses(account.trees).map((l) => (
        <p key={l.why} className="small">
          <b className="warn">{l.flowers} lost</b> on {l.trees.slice(0, MOST_NAMED).join(', ')}
          {l.trees.length > MOST_NAMED && ` and ${plural(l.trees.length - MOST_NAMED, 'tree')} more`}: {l.why}
          .
        </p>
      ))}
      <details>
        <summary className="small">Tree by tree, and what would save them</summary>
        <div className="scroll" tabIndex={0}>
          <table className="plain small">
            <thead>
              <tr>
                <th>Tree</th>
                <th className="num">Flowers</th>
                <th className="num">This visit</th>
                <th className="num">Later</th>
                <th className="num">Not to be done</th>
                <th className="num">Lost</th>
              </tr>
            </thead>
            <tbody>
              {account.trees.map((t) => (
                <TreeRow key={t.treeId} of={t} />
              ))}
            </tbody>
          </table>
        </div>
        <p className="small soft">
          {account.receptive.toFixed(1)} flowers are expected to take pollen then
          {account.havePollen >= 0.05 && `, ${account.havePollen.toFixed(1)} of them had it before`}; the
          others, in whole flowers, are shared out here once each. Not to be done: kept for a cross, or not
          wanted on that tree.
        </p>
      </details>
    </section>
  );
}

/** So many trees are named beside a loss. */
const MOST_NAMED = 3;
