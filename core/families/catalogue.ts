import { instrumentById, type HornId } from '@inner-hum/core/theory';
import { highestNote, scoreOf, type ExerciseParameters, type Field, type Score } from '@inner-hum/core/exercise';
import { breathLimitS, fittedToBreath } from './breath';
import type { Family } from './family';
import { airIntoTone } from './catalogue/airIntoTone';
import { anchorSwell } from './catalogue/anchorSwell';
import { countedBreaths } from './catalogue/countedBreaths';
import { chromaticLongTones } from './catalogue/chromaticLongTones';
import { evenTonguing } from './catalogue/evenTonguing';
import { terraces } from './catalogue/terraces';
import { tonguedDescent } from './catalogue/tonguedDescent';
import { registerSlurs } from './catalogue/registerSlurs';
import { directOvertone } from './catalogue/directOvertone';
import { droneIntervals } from './catalogue/droneIntervals';
import { ownPassage } from './catalogue/ownPassage';
import { crossingBreak } from './catalogue/crossingBreak';
import { endSets } from './catalogue/endSets';
import { firstTrace } from './catalogue/firstTrace';
import { fullAndSubtone } from './catalogue/fullAndSubtone';
import { fullSpanScale } from './catalogue/fullSpanScale';
import { heardInterval } from './catalogue/heardInterval';
import { altissimoVoicing } from './catalogue/altissimoVoicing';
import { freePlay } from './catalogue/freePlay';
import { fromNothing } from './catalogue/fromNothing';
import { longToneScale } from './catalogue/longToneScale';
import { octaveSlurs } from './catalogue/octaveSlurs';
import { vibrato } from './catalogue/vibrato';
import { bend } from './catalogue/bend';
import { bendToPitch } from './catalogue/bendToPitch';
import { fingeringTrial } from './catalogue/fingeringTrial';
import { humFirst } from './catalogue/humFirst';
import { overtoneLadder } from './catalogue/overtoneLadder';
import { overtoneMatch } from './catalogue/overtoneMatch';
import { overtoneRoute } from './catalogue/overtoneRoute';
import { quickAlternation } from './catalogue/quickAlternation';
import { shortTwelfths } from './catalogue/shortTwelfths';
import { smallTube } from './catalogue/smallTube';
import { hold } from './catalogue/hold';
import { homeCheck } from './catalogue/homeCheck';
import { homeNote } from './catalogue/homeNote';
import { octaveRestart } from './catalogue/octaveRestart';
import { octaveDisplacement } from './catalogue/octaveDisplacement';
import { oneBreathDescent } from './catalogue/oneBreathDescent';
import { relaySwell } from './catalogue/relaySwell';
import { survey } from './catalogue/survey';
import { swellFamily } from './catalogue/swell';
import { threeZones } from './catalogue/threeZones';
import { tongueOrAir } from './catalogue/tongueOrAir';
import { tuneUp } from './catalogue/tuneUp';
import { ventMatch } from './catalogue/ventMatch';
import { vowelSweep } from './catalogue/vowelSweep';
import { zigzagDescent } from './catalogue/zigzagDescent';

/** All families, in the order of a practice. */
export const FAMILIES = [
  tuneUp,
  airIntoTone,
  hold,
  countedBreaths,
  threeZones,
  longToneScale,
  chromaticLongTones,
  evenTonguing,
  vibrato,
  swellFamily,
  fromNothing,
  relaySwell,
  anchorSwell,
  terraces,
  zigzagDescent,
  oneBreathDescent,
  tonguedDescent,
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
  directOvertone,
  registerSlurs,
  overtoneMatch,
  quickAlternation,
  shortTwelfths,
  overtoneRoute,
  altissimoVoicing,
  fingeringTrial,
  bend,
  bendToPitch,
  smallTube,
  octaveSlurs,
  fullSpanScale,
  endSets,
  octaveDisplacement,
  ownPassage,
  heardInterval,
  droneIntervals,
  survey,
] as const satisfies readonly Family[];

/** A family of exercises, or what is kept of free play. */
export function familyIfKnown(id: unknown): Family | undefined {
  return id === freePlay.id ? freePlay : FAMILIES.find((candidate) => candidate.id === id);
}

/** @throws RangeError for an id that no family has */
export function familyById(id: string): Family {
  const family = familyIfKnown(id);
  if (!family) throw new RangeError(`no exercise family is called ${id}`);
  return family;
}

/**
 * The score of an exercise.
 * @throws RangeError naming the family or the parameter that does not fit
 */
export function exerciseScore(parameters: ExerciseParameters): Score {
  const known = scores.get(parameters);
  if (known) return known;
  const score = scoreOf(familyById(parameters.family), parameters);
  scores.set(parameters, score);
  return score;
}
/** The score of the same parameters is asked for again and again, by plans above all. */
const scores = new WeakMap<ExerciseParameters, Score>();

/** The lowest written note of a horn without a low A key: B♭3. */
const LOWEST_OF_MOST = 58;

/** What is usual of a family on a horn: its notes within the horn's range, its breaths not longer than the horn allows. */
export function usualExercise(family: Family, instrumentId: HornId): ExerciseParameters {
  const { lowestWrittenMidi } = instrumentById(instrumentId);
  // What usually begins on the lowest note of most horns begins on the lowest of this one.
  const own = (field: Field) =>
    field.kind === 'note' && field.usual === LOWEST_OF_MOST ? lowestWrittenMidi : field.usual;
  const values = Object.entries(family.fields).map(([name, field]) => [name, own(field)] as const);
  const usual = fitToHorn({
    family: family.id,
    instrumentId,
    tempoBpm: family.tempoBpm,
    tunerHidden: false,
    ...Object.fromEntries(values),
  });
  return fittedToBreath(usual, family, breathLimitS(family, scoreOf(family, usual)));
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
