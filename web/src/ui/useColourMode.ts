import { useEffect, useSyncExternalStore } from 'react';
import { useAppSelector } from '../store';
import { DARK, LIGHT, type Palette } from './palette';

const query = window.matchMedia('(prefers-color-scheme: dark)');

function useSystemDark(): boolean {
  return useSyncExternalStore(
    (changed) => {
      query.addEventListener('change', changed);
      return () => query.removeEventListener('change', changed);
    },
    () => query.matches,
  );
}

function useDark(): boolean {
  const theme = useAppSelector((state) => state.settings.theme);
  const systemDark = useSystemDark();
  return theme === 'system' ? systemDark : theme === 'dark';
}

/** Colours of the present look, for canvases. */
export function usePalette(): Palette {
  return useDark() ? DARK : LIGHT;
}

/** Puts the look on the document; once, at the root. */
export function useColourMode(): void {
  const dark = useDark();
  useEffect(() => {
    document.documentElement.classList.toggle('dark', dark);
    document.documentElement.classList.toggle('light', !dark);
    document.documentElement.style.colorScheme = dark ? 'dark' : 'light';
  }, [dark]);
}
