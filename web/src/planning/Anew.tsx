import { useIsFetching } from '@tanstack/react-query';
import classes from './Plan.module.css';
import { t } from '../text/text';

/** Says that what is shown is the kept plan while a new one is made; nothing where that takes no time. */
export function Anew() {
  const fetching = useIsFetching({ queryKey: ['plan'] });
  return fetching > 0 ? (
    <p className={classes.anew} role="status">
      {t('plan.anew')}
    </p>
  ) : null;
}
