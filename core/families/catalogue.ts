import { instrumentById, type HornId } from '@inner-hum/core/theory';
import { highestNote, scoreOf, type ExerciseParameters, type Score } from '@inner-hum/core/exercise';
import { breathLimitS, fittedToBreath } from './breath';
import type { Family } from './family';
import { airIntoTone } from './airIntoTone/airIntoTone';
import { anchorSwell } from './anchorSwell/anchorSwell';
import { countedBreaths } from './countedBreaths/countedBreaths';
import { crossingBreak } from './crossingBreak/crossingBreak';
import { endSets } from './endSets/endSets';
import { firstTrace } from './firstTrace/firstTrace';
import { fullAndSubtone } from './fullAndSubtone/fullAndSubtone';
import { fullSpanScale } from './fullSpanScale/fullSpanScale';
import { heardInterval } from './heardInterval/heardInterval';
import { altissimoVoicing } from './altissimoVoicing/altissimoVoicing';
import { freePlay } from './freePlay/freePlay';
import { fromNothing } from './fromNothing/fromNothing';
import { longToneScale } from './longToneScale/longToneScale';
import { octaveSlurs } from './octaveSlurs/octaveSlurs';
import { vibrato } from './vibrato/vibrato';
import { bend } from './bend/bend';
import { bendToPitch } from './bendToPitch/bendToPitch';
import { fingeringTrial } from './fingeringTrial/fingeringTrial';
import { humFirst } from './humFirst/humFirst';
import { overtoneLadder } from './overtoneLadder/overtoneLadder';
import { overtoneMatch } from './overtoneMatch/overtoneMatch';
import { overtoneRoute } from './overtoneRoute/overtoneRoute';
import { quickAlternation } from './quickAlternation/quickAlternation';
import { shortTwelfths } from './shortTwelfths/shortTwelfths';
import { smallTube } from './smallTube/smallTube';
import { hold } from './hold/hold';
import { homeCheck } from './homeCheck/homeCheck';
import { homeNote } from './homeNote/homeNote';
import { octaveRestart } from './octaveRestart/octaveRestart';
import { octaveDisplacement } from './octaveDisplacement/octaveDisplacement';
import { oneBreathDescent } from './oneBreathDescent/oneBreathDescent';
import { relaySwell } from './relaySwell/relaySwell';
import { survey } from './survey/survey';
import { swellFamily } from './swell/swell';
import { threeZones } from './threeZones/threeZones';
import { tongueOrAir } from './tongueOrAir/tongueOrAir';
import { ventMatch } from './ventMatch/ventMatch';
import { vowelSweep } from './vowelSweep/vowelSweep';
import { zigzagDescent } from './zigzagDescent/zigzagDescent';

/** All families, in the order of a practice. */
export const FAMILIES = [
  airIntoTone,
  hold,
  countedBreaths,
  threeZones,
  longToneScale,
  vibrato,
  swellFamily,
  fromNothing,
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
  bendToPitch,
  smallTube,
  octaveSlurs,
  fullSpanScale,
  endSets,
  octaveDisplacement,
  heardInterval,
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

/** What is usual of a family on a horn: its notes within the horn's range, its breaths not longer than the horn allows. */
export function usualExercise(family: Family, instrumentId: HornId): ExerciseParameters {
  const values = Object.entries(family.fields).map(([name, field]) => [name, field.usual] as const);
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
