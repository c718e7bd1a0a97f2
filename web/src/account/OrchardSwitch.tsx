import { NativeSelect } from '@mantine/core';
import { answer, api } from '../api/api';
import { useHere } from '../ui/orchard-context';
import { t } from '../text/text';
import { sayDone } from '../ui/undo';
import classes from './Language.module.css';
import { startAfresh } from './start-afresh';

/** For those who work in several orchards. What waits on this device stays meant for the orchard it was written in. */
export function OrchardSwitch() {
  const { session, orchard } = useHere();
  const turn = async (orchardId: string) => {
    try {
      await answer(api.PUT('/api/session/orchard', { body: { orchardId } }));
      await startAfresh();
    } catch (e) {
      sayDone(e instanceof Error ? e.message : t('problem.out-of-reach'));
    }
  };
  return (
    <NativeSelect
      size="xs"
      classNames={{ root: classes.root!, input: classes.input!, description: classes.description! }}
      aria-label={t('session.orchard')}
      data={session.orchards.map((o) => ({ value: o.orchardId, label: o.name }))}
      value={orchard.id}
      onChange={(e) => void turn(e.currentTarget.value)}
    />
  );
}
