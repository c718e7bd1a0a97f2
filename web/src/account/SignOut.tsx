import { answer, api } from '../kit/api';
import { forgetAnswers } from '../kit/kept-answers';

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
        Sign out
      </button>
    </div>
  );
}
