import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import { type ExerciseParameters, type Score } from '@inner-hum/core/exercise';
import { familyById, mainNoteOf, playable, usualExercise } from '@inner-hum/core/families';
import { ASSUMED_RULER, type InstrumentId, type LevelRuler } from '@inner-hum/core/theory';
import { LANGUAGES, type Language } from '../base/languages';
import { hornNow } from '../db/settings/horn';
import { withSchools } from '@inner-hum/core/lesson';
import { FIRST_SETTINGS, type Settings } from '../db/settings/settings';
import { withChanges, type ListChange } from './lists';

const slice = createSlice({
  name: 'settings',
  initialState: FIRST_SETTINGS,
  reducers: {
    settingsLoaded: (_, action: PayloadAction<Settings>) => action.payload,
    settingsChanged: (state, action: PayloadAction<Partial<Settings>>) => ({ ...state, ...action.payload }),
    /** Entries of lists come, change and go, each for itself. */
    listsChanged: (state, action: PayloadAction<readonly ListChange[]>) => withChanges(state, action.payload),
    exerciseChanged: (state, action: PayloadAction<Readonly<Record<string, number | string | boolean>>>) => ({
      ...state,
      exercise: { ...state.exercise, ...action.payload },
    }),
    /** With a language come the note names that are usual in it, unless others were chosen before. */
    languageChosen: (state, { payload: language }: PayloadAction<Language>) => ({
      ...state,
      language,
      ...(state.noteNames === LANGUAGES[state.language].noteNames && { noteNames: LANGUAGES[language].noteNames }),
    }),
    hornChosen: (state, { payload: instrumentId }: PayloadAction<InstrumentId>) => ({
      ...state,
      instrumentId,
      exercise: { ...state.exercise, instrumentId },
    }),
  },
});

export const { settingsLoaded, settingsChanged, listsChanged, exerciseChanged, languageChosen, hornChosen } =
  slice.actions;
export const settingsReducer = slice.reducer;

/** A record without one of its entries. */
export function without<T>(record: Readonly<Record<string, T>>, key: string): Record<string, T> {
  return Object.fromEntries(Object.entries(record).filter(([name]) => name !== key));
}

/** Under which name the ruler of the present source in the present room is kept. */
export function rulerKey(settings: Pick<Settings, 'source' | 'deviceId' | 'room'>): string {
  const key = loopKey(settings);
  return settings.source === 'microphone' && settings.room ? `${key} ${settings.room}` : key;
}

/** Under which name the loop of the present source is kept: the room hardly changes it. */
export function loopKey({ source, deviceId }: Pick<Settings, 'source' | 'deviceId'>): string {
  return source === 'microphone' ? `microphone:${deviceId}` : source;
}

/**
 * The player's ruler for the present source in the present room, or the assumed one. One that was measured before any room
 * was told serves until a room has its own.
 */
export function rulerOf(settings: Settings): LevelRuler {
  const { rulers, source } = settings;
  const own = rulers[rulerKey(settings)];
  if (own || source !== 'microphone') return own ?? ASSUMED_RULER;
  const roomless = loopKey(settings);
  const byRoom = Object.keys(rulers).some((key) => key.startsWith(`${roomless} `));
  return (byRoom ? undefined : rulers[roomless]) ?? ASSUMED_RULER;
}

type HasExercise = Pick<Settings, 'exercise' | 'instrumentId' | 'fitted' | 'builds'>;

const onHorns = new WeakMap<ExerciseParameters, ExerciseParameters>();

/** The exercise on the Stand as the player chose it, on the present horn; the same objects give the same answer. */
export function chosenExercise(settings: HasExercise) {
  const { exercise } = settings;
  const { hornId: instrumentId } = hornNow(settings);
  if (exercise.instrumentId === instrumentId) return exercise;
  const before = onHorns.get(exercise);
  if (before?.instrumentId === instrumentId) return before;
  const moved: ExerciseParameters = { ...exercise, instrumentId };
  onHorns.set(exercise, moved);
  return moved;
}

/** The exercise on the Stand: what the player chose, or the nearest to it that plays on the present horn. */
export function exerciseOf(settings: HasExercise): ExerciseParameters {
  return playable(chosenExercise(settings)).exercise;
}

/** The score of the exercise on the Stand. */
export function scoreOf(settings: HasExercise): Score {
  return playable(chosenExercise(settings)).score;
}

/** What is usual of a family on the present horn, in the player's own school. */
export function usualFor(settings: Settings, family: string): ExerciseParameters {
  return withSchools(usualExercise(familyById(family), hornNow(settings).hornId), settings.schools);
}

/** Stands for a family that is about no note, written G4. */
const ANY_MIDDLE_MIDI = 67;

/** The written note an exercise is mainly about. */
export function mainNote(exercise: ExerciseParameters): number {
  return mainNoteOf(familyById(exercise.family).teaching, exercise) ?? ANY_MIDDLE_MIDI;
}
