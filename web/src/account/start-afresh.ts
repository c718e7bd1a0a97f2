import { forgetAnswers } from '../offline/kept-answers';

/** Begins anew at the first page, with nothing kept of what was shown before. */
export async function startAfresh(): Promise<void> {
  await forgetAnswers();
  window.location.assign('/');
}
