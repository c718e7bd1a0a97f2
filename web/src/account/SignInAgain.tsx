import { lazy, Suspense, useEffect, useState } from 'react';
import { SIGNED_OUT } from '../api/client';

const SignInDialog = lazy(async () => ({ default: (await import('./SignInDialog')).SignInDialog }));

/** Comes over the page when the session has ended, so that nothing typed on it is lost. */
export function SignInAgain() {
  const [ended, setEnded] = useState(false);
  useEffect(() => {
    const end = () => setEnded(true);
    window.addEventListener(SIGNED_OUT, end);
    return () => window.removeEventListener(SIGNED_OUT, end);
  }, []);
  if (!ended) return null;
  return (
    <Suspense fallback={null}>
      <SignInDialog close={() => setEnded(false)} />
    </Suspense>
  );
}
