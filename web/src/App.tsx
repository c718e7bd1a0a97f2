import { useQuery } from '@tanstack/react-query';
import { Navigate, Route, Routes } from 'react-router';
import { SetUp } from './account/SetUp';
import { Shell } from './account/Shell';
import { SignIn, SignInAgain } from './account/SignIn';
import { Bloom } from './bloom/Bloom';
import { HandNeed } from './bloom/HandNeed';
import { Season } from './bloom/Season';
import { StageKey } from './bloom/StageKey';
import { Tally } from './bloom/Tally';
import { Weather } from './bloom/Weather';
import { CropSheet } from './crop/CropSheet';
import { CropSheets } from './crop/CropSheets';
import { Failure } from './findings/Failure';
import { Findings } from './findings/Findings';
import { SeasonReport } from './findings/SeasonReport';
import { Trials } from './findings/Trials';
import { Bring } from './fruitset/Bring';
import { CheckWalk } from './fruitset/CheckWalk';
import { Fruit } from './fruitset/Fruit';
import { FruitSet } from './fruitset/FruitSet';
import { Limbs } from './fruitset/Limbs';
import { Empty, Loaded } from './kit/States';
import { HereContext } from './kit/orchard-context';
import { ProblemError } from './kit/problem';
import { queries } from './kit/queries';
import { Kept } from './account/Kept';
import { useNow } from './kit/use-now';
import { Orchard } from './orchard/Orchard';
import { Mates } from './mating/Mates';
import { Wishes } from './mating/Wishes';
import { Collect } from './pollen/Collect';
import { JarPage } from './pollen/JarPage';
import { Labels } from './pollen/Labels';
import { Mixing } from './pollen/Mixing';
import { ByCode } from './pollen/Scan';
import { Shelf } from './pollen/Shelf';
import { Crosses } from './crossing/Crosses';
import { Figs } from './pollination/Figs';
import { Hours } from './availability/Hours';
import { Paper } from './planning/Paper';
import { Plan } from './planning/Plan';
import { Round } from './planning/Round';
import { Wanted } from './cropload/Wanted';
import { Walk } from './walk/Walk';
import { Today } from './today/Today';

export function App() {
  const setup = useQuery(queries.setup());
  return (
    <Loaded of={setup}>
      {(s) =>
        s.ownerNeeded ? (
          <Routes>
            <Route path="/set-up" element={<SetUp />} />
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
            <Route path="/round/walk/:walk" element={<Walk />} />
            <Route path="/fruit-set/walk" element={<CheckWalk />} />
            <Route path="/bloom/read/:tree" element={<Tally />} />
            <Route path="/bloom/key" element={<StageKey />} />
            <Route element={<Shell />}>
              <Route index element={<Today />} />
              <Route path="/bloom" element={<Bloom />} />
              <Route path="/bloom/season" element={<Season />} />
              <Route path="/bloom/weather" element={<Weather />} />
              <Route path="/bloom/need" element={<HandNeed />} />
              <Route path="/pollen" element={<Shelf />} />
              <Route path="/pollen/collect" element={<Collect />} />
              <Route path="/pollen/jar/:lot" element={<JarPage />} />
              <Route path="/pollen/mixing" element={<Mixing />} />
              <Route path="/pollen/labels" element={<Labels />} />
              <Route path="/l/:code" element={<ByCode />} />
              <Route path="/mates" element={<Mates />} />
              <Route path="/mates/wishes" element={<Wishes />} />
              <Route path="/round" element={<Round />} />
              <Route path="/round/paper/:walk" element={<Paper />} />
              <Route path="/round/plan" element={<Plan />} />
              <Route path="/round/wanted" element={<Wanted />} />
              <Route path="/round/crosses" element={<Crosses />} />
              <Route path="/round/figs/:tree" element={<Figs />} />
              <Route path="/round/hours" element={<Hours />} />
              <Route path="/kept" element={<Kept />} />
              <Route path="/fruit-set" element={<FruitSet />} />
              <Route path="/fruit-set/limbs" element={<Limbs />} />
              <Route path="/fruit-set/fruit" element={<Fruit />} />
              <Route path="/fruit-set/bring" element={<Bring />} />
              <Route path="/findings" element={<Findings />} />
              <Route path="/findings/why" element={<Failure />} />
              <Route path="/findings/trials" element={<Trials />} />
              <Route path="/findings/season" element={<SeasonReport />} />
              <Route path="/orchard" element={<Orchard />} />
              <Route path="/crops" element={<CropSheets />} />
              <Route path="/crops/:crop" element={<CropSheet />} />
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
