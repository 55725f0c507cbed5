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
] as const;
/** Things a player can try; each is a sentence of the catalogue. */
export type TryId = (typeof TRY_IDS)[number];

export const FINDING_IDS = [
  'notJudged',
  'nothingHeard',
  'otherNote',
  'jump',
  'crack',
  'squeak',
  'dropOut',
  'stoppedEarly',
  'stairs',
  'wrongWay',
  'narrowRange',
  'unevenLine',
  'peakEarly',
  'peakLate',
  'sharpWhenSoft',
  'flatWhenSoft',
  'sharp',
  'flat',
  'rising',
  'sinking',
  'unsteady',
  'airySoftEnd',
  'slowResponse',
  'scooped',
  'slipsAtEnd',
  'stoppedAfter',
  'late',
  'early',
  'slurGap',
  'slurStep',
  'tongueFails',
  'airFails',
  'bothFail',
  'laterWorse',
  'colourApart',
  'wrongPartial',
  'slowChange',
  'changeLate',
  'changeEarly',
  'pairSharp',
  'pairFlat',
  'pairLouder',
  'pairSofter',
  'unevenTime',
  'hummedOther',
  'humSharp',
  'humFlat',
  'humRight',
  'bendShallow',
  'bendOff',
  'bendRough',
  'bendDeep',
  'rests',
  'colourOpens',
  'pairsNearer',
  'slopeEverywhere',
  'slopeHere',
  'leakLikely',
  'steadierNow',
  'tiring',
  'held',
  'steady',
  'even',
] as const;
/** What can be found; each is a sentence of the catalogue. */
export type FindingId = (typeof FINDING_IDS)[number];

/** How much a finding weighs: 3 the tone broke · 2 it missed the demand · 1 worth knowing · 0 it went well. */
export type Weight = 0 | 1 | 2 | 3;

/** One sentence of a verdict with its evidence. Values are what the sentence needs, in the units it names. */
export interface Finding {
  readonly id: FindingId;
  readonly weight: Weight;
  /** which step of the score, from 0; the plainest one when several have it */
  readonly stepIndex: number;
  /** how many steps have it; 1 when left out */
  readonly steps?: number;
  readonly values: Readonly<Record<string, number>>;
}

export const CHANGE_IDS = [
  'startLouder',
  'fasterTempo',
  'higherNote',
  'shorter',
  'fewer',
  'softer',
  'slower',
  'hideTuner',
  'wider',
  'lowerNote',
  'longer',
  'more',
] as const;
/** Ways to make an exercise easier or harder. */
export type ChangeId = (typeof CHANGE_IDS)[number];

/** A concrete change of parameters for the next take. */
export interface NextStep {
  readonly change: 'none' | ChangeId;
  readonly parameters: Readonly<Record<string, number | string | boolean>>;
}

export interface Verdict {
  /** all that was found, weightiest first */
  readonly findings: readonly Finding[];
  readonly tries: readonly TryId[];
  readonly decision: Decision;
  readonly next: NextStep;
}

/** The verdict of a take that could not be judged: it says so and proposes nothing. */
export const NOT_JUDGED: Verdict = {
  findings: [{ id: 'notJudged', weight: 3, stepIndex: 0, values: {} }],
  tries: [],
  decision: 'again',
  next: { change: 'none', parameters: {} },
};
