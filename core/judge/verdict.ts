import type { SwellParameters } from '@inner-hum/core/exercise';

export type Decision = 'again' | 'easier' | 'harder' | 'leave';

/** Things a player can try; each is a sentence of the catalogue. */
export type TryId =
  | 'startWhereItSpeaks'
  | 'fasterTempo'
  | 'onePressure'
  | 'voiceTheNote'
  | 'listenAhead'
  | 'planTheMiddle'
  | 'softenJawWhenSoft'
  | 'supportWhenSoft'
  | 'tuneFirst'
  | 'lessThroatMoreAir'
  | 'airBeforeBeat'
  | 'wideRange'
  | 'letItSpeak'
  | 'endWithAir'
  | 'checkFingering'
  | 'checkMicrophone'
  | 'warmReed';

export type FindingId =
  | 'nothingHeard'
  | 'otherNote'
  | 'jump'
  | 'crack'
  | 'squeak'
  | 'dropOut'
  | 'stoppedEarly'
  | 'stairs'
  | 'wrongWay'
  | 'narrowRange'
  | 'unevenLine'
  | 'peakEarly'
  | 'peakLate'
  | 'sharpWhenSoft'
  | 'flatWhenSoft'
  | 'sharp'
  | 'flat'
  | 'rising'
  | 'sinking'
  | 'unsteady'
  | 'airySoftEnd'
  | 'slowResponse'
  | 'scooped'
  | 'slipsAtEnd'
  | 'stoppedAfter'
  | 'late'
  | 'early'
  | 'even';

/** How much a finding weighs: 3 the tone broke · 2 it missed the demand · 1 worth knowing · 0 it went well. */
export type Weight = 0 | 1 | 2 | 3;

/** One sentence of a verdict with its evidence. Values are what the sentence needs, in the units it names. */
export interface Finding {
  readonly id: FindingId;
  readonly weight: Weight;
  /** which step of the score, from 0 */
  readonly stepIndex: number;
  readonly values: Readonly<Record<string, number>>;
}

/** A concrete change of parameters for the next take. */
export interface NextStep {
  readonly change: 'none' | 'startLouder' | 'fasterTempo' | 'softer' | 'slower' | 'hideTuner' | 'wider';
  readonly parameters: Partial<SwellParameters>;
}

export interface Verdict {
  /** all that was found, weightiest first */
  readonly findings: readonly Finding[];
  readonly tries: readonly TryId[];
  readonly decision: Decision;
  readonly next: NextStep;
}
