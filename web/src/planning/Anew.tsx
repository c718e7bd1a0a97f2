import { useIsFetching } from '@tanstack/react-query';
import classes from './Plan.module.css';

/** Says that what is shown is the kept plan while a new one is made; nothing where that takes no time. */
export function Anew() {
  const fetching = useIsFetching({ queryKey: ['plan'] });
  return fetching > 0 ? (
    <p className={classes.anew} role="status">
      Planning anew; this is the plan as it was.
    </p>
  ) : null;
}
