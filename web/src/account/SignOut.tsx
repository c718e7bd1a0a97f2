import { answer, api } from '../api/api';
import { t } from '../text/text';
import { startAfresh } from './start-afresh';

/** Ends the session and starts the page afresh, so that nothing of it stays in memory. */
export function SignOut() {
  const signOut = async () => {
    await answer(api.DELETE('/api/session'));
    await startAfresh();
  };
  return (
    <div>
      <button type="button" onClick={() => void signOut()}>
        {t('session.sign-out')}
      </button>
    </div>
  );
}
