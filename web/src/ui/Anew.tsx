import { useIsFetching } from '@tanstack/react-query';
import classes from './Anew.module.css';
import { t } from '../text/text';

const WORDS = {
  plan: { anew: () => t('plan.anew'), aged: (n: number) => t('plan.anew-age', { n }) },
  bloom: { anew: () => t('bloom.anew'), aged: (n: number) => t('bloom.anew-age', { n }) },
};

/**
 * Says that what is shown is from before the latest records while a new one is made; nothing where that takes no time.
 *
 * @param age seconds since it was made, where a new one follows
 */
export function Anew({ of, age }: { of: keyof typeof WORDS; age: number | undefined }) {
  const fetching = useIsFetching({ queryKey: [of] });
  return fetching > 0 || age !== undefined ? (
    <p className={classes.anew} role="status">
      {age === undefined ? WORDS[of].anew() : WORDS[of].aged(age)}
    </p>
  ) : null;
}
