import { Autocomplete, SegmentedControl } from '@mantine/core';
import { t } from '../text/text';
import classes from './Tally.module.css';
import { SHARES } from './tally-state';

/** What is counted: the whole tree or a limb, all of it or a part. */
export function TallyScope({
  limb,
  setLimb,
  limbs,
  share,
  setShare,
}: {
  limb: string;
  setLimb: (limb: string) => void;
  limbs: string[];
  share: string;
  setShare: (share: string) => void;
}) {
  return (
    <div className={classes.scope}>
      <Autocomplete
        label={t('tally.limb')}
        description={t('tally.limb-empty')}
        placeholder={t('tally.whole-tree')}
        value={limb}
        onChange={setLimb}
        data={limbs}
        maxLength={40}
      />
      <div>
        <span className={classes.label}>{t('tally.counted')}</span>
        <SegmentedControl
          fullWidth
          value={share}
          onChange={setShare}
          data={SHARES.map(({ value, name }) => ({ value, label: t(name) }))}
          aria-label={t('tally.how-much')}
        />
        <span className="small soft">{share === '1' ? t('tally.every') : t('tally.scaled')}</span>
      </div>
    </div>
  );
}
