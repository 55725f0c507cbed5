import type { NoteNameSystem, Spelling } from '@inner-hum/core/theory';
import { oneOf, whole, type PartsOf } from './parts';

/** How things are shown. */
export interface AppearanceSettings {
  readonly theme: 'system' | 'light' | 'dark';
  readonly noteNames: NoteNameSystem;
  readonly spelling: Spelling;
  /** whether the fundamental is counted as partial 1, or overtones are counted above it */
  readonly partialNumbers: 'partials' | 'overtones';
}

export const FIRST_APPEARANCE: AppearanceSettings = {
  theme: 'system',
  noteNames: 'english',
  spelling: 'usual',
  partialNumbers: 'partials',
};

export const APPEARANCE_PARTS: PartsOf<AppearanceSettings> = {
  theme: whole(oneOf(['system', 'light', 'dark']).required()),
  noteNames: whole(oneOf(['english', 'german', 'fixedDo']).required()),
  spelling: whole(oneOf(['usual', 'sharps', 'flats']).required()),
  partialNumbers: whole(oneOf(['partials', 'overtones']).required()),
};
