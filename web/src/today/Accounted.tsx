import { Scroll } from '../ui/Scroll';
import type { Schemas } from '../api/api';
import { useHere } from '../ui/orchard-context';
import { decimal } from '../format/numbers';
import { calendarDay, said } from '../format/time';
import { notWantedWords, reasonWords } from '../planning/plan-words';
import classes from './Accounted.module.css';
import { rich, t, tell } from '../text/text';

type Account = Schemas['FlowerAccount'];
type OfTree = Schemas['TreeFlowerAccount'];

const PARTS = [
  { key: 'inVisit', word: 'account.in-visit' },
  { key: 'later', word: 'account.later' },
  { key: 'forCross', word: 'account.for-cross' },
  { key: 'notWanted', word: 'account.not-wanted' },
  { key: 'lost', word: 'account.lost' },
] as const;

/** One reason for each kind of loss, the largest first. */
function losses(trees: OfTree[]): { why: string; flowers: number; trees: string[]; save?: string }[] {
  const by = new Map<string, { why: string; flowers: number; trees: string[]; save?: string }>();
  for (const of of trees.filter((o) => o.lost > 0)) {
    const why = reasonWords(of.reason!);
    const one = by.get(why) ?? { why, flowers: 0, trees: [] };
    one.flowers += of.lost;
    one.trees.push(of.tree);
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
          <span className="soft"> · {t('account.had-pollen', { n: Math.round(of.havePollen) })}</span>
        )}
        {of.later.length > 0 && (
          <div className="soft">
            {t('account.later-list', {
              list: of.later
                .map((l) =>
                  t('account.later-one', {
                    flowers: l.flowers,
                    at: said(new Date(l.at), now, zone),
                    pollen: tell(l.pollen),
                  }),
                )
                .join(', '),
            })}
          </div>
        )}
        {of.notWantedAs && (
          <div className="soft">
            {t('account.not-wanted-why', { n: of.notWanted, why: notWantedWords(of.notWantedAs) })}
            {of.waitsUntil && t('account.until', { day: calendarDay(of.waitsUntil) })}
          </div>
        )}
        {of.lost > 0 && (
          <div className="soft">
            {reasonWords(of.reason!)}: {of.wouldServe && tell(of.wouldServe)}
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
      <h2>{t('account.title', { n: account.flowers, at: said(new Date(account.at), now, zone) })}</h2>
      <div className={classes.bar} aria-hidden>
        {parts.map((p) => (
          <span key={p.key} className={classes[p.key]} style={{ flexGrow: account[p.key] }} />
        ))}
      </div>
      <p>
        {parts.map((p, i) => (
          <span key={p.key} className={classes.part}>
            {i > 0 && ' '}
            <i className={classes[p.key]} aria-hidden /> <b>{account[p.key]}</b> {t(p.word)}
          </span>
        ))}
      </p>
      {losses(account.trees).map((l) => (
        <p key={l.why} className="small">
          {rich('account.lost-on', {
            n: l.flowers,
            trees: l.trees.slice(0, MOST_NAMED).join(', '),
            more: Math.max(0, l.trees.length - MOST_NAMED),
            why: l.why,
            b: (inside) => <b className="warn">{inside}</b>,
          })}
        </p>
      ))}
      <details>
        <summary className="small">{t('account.tree-by-tree')}</summary>
        <Scroll label={t('account.tree-by-tree')}>
          <table className="plain small">
            <thead>
              <tr>
                <th>{t('account.col-tree')}</th>
                <th className="num">{t('account.col-flowers')}</th>
                <th className="num">{t('account.col-visit')}</th>
                <th className="num">{t('account.col-later')}</th>
                <th className="num">{t('account.col-not')}</th>
                <th className="num">{t('account.col-lost')}</th>
              </tr>
            </thead>
            <tbody>
              {account.trees.map((of) => (
                <TreeRow key={of.treeId} of={of} />
              ))}
            </tbody>
          </table>
        </Scroll>
        <p className="small soft">
          {t('account.sum', {
            receptive: decimal(account.receptive, 1),
            before: account.havePollen >= 0.05 ? 'yes' : 'no',
            have: decimal(account.havePollen, 1),
          })}
        </p>
      </details>
    </section>
  );
}

/** So many trees are named beside a loss. */
const MOST_NAMED = 3;
