import type { FindingId } from '@inner-hum/core/judge';
import type { FaultName } from '@inner-hum/core/simulate';
import { EXPECTED_FINDINGS } from './expectedFindings';

/** A mistake that players make in a family, and what should be told of it before anything else. */
export interface TypicalMistake {
  readonly fault: FaultName;
  readonly expected: readonly FindingId[];
  /** where the usual exercise of the family can't show it */
  readonly change?: Readonly<Record<string, number | string>>;
}

const typical = (fault: FaultName, ...expected: FindingId[]): TypicalMistake => ({
  fault,
  expected: expected.length > 0 ? expected : EXPECTED_FINDINGS[fault],
});
const WRONG_PARTIAL = typical('partialTooLow');

/** The mistakes that belong to each family. */
export const TYPICAL_MISTAKES: Readonly<Record<string, readonly TypicalMistake[]>> = {
  airIntoTone: [typical('wavyAir'), typical('jump'), typical('sharp')],
  hold: [typical('unsteady', 'unsteady', 'held'), typical('jump'), typical('dropOut'), typical('sharp')],
  countedBreaths: [typical('late'), typical('fatigue', 'laterWorse'), typical('unsteady')],
  threeZones: [typical('sinking'), typical('unsteady'), typical('flat')],
  swell: [
    typical('stair'),
    typical('sharpWhenSoft'),
    typical('narrow'),
    typical('peakLate'),
    typical('airy'),
    typical('jump'),
  ],
  relaySwell: [typical('stepsAtSlurs'), typical('sharpWhenSoft'), typical('narrow')],
  anchorSwell: [typical('uneven'), typical('scooped'), typical('narrow')],
  zigzagDescent: [typical('late'), typical('sharpWhenSoft'), typical('slipsAtEnd')],
  oneBreathDescent: [typical('stopsEarly'), typical('jump')],
  homeNote: [typical('jump'), typical('breaksSlurs')],
  homeCheck: [typical('jump'), typical('slowResponse'), typical('blasts')],
  vowelSweep: [typical('staysOneVowel'), typical('sinking')],
  ventMatch: [typical('colourApart'), typical('sharp')],
  octaveRestart: [typical('slowResponse'), typical('jump')],
  crossingBreak: [typical('jump'), typical('slowResponse')],
  tongueOrAir: [typical('tongueFails'), typical('airFails'), typical('bothFail')],
  fullAndSubtone: [typical('neverSoft'), typical('plainSubtone'), typical('sagsSoft'), typical('dropOut')],
  firstTrace: [typical('unsteady'), typical('jump')],
  overtoneLadder: [WRONG_PARTIAL, typical('slowChange'), typical('unsteady', 'unsteady', 'sinking', 'rising')],
  humFirst: [typical('humsOther'), typical('humsSharp'), WRONG_PARTIAL],
  overtoneMatch: [typical('pairSharp'), typical('pairSofter'), typical('changesLate'), typical('slowChange')],
  quickAlternation: [typical('changesUnevenly')],
  shortTwelfths: [WRONG_PARTIAL, typical('sharp')],
  overtoneRoute: [{ ...WRONG_PARTIAL, change: { phrase: 'F5:3 B♭5:3', route: '58/3 58/4' } }, typical('breaksSlurs')],
  altissimoVoicing: [WRONG_PARTIAL, typical('slowChange')],
  fingeringTrial: [typical('sharp'), typical('slowResponse')],
  bend: [typical('bendsLittle'), typical('bendsOff'), typical('bendsRoughly')],
  bendToPitch: [typical('bendsOff'), typical('bendsRoughly')],
  smallTube: [typical('unsteady'), typical('sinking')],
  vibrato: [typical('noVibrato'), typical('vibratoSlow'), typical('vibratoNarrow'), typical('alwaysVibrato')],
  fromNothing: [typical('startsAtOnce'), typical('jump')],
  octaveSlurs: [typical('breaksSlurs'), typical('sharp')],
  longToneScale: [typical('unsteady'), typical('sharpWhenSoft'), typical('late')],
  fullSpanScale: [typical('slowResponse'), typical('jump')],
  endSets: [typical('slowResponse'), typical('jump')],
  octaveDisplacement: [typical('sharp'), typical('jump')],
  heardInterval: [
    { ...typical('scooped'), change: { move: 'afterSilence' } },
    typical('breaksSlurs'),
    typical('sharp'),
  ],
  chromaticLongTones: [typical('unsteady'), typical('sharp')],
  evenTonguing: [typical('late'), typical('sharp')],
  terraces: [typical('sharpWhenSoft'), typical('unsteady')],
  tonguedDescent: [typical('jump'), typical('breaksSlurs')],
  registerSlurs: [WRONG_PARTIAL, typical('breaksSlurs')],
  directOvertone: [WRONG_PARTIAL, typical('slowResponse')],
  droneIntervals: [typical('sharp'), typical('unsteady')],
  ownPassage: [typical('jump'), typical('sharp'), typical('breaksSlurs')],
  survey: [typical('flat'), typical('slowResponse')],
};
