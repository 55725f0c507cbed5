import type { ExerciseParameters, Score } from '@inner-hum/core/exercise';
import { familyById, usualExercise, type Level, type PlayerNow } from '@inner-hum/core/families';
import { median } from '@inner-hum/core/measure';
import type { HornId } from '@inner-hum/core/theory';
import { mostPartials } from './frontier';

/** A tone that is looked for no longer than this is found at once, seconds. Our choice. */
const AT_ONCE_S = 1.5;
/** So often a rung that is not clear, or slow, is tried before another. */
const TRIES = 2;
/** The lip is tired when the last rungs take so many times the best ones' time, and longer than it takes to think, seconds. */
const TIRED = { times: 2, slowS: 2, rungs: 2, after: 4 } as const;
/** Longer than this nobody's lip is asked for overtones in one go, seconds of tone. */
const MOST_S = 240;
/** Tubes go up by semitones, from where the climb began, so many of them before the next partial. */
const TUBES = 4;

/** A rung of a climb that was played: whether all its tones were clear, how long one was looked for, how long it sounded. */
export interface Rung {
  readonly exercise: ExerciseParameters;
  readonly clear: boolean;
  readonly soughtS: number;
  readonly soundedS: number;
}

export type NextRung =
  | { readonly kind: 'play'; readonly exercise: ExerciseParameters }
  | { readonly kind: 'end'; readonly because: 'tired' | 'long' | 'hard' | 'top' };

/** The rung that a climb begins with: up to the partial that this player learns next. */
export function firstRung({ tubeMidi, partial }: PlayerNow['frontier'], hornId: HornId): ExerciseParameters {
  const ladder = usualExercise(familyById('overtoneLadder'), hornId);
  return { ...ladder, writtenMidi: tubeMidi, top: partial, pattern: 'growing', repeats: 1, goesOn: 'clear2' };
}

/** What a take told of its rung: `score` as it was led. */
export function rungOf(exercise: ExerciseParameters, { steps }: Pick<Score, 'steps'>, whole: boolean): Rung {
  const sought = steps.flatMap(({ foundAfterS }) => foundAfterS ?? []);
  const soundedS = steps.reduce((sum, { beats, foundAfterS = 0 }) => sum + beats + foundAfterS, 0);
  return { exercise, clear: whole, soughtS: sought.length > 0 ? median(sought) : Infinity, soundedS };
}

/**
 * The next rung: the same while it is not clear or slow, at most twice; then the next tube, after the tubes the next
 * partial; one partial less where it stays unclear. It ends when the lip tires, before that by the clock, or at the
 * level's last partial.
 */
export function nextRung(done: readonly Rung[], level: Level): NextRung {
  const last = done.at(-1)!;
  if (tires(done)) return { kind: 'end', because: 'tired' };
  if (done.reduce((sum, { soundedS }) => sum + soundedS, 0) >= MOST_S) return { kind: 'end', because: 'long' };
  const { exercise } = last;
  const tries = done.length - 1 - done.findLastIndex((rung) => !same(rung.exercise, exercise));
  const found = last.clear && last.soughtS <= AT_ONCE_S;
  if (!found && tries < TRIES) return { kind: 'play', exercise };
  const [tube, top] = [Number(exercise['writtenMidi']), Number(exercise['top'])];
  if (!last.clear)
    return top > 2 ? { kind: 'play', exercise: { ...exercise, top: top - 1 } } : { kind: 'end', because: 'hard' };
  const firstTube = Number(done[0]!.exercise['writtenMidi']);
  if (tube < firstTube + TUBES - 1) return { kind: 'play', exercise: { ...exercise, writtenMidi: tube + 1 } };
  if (top >= mostPartials(level)) return { kind: 'end', because: 'top' };
  return { kind: 'play', exercise: { ...exercise, writtenMidi: firstTube, top: top + 1 } };
}

function same(one: ExerciseParameters, other: ExerciseParameters): boolean {
  return one['writtenMidi'] === other['writtenMidi'] && one['top'] === other['top'];
}

/** Whether finding has become slow: the last rungs against the quickest ones. What was never quick is not tired. */
function tires(done: readonly Rung[]): boolean {
  if (done.length < TIRED.after) return false;
  const sought = done.map(({ soughtS }) => soughtS);
  const best = median([...sought].sort((a, b) => a - b).slice(0, TIRED.rungs));
  return sought.slice(-TIRED.rungs).every((s) => s > TIRED.slowS && s > TIRED.times * best);
}
