import { instrumentById, type InstrumentId } from '@inner-hum/core/theory';
import { highestNote, scoreOf, type ExerciseParameters, type Family } from './family';
import { airIntoTone } from './families/airIntoTone';
import { anchorSwell } from './families/anchorSwell';
import { countedBreaths } from './families/countedBreaths';
import { crossingBreak } from './families/crossingBreak';
import { endSets } from './families/endSets';
import { firstTrace } from './families/firstTrace';
import { fullAndSubtone } from './families/fullAndSubtone';
import { fullSpanScale } from './families/fullSpanScale';
import { heardInterval } from './families/heardInterval';
import { altissimoVoicing } from './families/altissimoVoicing';
import { bend } from './families/bend';
import { fingeringTrial } from './families/fingeringTrial';
import { humFirst } from './families/humFirst';
import { overtoneLadder } from './families/overtoneLadder';
import { overtoneMatch } from './families/overtoneMatch';
import { overtoneRoute } from './families/overtoneRoute';
import { quickAlternation } from './families/quickAlternation';
import { shortTwelfths } from './families/shortTwelfths';
import { smallTube } from './families/smallTube';
import { hold } from './families/hold';
import { homeCheck } from './families/homeCheck';
import { homeNote } from './families/homeNote';
import { octaveRestart } from './families/octaveRestart';
import { octaveDisplacement } from './families/octaveDisplacement';
import { oneBreathDescent } from './families/oneBreathDescent';
import { relaySwell } from './families/relaySwell';
import { survey } from './families/survey';
import { swellFamily } from './families/swell';
import { threeZones } from './families/threeZones';
import { tongueOrAir } from './families/tongueOrAir';
import { ventMatch } from './families/ventMatch';
import { vowelSweep } from './families/vowelSweep';
import { zigzagDescent } from './families/zigzagDescent';
import type { Score } from './score';

/** All families, in the order of a practice. */
export const FAMILIES = [
  airIntoTone,
  hold,
  countedBreaths,
  threeZones,
  swellFamily,
  relaySwell,
  anchorSwell,
  zigzagDescent,
  oneBreathDescent,
  homeNote,
  homeCheck,
  vowelSweep,
  ventMatch,
  octaveRestart,
  crossingBreak,
  tongueOrAir,
  fullAndSubtone,
  firstTrace,
  overtoneLadder,
  humFirst,
  overtoneMatch,
  quickAlternation,
  shortTwelfths,
  overtoneRoute,
  altissimoVoicing,
  fingeringTrial,
  bend,
  smallTube,
  fullSpanScale,
  endSets,
  octaveDisplacement,
  heardInterval,
  survey,
] as const satisfies readonly Family[];

/** @throws RangeError for an id that no family has */
export function familyById(id: string): Family {
  const family = FAMILIES.find((one) => one.id === id);
  if (!family) throw new RangeError(`no exercise family is called ${id}`);
  return family;
}

/**
 * The score of an exercise.
 * @throws RangeError naming the family or the parameter that does not fit
 */
export function exerciseScore(parameters: ExerciseParameters): Score {
  return scoreOf(familyById(parameters.family), parameters);
}

/** What is usual of a family, its notes moved into the horn's range. */
export function usualExercise(family: Family, instrumentId: InstrumentId): ExerciseParameters {
  const values = Object.entries(family.fields).map(([name, field]) => [name, field.usual] as const);
  return fitToHorn({
    family: family.id,
    instrumentId,
    tempoBpm: family.tempoBpm,
    tunerHidden: false,
    ...Object.fromEntries(values),
  });
}

/** What makes two exercises tries at one thing: the family and its note. */
export function exerciseName(exercise: ExerciseParameters): string {
  return `${exercise.family} ${String(exercise['writtenMidi'] ?? '')}`;
}

/** The same exercise with its notes moved into the range of its horn. */
function fitToHorn(parameters: ExerciseParameters): ExerciseParameters {
  const horn = instrumentById(parameters.instrumentId);
  const notes = Object.entries(familyById(parameters.family).fields).filter(([, field]) => field.kind === 'note');
  const fitted = notes.map(([name]) => {
    const written = Number(parameters[name]);
    return [name, Math.min(highestNote(horn), Math.max(horn.lowestWrittenMidi, written))] as const;
  });
  return { ...parameters, ...Object.fromEntries(fitted) };
}
