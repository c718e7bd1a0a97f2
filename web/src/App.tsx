import { useQuery } from '@tanstack/react-query';
import { lazy, Suspense, useEffect } from 'react';
import { Navigate, Route, Routes, useLocation } from 'react-router';
import { Shell } from './account/Shell';
import { SignInAgain } from './account/SignInAgain';
import { Empty, Loaded, Waiting } from './ui/States';
import { HereContext } from './ui/orchard-context';
import { ProblemError } from './api/problem';
import { queries } from './api/queries';
import { useNow } from './ui/use-now';
import { locale, nearest, speak, useLocale } from './text/locale';
import { t } from './text/text';
import { DESK, FIELD, Opened } from './pages';

const SignIn = lazy(async () => ({ default: (await import('./account/SignIn')).SignIn }));
const Join = lazy(async () => ({ default: (await import('./account/Join')).Join }));
const SetUp = lazy(async () => ({ default: (await import('./account/SetUp')).SetUp }));

/** Drawn anew when another language is chosen. */
export function App() {
  return <InLanguage key={useLocale()} />;
}

function InLanguage() {
  const setup = useQuery(queries.setup());
  return (
    <Loaded of={setup}>
      {(s) =>
        s.ownerNeeded ? (
          <Routes>
            <Route
              path="/set-up"
              element={
                <Suspense fallback={<Waiting />}>
                  <SetUp />
                </Suspense>
              }
            />
            <Route path="*" element={<ToSetUp />} />
          </Routes>
        ) : (
          <Routes>
            <Route
              path="/join"
              element={
                <Suspense fallback={<Waiting />}>
                  <Join signedIn={s.signedIn} />
                </Suspense>
              }
            />
            <Route path="*" element={<SignedIn known={s.signedIn} />} />
          </Routes>
        )
      }
    </Loaded>
  );
}

/** The code of the machine goes along. */
const ToSetUp = () => <Navigate to={{ pathname: '/set-up', hash: useLocation().hash }} replace />;

function SignedIn({ known }: { known: boolean }) {
  const session = useQuery({ ...queries.session(), enabled: known });
  const now = useNow(session.data?.orchard);
  const refused = session.error instanceof ProblemError && session.error.signedOut;
  const chosen = session.data?.locale;
  useEffect(() => {
    if (chosen && chosen !== locale()) void speak(nearest(chosen));
  }, [chosen]);
  // Once somebody was signed in the page stays; SignInAgain comes over it.
  const signedOut = !session.data && (!known || refused);
  if (signedOut)
    return (
      <Suspense fallback={<Waiting />}>
        <SignIn />
      </Suspense>
    );
  return (
    <Loaded of={session}>
      {(data) => (
        <HereContext value={{ session: data, orchard: data.orchard, zone: data.orchard.zone, now }}>
          <SignInAgain />
          <Routes>
            {FIELD.map((p) => (
              <Route key={p.path} path={p.path} element={<Opened page={p} />} />
            ))}
            <Route element={<Shell />}>
              {DESK.map((p) => (
                <Route key={p.path} path={p.path} element={<Opened page={p} />} />
              ))}
              <Route path="/sign-in" element={<Navigate to="/" replace />} />
              <Route path="/set-up" element={<Navigate to="/" replace />} />
              <Route path="*" element={<Empty title={t('page.none')}>{t('page.use-menu')}</Empty>} />
            </Route>
          </Routes>
        </HereContext>
      )}
    </Loaded>
  );
}
