import type { Schemas } from '../api/api';
import { STAGES } from './seed-words';
import classes from './Seeds.module.css';

/** Where the seeds of a lot are: a bar as long as there were seeds, by stage, with what was lost at its end. */
export function StageBar({ lot }: { lot: Schemas['SeedLot'] }) {
  const parts = [
    ...lot.alive.map((a) => ({ key: a.stage, name: STAGES[a.stage], count: a.count })),
    { key: 'GONE', name: 'given away', count: lot.givenAway },
    { key: 'OUT', name: 'discarded', count: lot.discarded },
    { key: 'DEAD', name: 'dead', count: lot.died },
  ].filter((p) => p.count > 0);
  return (
    <div className={classes.path}>
      <div
        className={classes.bar}
        role="img"
        aria-label={`Of ${lot.seeds}: ${parts.map((p) => `${p.count} ${p.name}`).join(', ')}`}
      >
        {parts.map((p) => (
          <span key={p.key} data-stage={p.key} style={{ flexGrow: p.count }} />
        ))}
      </div>
      <ul className={classes.legend}>
        {parts.map((p) => (
          <li key={p.key} data-stage={p.key}>
            <b>{p.count}</b> {p.name}
          </li>
        ))}
      </ul>
    </div>
  );
}
