import { Counter } from '../form/Counter';
import { MeasureInput } from '../form/MeasureInput';
import type { Check } from './use-check';
import classes from './FruitSet.module.css';
import { t } from '../text/text';

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
      <summary>{t('detail.more')}</summary>
      <div className={classes.counters}>
        <Counter label={t('detail.thinned')} value={counts.thinned} onChange={check.set('thinned')} />
        <Counter label={t('check.mark-gone')} value={counts.lost} onChange={check.set('lost')} />
        <Counter label={t('detail.resting')} {...seen('resting')} />
        <Counter label={t('detail.fruits')} {...seen('fruits')} />
        <Counter label={t('detail.whole')} {...seen('whole')} />
        <Counter label={t('detail.one-sided')} {...seen('oneSided')} />
        <Counter label={t('detail.crooked')} {...seen('crooked')} />
        <MeasureInput
          label={t('detail.size')}
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
      <p className="small soft">{t('detail.help')}</p>
    </details>
  );
}
