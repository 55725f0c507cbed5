import type { AudioPath } from '@inner-hum/core/measure';
import { FAULTS, type FaultName } from '@inner-hum/core/simulate';
import type { LevelRuler } from '@inner-hum/core/theory';
import { object } from 'yup';
import { flag, listOf, oneOf, real, recordOf, text, whole, type PartsOf } from './parts';

type SourceKind = 'microphone' | 'file' | 'standIn';
export type HabitName = 'clean' | FaultName;
export const HABIT_NAMES: readonly HabitName[] = ['clean', ...(Object.keys(FAULTS) as FaultName[])];

/** What is listened to, what is heard of the click, and what sound is kept. */
export interface SoundSettings {
  readonly source: SourceKind;
  /** '' is the browser's choice */
  readonly deviceId: string;
  /** measured rulers by what was listened to: a microphone's id or the kind of source */
  readonly rulers: Readonly<Record<string, LevelRuler>>;
  /** measured ways round, under the same names: what is taken out of lateness */
  readonly loops: Readonly<Record<string, AudioPath>>;
  readonly habit: HabitName;
  /** a drone needs them, or the ear hears it */
  readonly headphones: boolean;
  readonly clickOn: boolean;
  /** every so many bars the click keeps silent; 0 never */
  readonly silentBarEvery: 0 | 2 | 4;
  readonly startOn: 'beat' | 'sound';
  readonly keepSound: boolean;
  /** most megabytes of sound that are kept */
  readonly soundBudgetMb: number;
  /** takes whose sound is kept whatever the rule says */
  readonly pinned: readonly string[];
}

export const FIRST_SOUND: SoundSettings = {
  source: 'microphone',
  deviceId: '',
  rulers: {},
  loops: {},
  habit: 'sharpWhenSoft',
  headphones: false,
  clickOn: true,
  silentBarEvery: 0,
  startOn: 'beat',
  keepSound: true,
  soundBudgetMb: 500,
  pinned: [],
};

export const SOUND_PARTS: PartsOf<SoundSettings> = {
  source: whole(oneOf(['microphone', 'file', 'standIn']).required()),
  deviceId: whole(text()),
  rulers: recordOf(
    object({ softestDb: real(), loudestDb: real(), origin: oneOf(['assumed', 'measured']).required() }).test(
      'order',
      'softest above loudest',
      ({ softestDb, loudestDb }) => Number(softestDb) < Number(loudestDb),
    ),
  ),
  loops: recordOf(object({ delayS: real().min(-1).max(5), delayErrorS: real().min(0).max(5) })),
  habit: whole(oneOf(HABIT_NAMES).required()),
  headphones: whole(flag()),
  clickOn: whole(flag()),
  silentBarEvery: whole(oneOf([0, 2, 4]).required()),
  startOn: whole(oneOf(['beat', 'sound']).required()),
  keepSound: whole(flag()),
  soundBudgetMb: whole(real().min(0)),
  pinned: listOf(text().required()),
};
