import { ChakraProvider } from '@chakra-ui/react';
import { Suspense } from 'react';
import { useTranslation } from 'react-i18next';
import { Provider } from 'react-redux';
import { BrowserRouter, matchPath, Navigate, Route, Routes } from 'react-router';
import { HOME } from './base/home';
import { i18next, withAllWords } from './text/i18n';
import { AppFrame } from './features/frame/AppFrame';
import { Boundary } from './shared/page/Boundary';
import { NotFound } from './shared/page/NotFound';
import type { PageSound } from './practice/pageSound';
import { PageSoundProvider } from './practice/usePageSound';
import { late, type LatePart } from './ui/late';
import { system } from './ui/theme';
import { useColourMode } from './ui/useColourMode';
import { store } from './store';
import { playedBeforeKnown } from './store/notices';

/** A place that says more than the first screen does. */
const place = (load: Parameters<typeof late<object>>[0]) => late(() => withAllWords(load()));
/** Every place by its path. */
const PLACES: Readonly<Record<string, LatePart<object>>> = {
  today: late(() => import('./features/today/TodayPage')),
  week: place(() => import('./features/today/WeekPage')),
  stand: place(() => import('./features/stand/StandPage')),
  exercises: place(() => import('./features/exercises/ExercisesPage')),
  'exercises/sheet/:place': place(() => import('./features/exercises/LessonSheet')),
  'overtones/*': place(() => import('./features/overtones/OvertonesPage')),
  'horn/*': place(() => import('./features/horn/HornPage')),
  log: place(() => import('./features/log/LogPage')),
  'log/shelf': place(() => import('./features/log/ShelfPage')),
  'log/shelf/:id': place(() => import('./features/log/ModelPage')),
  'log/give': place(() => import('./features/log/GiveWeekPage')),
  students: place(() => import('./features/students/StudentsPage')),
  'students/:id': place(() => import('./features/students/StudentPage')),
  'students/:id/take/:takeId': place(() => import('./features/students/StudentTakePage')),
  'take/:id': place(() => import('./features/take/TakePage')),
  'set-up': place(() => import('./features/setup/SetUpPage')),
  guide: place(() => import('./features/guide/GuidePage')),
};

/** Fetches the place that the address names; where that fails it is told when the place is shown. */
export async function fetchPlace(): Promise<void> {
  const path = Object.keys(PLACES).find((one) => matchPath(`${HOME}${one}`, location.pathname));
  await PLACES[path ?? '']?.fetch().catch(() => undefined);
}

/** So long after the first place is there the words of the others come, and the Stand, so that it opens at once, milliseconds. */
const OTHER_WORDS_MS = 1500;
const STAND_READY_MS = 2500;
function makeReady(): void {
  setTimeout(() => {
    store.dispatch(playedBeforeKnown(undefined)); // by now it may have changed
    void withAllWords(Promise.resolve()); // never rejects
  }, OTHER_WORDS_MS);
  setTimeout(() => void PLACES['stand']?.fetch().catch(() => undefined), STAND_READY_MS); // told when it is opened
}

/** What is left when even the frame around the places breaks. */
function Crashed() {
  return (
    <main role="alert">
      <p>{i18next.t('app.crashed')}</p>
      <button onClick={() => location.reload()}>{i18next.t('app.reload')}</button>
    </main>
  );
}

function Places() {
  const { t } = useTranslation();
  useColourMode();
  return (
    <Suspense fallback={<p>{t('app.loading')}</p>}>
      <Routes>
        <Route element={<AppFrame onPlace={makeReady} />}>
          <Route index element={<Navigate to="/today" replace />} />
          {Object.entries(PLACES).map(([path, Place]) => (
            <Route key={path} path={path} element={<Place />} />
          ))}
          <Route path="*" element={<NotFound />} />
        </Route>
      </Routes>
    </Suspense>
  );
}

export function App({ sound }: { readonly sound: PageSound }) {
  return (
    <Boundary broken={() => <Crashed />}>
      <Provider store={store}>
        <ChakraProvider value={system}>
          <PageSoundProvider value={sound}>
            <BrowserRouter basename={HOME}>
              <Places />
            </BrowserRouter>
          </PageSoundProvider>
        </ChakraProvider>
      </Provider>
    </Boundary>
  );
}
