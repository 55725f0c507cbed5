import { ChakraProvider } from '@chakra-ui/react';
import { lazy, Suspense } from 'react';
import { useTranslation } from 'react-i18next';
import { Provider } from 'react-redux';
import { BrowserRouter, Link, Navigate, Route, Routes } from 'react-router';
import { HOME } from './base/home';
import { i18next, withAllWords } from './text/i18n';
import { AppFrame } from './features/frame/AppFrame';
import { Boundary } from './shared/page/Boundary';
import type { PageSound } from './practice/pageSound';
import { PageSoundProvider } from './practice/usePageSound';
import { system } from './ui/theme';
import { useColourMode } from './ui/useColourMode';
import { store } from './store';

const loadStand = () => import('./features/stand/StandPage');
const StandPage = lazy(() => withAllWords(loadStand()));
/** So long after the first place is there the words of the others come, and the Stand, so that it opens at once, milliseconds. */
const OTHER_WORDS_MS = 1500;
const STAND_READY_MS = 2500;
function makeReady(): void {
  setTimeout(() => void withAllWords(Promise.resolve()), OTHER_WORDS_MS); // never rejects
  setTimeout(() => void loadStand().catch(() => undefined), STAND_READY_MS); // told when it is opened
}
const ExercisesPage = lazy(() => withAllWords(import('./features/exercises/ExercisesPage')));
const LessonSheet = lazy(() => withAllWords(import('./features/exercises/LessonSheet')));
const OvertonesPage = lazy(() => withAllWords(import('./features/overtones/OvertonesPage')));
const loadToday = () => import('./features/today/TodayPage');
const TodayPage = lazy(loadToday);
// The place that most visits begin with is on its way while the storage opens.
if ([HOME, `${HOME}today`].includes(location.pathname)) loadToday().catch(() => undefined); // told when it is shown
const WeekPage = lazy(() => withAllWords(import('./features/today/WeekPage')));
const HornPage = lazy(() => withAllWords(import('./features/horn/HornPage')));
const GuidePage = lazy(() => withAllWords(import('./features/guide/GuidePage')));
const ShelfPage = lazy(() => withAllWords(import('./features/log/ShelfPage')));
const ModelPage = lazy(() => withAllWords(import('./features/log/ModelPage')));
const LogPage = lazy(() => withAllWords(import('./features/log/LogPage')));
const GiveWeekPage = lazy(() => withAllWords(import('./features/log/GiveWeekPage')));
const StudentsPage = lazy(() => withAllWords(import('./features/students/StudentsPage')));
const StudentPage = lazy(() => withAllWords(import('./features/students/StudentPage')));
const StudentTakePage = lazy(() => withAllWords(import('./features/students/StudentTakePage')));
const TakePage = lazy(() => withAllWords(import('./features/take/TakePage')));
const SetUpPage = lazy(() => withAllWords(import('./features/setup/SetUpPage')));

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
          <Route path="today" element={<TodayPage />} />
          <Route path="week" element={<WeekPage />} />
          <Route path="stand" element={<StandPage />} />
          <Route path="exercises" element={<ExercisesPage />} />
          <Route path="exercises/sheet/:place" element={<LessonSheet />} />
          <Route path="overtones/*" element={<OvertonesPage />} />
          <Route path="horn/*" element={<HornPage />} />
          <Route path="log" element={<LogPage />} />
          <Route path="log/shelf" element={<ShelfPage />} />
          <Route path="log/shelf/:id" element={<ModelPage />} />
          <Route path="log/give" element={<GiveWeekPage />} />
          <Route path="students" element={<StudentsPage />} />
          <Route path="students/:id" element={<StudentPage />} />
          <Route path="students/:id/take/:takeId" element={<StudentTakePage />} />
          <Route path="take/:id" element={<TakePage />} />
          <Route path="set-up" element={<SetUpPage />} />
          <Route path="guide" element={<GuidePage />} />
          <Route
            path="*"
            element={
              <p>
                {t('app.notFound')} <Link to="/stand">{t('app.toStand')}</Link>
              </p>
            }
          />
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
