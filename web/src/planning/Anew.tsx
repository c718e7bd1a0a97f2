import type { Schemas } from '../api/api';
import { useIsFetching } from '@tanstack/react-query';
import classes from './Plan.module.css';
import { t } from '../text/text';

/** Says that what is shown is the kept plan while a new one is made; nothing where that takes no time. */
export function Anew({ plan }: { plan: Schemas['Plan'] }) {
  const fetching = useIsFetching({ queryKey: ['plan'] });
  const age = plan.ageSeconds;
  return fetching > 0 || age !== undefined ? (
    <p className={classes.anew} role="status">
      {age === undefined ? t('plan.anew') : t('plan.anew-age', { n: age })}
    </p>
  ) : null;
}
