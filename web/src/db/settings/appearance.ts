import { NOTE_NAME_SYSTEMS, type NoteNameSystem, type Spelling } from '@inner-hum/core/theory';
import { LANGUAGE_IDS, LANGUAGES, languageFor, type Language } from '../../base/languages';
import { oneOf, whole, type PartsOf } from './parts';

/** How things are shown. */
export interface AppearanceSettings {
  readonly language: Language;
  readonly theme: 'system' | 'light' | 'dark';
  readonly noteNames: NoteNameSystem;
  readonly spelling: Spelling;
  /** whether the fundamental is counted as partial 1, or overtones are counted above it */
  readonly partialNumbers: 'partials' | 'overtones';
}

/** Until another is chosen: what the reader's browser asks for. */
const LANGUAGE = languageFor((globalThis as { navigator?: Partial<Navigator> }).navigator?.languages ?? []);

export const FIRST_APPEARANCE: AppearanceSettings = {
  language: LANGUAGE,
  theme: 'system',
  noteNames: LANGUAGES[LANGUAGE].noteNames,
  spelling: 'usual',
  partialNumbers: 'partials',
};

export const APPEARANCE_PARTS: PartsOf<AppearanceSettings> = {
  language: whole(oneOf(LANGUAGE_IDS).required()),
  theme: whole(oneOf(['system', 'light', 'dark']).required()),
  noteNames: whole(oneOf(NOTE_NAME_SYSTEMS).required()),
  spelling: whole(oneOf(['usual', 'sharps', 'flats']).required()),
  partialNumbers: whole(oneOf(['partials', 'overtones']).required()),
};
