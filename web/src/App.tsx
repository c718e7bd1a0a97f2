import { useQuery } from '@tanstack/react-query';
import { lazy, Suspense } from 'react';
import { Navigate, Route, Routes } from 'react-router';
import { Shell } from './account/Shell';
import { SignIn, SignInAgain } from './account/SignIn';
import { Empty, Loaded, Waiting } from './kit/States';
import { HereContext } from './kit/orchard-context';
import { ProblemError } from './kit/problem';
import { queries } from './kit/queries';
import { useNow } from './kit/use-now';
import { DESK, FIELD, Opened } from './pages';

const SetUp = lazy(async () => ({ default: (await import('./account/SetUp')).SetUp }));

export function App() {
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
            <Route path="*" element={<Navigate to="/set-up" replace />} />
          </Routes>
        ) : (
          <SignedIn known={s.signedIn} />
        )
      }
    </Loaded>
  );
}

function SignedIn({ known }: { known: boolean }) {
  const session = useQuery({ ...queries.session(), enabled: known });
  const now = useNow(session.data?.orchard);
  const refused = session.error instanceof ProblemError && session.error.signedOut;
  // Once somebody was signed in the page stays; SignInAgain comes over it.
  const signedOut = !session.data && (!known || refused);
  if (signedOut) return <SignIn />;
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
              <Route
                path="*"
                element={<Empty title="There is no such page">Use the menu to go where you meant to.</Empty>}
              />
            </Route>
          </Routes>
        </HereContext>
      )}
    </Loaded>
  );
}
