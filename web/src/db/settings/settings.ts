import { APPEARANCE_PARTS, FIRST_APPEARANCE, type AppearanceSettings } from './appearance';
import { FIRST_HORN, HORN_PARTS, type HornSettings } from './horn';
import type { PartsOf } from './parts';
import { FIRST_PLAYER, PLAYER_PARTS, type PlayerSettings } from './player';
import { FIRST_SESSION, SESSION_PARTS, type SessionSettings } from './session';
import { FIRST_SOUND, SOUND_PARTS, type SoundSettings } from './sound';

/** What lasts between visits and is not a take, by whose it is. Stored as one flat row, read part by part. */
export interface Settings extends PlayerSettings, HornSettings, SoundSettings, AppearanceSettings, SessionSettings {}

export const FIRST_SETTINGS: Settings = {
  ...FIRST_PLAYER,
  ...FIRST_HORN,
  ...FIRST_SOUND,
  ...FIRST_APPEARANCE,
  ...FIRST_SESSION,
};

export const SETTINGS_PARTS: PartsOf<Settings> = {
  ...PLAYER_PARTS,
  ...HORN_PARTS,
  ...SOUND_PARTS,
  ...APPEARANCE_PARTS,
  ...SESSION_PARTS,
};
