import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import { type ExerciseParameters, type Score } from '@inner-hum/core/exercise';
import { familyById, mainNoteOf, playable, usualExercise, type Level } from '@inner-hum/core/families';
import type { Decision } from '@inner-hum/core/judge';
import type { AudioPath, Demand } from '@inner-hum/core/measure';
import type { Goal, SessionBlock } from '@inner-hum/core/plan';
import type { Fitted, GearItem } from './gear';
import { FIRST_SCHOOLS, withSchools, type Cue, type Schools } from './schools';
import { FAULTS, type FaultName } from '@inner-hum/core/simulate';
import {
  ASSUMED_RULER,
  type InstrumentId,
  type KeyId,
  type LevelRuler,
  type NoteNameSystem,
  type Spelling,
} from '@inner-hum/core/theory';

export type SourceKind = 'microphone' | 'file' | 'standIn';
export type HabitName = 'clean' | FaultName;
export const HABIT_NAMES: readonly HabitName[] = ['clean', ...(Object.keys(FAULTS) as FaultName[])];

/** A planned session on its way. */
export interface RunningSession {
  readonly day: string;
  readonly instrumentId: InstrumentId;
  readonly minutes: number;
  readonly blocks: readonly SessionBlock[];
  /** takes played of it */
  readonly done: number;
  /** what the last verdict changed of the rest */
  readonly change: { readonly decision: Decision; readonly of: string } | null;
}

/** A fingering the player entered for a note above the keys. */
export interface OwnFingering {
  readonly instrumentId: InstrumentId;
  readonly midi: number;
  readonly keys: readonly KeyId[];
}

/** What lasts between visits and is not a take. */
export interface Settings {
  readonly instrumentId: InstrumentId;
  readonly a4Hz: number;
  readonly noteNames: NoteNameSystem;
  readonly spelling: Spelling;
  /** whether the fundamental is counted as partial 1, or overtones are counted above it */
  readonly partialNumbers: 'partials' | 'overtones';
  readonly demand: Demand;
  readonly theme: 'system' | 'light' | 'dark';
  readonly source: SourceKind;
  /** '' is the browser's choice */
  readonly deviceId: string;
  /** measured rulers by what was listened to: a microphone's id or the kind of source */
  readonly rulers: Readonly<Record<string, LevelRuler>>;
  /** measured ways round, under the same names: what is taken out of lateness */
  readonly loops: Readonly<Record<string, AudioPath>>;
  /** when each horn was last in tune, and how it sat then, cents */
  readonly tuneUps: Readonly<
    Record<string, { readonly at: string; readonly cents: number; readonly roomCelsius?: number | undefined }>
  >;
  /** what the room is like today, as the player says */
  readonly roomCelsius?: number | undefined;
  /** horns, mouthpieces, necks, reeds and rooms by the player's own names, and what is on each horn now */
  readonly gear: readonly GearItem[];
  readonly fitted: Fitted;
  readonly room: string;
  readonly schools: Schools;
  /** the cue being tried, kept with each take; '' for none */
  readonly cue: Cue | '';
  /** a drone needs them, or the ear hears it */
  readonly headphones: boolean;
  /** every so many bars the click keeps silent; 0 never */
  readonly silentBarEvery: 0 | 2 | 4;
  readonly keepSound: boolean;
  readonly clickOn: boolean;
  readonly startOn: 'beat' | 'sound';
  /** whether the proposed next step follows a verdict by itself */
  readonly goesOn: boolean;
  readonly habit: HabitName;
  /** the exercise on the Stand */
  readonly exercise: ExerciseParameters;
  /** exercises that one key press plays one after the other */
  readonly block: readonly ExerciseParameters[];
  /** how long a practice is today, and whether it does many things or stays on few */
  readonly minutes: number;
  readonly style: 'sweep' | 'dwell';
  /** how far the player is, as said once: bounds what is proposed */
  readonly level: Level;
  /** what is worked towards */
  readonly goals: readonly Goal[];
  /** from and to hh:mm, when bell notes must not be loud; null when never */
  readonly quietHours: { readonly from: string; readonly to: string } | null;
  /** minutes planned for each day of the week, Monday first, and when they begin */
  readonly weekMinutes: readonly number[];
  readonly practiceAt: string;
  /** today's session: what of it is left */
  readonly session: RunningSession | null;
  /** the day on which the first-run questions were answered; '' before */
  readonly welcomedOn: string;
  /** most megabytes of sound that are kept */
  readonly soundBudgetMb: number;
  /** takes whose sound is kept whatever the rule says */
  readonly pinned: readonly string[];
  /** the day on which each caution was put away */
  readonly cautionsSeen: Readonly<Record<string, string>>;
  /** families the player marked */
  readonly favourites: readonly string[];
  /** what was left for the day, and the day */
  readonly left: Readonly<Record<string, string>>;
  /** the day on which the list before playing was put away */
  readonly preparedOn: string;
  /** own fingerings of altissimo notes */
  readonly fingerings: readonly OwnFingering[];
  /** own exercises by the names the player gave them */
  readonly own: readonly { readonly name: string; readonly exercise: ExerciseParameters }[];
}

export const INITIAL_SETTINGS: Settings = {
  instrumentId: 'alto',
  a4Hz: 440,
  noteNames: 'english',
  spelling: 'usual',
  partialNumbers: 'partials',
  demand: 'firm',
  theme: 'system',
  source: 'microphone',
  deviceId: '',
  rulers: {},
  loops: {},
  tuneUps: {},
  keepSound: true,
  clickOn: true,
  startOn: 'beat',
  goesOn: false,
  habit: 'sharpWhenSoft',
  exercise: usualExercise(familyById('swell'), 'alto'),
  block: [],
  minutes: 15,
  style: 'sweep',
  level: 'home',
  goals: [],
  quietHours: null,
  weekMinutes: [15, 15, 15, 15, 15, 30, 0],
  practiceAt: '18:30',
  session: null,
  welcomedOn: '',
  soundBudgetMb: 500,
  pinned: [],
  own: [],
  fingerings: [],
  favourites: [],
  left: {},
  preparedOn: '',
  cautionsSeen: {},
  gear: [],
  fitted: {},
  room: '',
  schools: FIRST_SCHOOLS,
  cue: '',
  headphones: false,
  silentBarEvery: 0,
};

const slice = createSlice({
  name: 'settings',
  initialState: INITIAL_SETTINGS,
  reducers: {
    settingsLoaded: (_, action: PayloadAction<Settings>) => action.payload,
    settingsChanged: (state, action: PayloadAction<Partial<Settings>>) => ({ ...state, ...action.payload }),
    exerciseChanged: (state, action: PayloadAction<Readonly<Record<string, number | string | boolean>>>) => ({
      ...state,
      exercise: { ...state.exercise, ...action.payload },
    }),
    hornChosen: (state, { payload: instrumentId }: PayloadAction<InstrumentId>) => ({
      ...state,
      instrumentId,
      exercise: { ...state.exercise, instrumentId },
    }),
  },
});

export const { settingsLoaded, settingsChanged, exerciseChanged, hornChosen } = slice.actions;
export const settingsReducer = slice.reducer;

/** A record without one of its entries. */
export function without<T>(record: Readonly<Record<string, T>>, key: string): Record<string, T> {
  return Object.fromEntries(Object.entries(record).filter(([name]) => name !== key));
}

/** Under which name the ruler and the loop of the present source is kept. */
export function rulerKey(settings: Pick<Settings, 'source' | 'deviceId'>): string {
  return settings.source === 'microphone' ? `microphone:${settings.deviceId}` : settings.source;
}

/** The player's ruler for the present source, or the assumed one. */
export function rulerOf(settings: Settings): LevelRuler {
  return settings.rulers[rulerKey(settings)] ?? ASSUMED_RULER;
}

const onHorns = new WeakMap<ExerciseParameters, ExerciseParameters>();

/** The exercise on the Stand as the player chose it, on the present horn; the same objects give the same answer. */
export function chosenExercise({ exercise, instrumentId }: Pick<Settings, 'exercise' | 'instrumentId'>) {
  if (exercise.instrumentId === instrumentId) return exercise;
  const before = onHorns.get(exercise);
  if (before?.instrumentId === instrumentId) return before;
  const moved: ExerciseParameters = { ...exercise, instrumentId };
  onHorns.set(exercise, moved);
  return moved;
}

/** The exercise on the Stand: what the player chose, or the nearest to it that plays on the present horn. */
export function exerciseOf(settings: Pick<Settings, 'exercise' | 'instrumentId'>): ExerciseParameters {
  return playable(chosenExercise(settings)).exercise;
}

/** The score of the exercise on the Stand. */
export function scoreOf(settings: Pick<Settings, 'exercise' | 'instrumentId'>): Score {
  return playable(chosenExercise(settings)).score;
}

/** What is usual of a family on the present horn, in the player's own school. */
export function usualFor(settings: Settings, family: string): ExerciseParameters {
  return withSchools(usualExercise(familyById(family), settings.instrumentId), settings.schools);
}

/** Stands for a family that is about no note, written G4. */
const ANY_MIDDLE_MIDI = 67;

/** The written note an exercise is mainly about. */
export function mainNote(exercise: ExerciseParameters): number {
  return mainNoteOf(familyById(exercise.family).teaching, exercise) ?? ANY_MIDDLE_MIDI;
}
