import type { ChangeId } from '@inner-hum/core/families';
import { finding, type Finding } from './finding';

export type Decision = 'again' | 'easier' | 'harder' | 'leave';

export const TRY_IDS = [
  'startWhereItSpeaks',
  'fasterTempo',
  'onePressure',
  'voiceTheNote',
  'listenAhead',
  'planTheMiddle',
  'softenJawWhenSoft',
  'supportWhenSoft',
  'sameAirToTheEnd',
  'tuneFirst',
  'lessThroatMoreAir',
  'airBeforeBeat',
  'wideRange',
  'letItSpeak',
  'keepAirThrough',
  'softerTongue',
  'haveItChecked',
  'restLonger',
  'endWithAir',
  'checkFingering',
  'checkMicrophone',
  'warmReed',
  'keepTheVowel',
  'coverTheLoudEnd',
  'anotherNote',
  'humIt',
  'changeWithoutJaw',
  'countTheChange',
  'matchTheAir',
  'hearItAgain',
  'slowerBend',
  'voiceLower',
  'voiceHigher',
  'dropToSubtone',
  'oneLongFade',
  'sayTheVowels',
  'hearTheDynamic',
  'airBeforeTone',
  'countTheWaves',
  'straightFirst',
  'freeTheDevice',
] as const;
/** Things a player can try; each is a sentence of the catalogue. */
export type TryId = (typeof TRY_IDS)[number];

/** A concrete change of parameters for the next take. */
export interface NextStep {
  /** `tomorrow`: it holds, and was made harder once today */
  readonly change: 'none' | 'tomorrow' | ChangeId;
  readonly parameters: Readonly<Record<string, number | string | boolean>>;
}

export interface Verdict {
  /** all that was found: what mattered most to the task first */
  readonly findings: readonly Finding[];
  readonly tries: readonly TryId[];
  readonly decision: Decision;
  readonly next: NextStep;
}

/** The verdict of a take that could not be judged: it says so and proposes nothing. */
export const NOT_JUDGED: Verdict = {
  findings: [finding('notJudged', 3, 0, {})],
  tries: [],
  decision: 'again',
  next: { change: 'none', parameters: {} },
};
