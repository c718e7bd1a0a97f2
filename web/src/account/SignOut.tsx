import { answer, api } from '../api/api';
import { t } from '../text/text';
import { forgetAnswers } from '../offline/kept-answers';

/** Ends the session and starts the page afresh, so that nothing of it stays in memory. */
export function SignOut() {
  const signOut = async () => {
    await answer(api.DELETE('/api/session'));
    await forgetAnswers();
    window.location.assign('/');
  };
  return (
    <div>
      <button type="button" onClick={() => void signOut()}>
        {t('session.sign-out')}
      </button>
    </div>
  );
}
