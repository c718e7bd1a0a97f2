import { Counter } from '../kit/Counter';
import { MeasureInput } from '../kit/MeasureInput';
import type { Check } from './use-check';
import classes from './FruitSet.module.css';

/** What else a look can tell; shut until it is wanted. */
export function CheckDetails({ check }: { check: Check }) {
  const { counts, detail } = check;
  const seen = (key: keyof typeof detail) => ({
    value: detail[key] ?? 0,
    onChange: (n: number) =>
      check.setDetail((d) => {
        const rest = { ...d };
        delete rest[key];
        return n > 0 ? { ...rest, [key]: n } : rest;
      }),
  });
  return (
    <details className={classes.more}>
      <summary>More: thinned, mark gone, resting, fruits, shape, size</summary>
      <div className={classes.counters}>
        <Counter label="thinned by hand" value={counts.thinned} onChange={check.set('thinned')} />
        <Counter label="mark gone" value={counts.lost} onChange={check.set('lost')} />
        <Counter label="resting, alive" {...seen('resting')} />
        <Counter label="fruits in all" {...seen('fruits')} />
        <Counter label="whole" {...seen('whole')} />
        <Counter label="one-sided" {...seen('oneSided')} />
        <Counter label="crooked" {...seen('crooked')} />
        <MeasureInput
          label="Typical size"
          of="length"
          value={detail.sizeMm}
          w={130}
          onChange={(v) => {
            const rest = { ...detail };
            delete rest.sizeMm;
            check.setDetail(v === undefined ? rest : { ...rest, sizeMm: v });
          }}
        />
      </div>
      <p className="small soft">
        Dropped: it held at a look before and fell by itself; that is no failure. A fruitlet that rests
        without growing is alive: count it as taken. One taken off had taken.
      </p>
    </details>
  );
}
