import '@fontsource-variable/atkinson-hyperlegible-next';
import '@fontsource/literata/500.css';
import '@fontsource/literata/600.css';
import './ui/firstFonts.css';
import './ui/accidentals.css';
import { createRoot } from 'react-dom/client';
import { App, fetchPlace } from './App';
import { Ear } from './input/ear';
import { PageSound } from './practice/pageSound';
import { openDatabase } from './db/database';
import { judgedOtherwise } from './db/results';
import { emptyOldBin, hasTakes } from './db/takes';
import { keepInstallOffer } from './shared/page/install';
import { registerOffline } from './shared/page/update';
import { fetchFirst, i18next, speak, speakFirst } from './text/i18n';
import { store } from './store';
import { noticed, playedBeforeKnown } from './store/notices';
import { HOME } from './base/home';
import { languageFor, type Language } from './base/languages';
import { detailOf } from './base/detailOf';
import { openDemo } from './store/demo';
import { keepSettings } from './store/settingsKeeper';

function tell(key: 'app.notOpened' | 'app.notRecovered' | 'app.demoFailed' | 'app.wentWrong', error: unknown): void {
  store.dispatch(noticed({ key, values: { detail: detailOf(error) } }));
}

// What no place of its own has told is told here; what was broken off on purpose is no failure.
window.addEventListener('unhandledrejection', ({ reason }: PromiseRejectionEvent) => {
  if (!(reason instanceof DOMException && reason.name === 'AbortError')) tell('app.wentWrong', reason);
});

/** An ear in a worker of its own. */
const newEar = () => new Worker(new URL('./practice/ear.worker.ts', import.meta.url), { type: 'module' });
const sound = new PageSound(new Ear(newEar));

// A page that the browser had put away whole finds neither its worker nor its sound as it left them.
window.addEventListener('pageshow', ({ persisted }) => {
  if (persisted) void sound.end(); // never rejects
});

keepInstallOffer();

/** The page speaks the language of the settings; where its words can't be loaded, it goes on with English. */
async function speakAsChosen(): Promise<void> {
  let spoken: Language | undefined;
  let first = true;
  const follow = async () => {
    const { language } = store.getState().settings;
    if (language === spoken) return;
    spoken = language;
    await (first ? speakFirst(language) : speak(language)).catch(async (error: unknown) => {
      // Without any words the page still comes up, with the names of its texts.
      if (!i18next.hasResourceBundle(i18next.language, 'translation')) await speak('en').catch(() => undefined);
      tell('app.wentWrong', error);
    });
    document.documentElement.lang = i18next.language;
  };
  await follow();
  first = false;
  store.subscribe(() => void follow()); // tells its own failure
}

/** A place that takes longer comes into its frame, milliseconds. */
const PLACE_WITHIN_MS = 1000;

async function start(): Promise<void> {
  if (location.pathname === HOME) history.replaceState(null, '', `${HOME}today${location.search}${location.hash}`);
  const place = fetchPlace();
  // As the place, most likely what the settings will say: on its way while the storage opens.
  fetchFirst(languageFor(navigator.languages)).catch(() => undefined); // asked for again, and told, below
  // The page comes up whatever the storage does; what failed is said in it.
  try {
    await openDatabase();
    await keepSettings();
    store.dispatch(playedBeforeKnown(await hasTakes().catch(() => undefined))); // told by the place that asks again
  } catch (error) {
    tell('app.notOpened', error);
  }
  await speakAsChosen();
  await Promise.race([place, new Promise((end) => setTimeout(end, PLACE_WITHIN_MS))]);
  createRoot(document.getElementById('root')!).render(<App sound={sound} />);
  // It waits for nothing, and online the page works without it.
  if (import.meta.env.PROD) registerOffline().catch(() => undefined);
  await openDemo().catch((error: unknown) => tell('app.demoFailed', error));
  try {
    const { recoverDrafts } = await import('./practice/recoverDrafts');
    const count = await recoverDrafts(sound);
    if (count > 0) store.dispatch(noticed({ key: 'log.recovered', values: { count } }));
    await emptyOldBin();
    await judgeOlderTakes();
  } catch (error) {
    tell('app.notRecovered', error);
  }
}

/** What earlier versions judged is judged by today's rules, beside the page; it is told where that changed anything. */
async function judgeOlderTakes(): Promise<void> {
  const older = await judgedOtherwise();
  if (older.length === 0) return;
  const { judgeOlder } = await import('./practice/judgeOlder');
  const ear = new Ear(newEar);
  const count = await judgeOlder(ear, older).finally(() => ear.replace());
  if (count > 0) store.dispatch(noticed({ key: 'log.judgedAnew', values: { count } }));
}

void start(); // never rejects: each step tells its own failure
