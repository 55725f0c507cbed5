import { createContext, useContext } from 'react';
import type { PageSound } from './pageSound';

const Given = createContext<PageSound | undefined>(undefined);

/** Gives a page's sound to the views under it. */
export const PageSoundProvider = Given.Provider;

/** The page's sound. @throws when no view above gave one */
export function usePageSound(): PageSound {
  const page = useContext(Given);
  if (!page) throw new Error('no sound was given to the page');
  return page;
}
