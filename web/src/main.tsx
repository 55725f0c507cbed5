import '@fontsource-variable/atkinson-hyperlegible-next';
import '@fontsource-variable/literata';
import './shared/accidentals.css';
import { createRoot } from 'react-dom/client';
import { App } from './App';
import { recoverDrafts } from './audio/recoverDrafts';
import { openDemo } from './db/demo';
import { loadSettings, storeSettings } from './db/settings';
import { i18next } from './i18n';
import { store } from './store';
import { noticed } from './store/notices';
import { settingsLoaded } from './store/settings';

store.dispatch(settingsLoaded(await loadSettings()));
let stored = store.getState().settings;
store.subscribe(() => {
  const { settings } = store.getState();
  if (settings === stored) return;
  stored = settings;
  void storeSettings(settings);
});

createRoot(document.getElementById('root')!).render(<App />);

void openDemo();
void recoverDrafts().then((count) => {
  if (count > 0) store.dispatch(noticed({ text: i18next.t('log.recovered') }));
});
if ('serviceWorker' in navigator && import.meta.env.PROD)
  void navigator.serviceWorker.register('/sw.js').catch(() => undefined);
